/** Long edge of a photo in the log, pixels: enough to see strokes, little enough to wait for the network in the browser. */
const EDGE = 1800;
const QUALITY = 0.86;

/** A photo as it is kept in the log; as it is where the browser cannot read it: then the studio says why. */
export async function smaller(photo: File): Promise<Blob> {
    try {
        const image = await createImageBitmap(photo);
        const by = Math.min(1, EDGE / Math.max(image.width, image.height));
        if (by === 1) return photo;
        const canvas = document.createElement('canvas');
        canvas.width = Math.round(image.width * by);
        canvas.height = Math.round(image.height * by);
        canvas.getContext('2d')?.drawImage(image, 0, 0, canvas.width, canvas.height);

        return await new Promise((give) => canvas.toBlob((made) => give(made ?? photo), 'image/jpeg', QUALITY));
    } catch {
        return photo;
    }
}
