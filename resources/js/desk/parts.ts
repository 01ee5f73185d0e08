import { useQuery } from '@tanstack/react-query';
import { answered, api } from '../api/client';
import { keys } from '../api/keys';

/** Where in the picture each colour lies, pixel by pixel. */
export interface Parts {
    width: number;
    height: number;
    /** Number of a colour in the pixels, from 1, by its id. */
    numbers: ReadonlyMap<string, number>;
    /** Four bytes a pixel: the two colours that it lies between, how far it is on the way, and one that says nothing. */
    pixels: Uint8ClampedArray;
}

async function decoded(picture: string, targets: string[]): Promise<Parts> {
    const bytes = Uint8Array.from(atob(picture.slice(picture.indexOf(',') + 1)), (byte) => byte.charCodeAt(0));
    // Its bytes are numbers, no colours.
    const image = await createImageBitmap(new Blob([bytes], { type: 'image/png' }), { colorSpaceConversion: 'none' });
    const canvas = document.createElement('canvas');
    canvas.width = image.width;
    canvas.height = image.height;
    const context = canvas.getContext('2d', { willReadFrequently: true });
    if (!context) throw new Error('This browser cannot read pictures.');
    context.drawImage(image, 0, 0);
    const { data } = context.getImageData(0, 0, image.width, image.height);

    return {
        width: image.width,
        height: image.height,
        numbers: new Map(targets.map((id, index) => [id, index + 1])),
        pixels: data,
    };
}

/** Fetched once for all turns of a plan, so that the next one is lit at once, without the network too. */
export const useParts = (piece: string, isAsked: boolean) =>
    useQuery({
        queryKey: keys.parts(piece),
        queryFn: async () => {
            const { picture, targets } = await answered(
                api.GET('/api/pieces/{piece}/parts', { params: { path: { piece } } }),
            );

            return decoded(picture, targets);
        },
        enabled: isAsked,
        structuralSharing: false,
    }).data;

/** Where some colours lie: a byte a pixel, 255 altogether. */
export function maskOf({ width, height, numbers, pixels }: Parts, targets: readonly string[]): Uint8ClampedArray {
    const wanted = new Uint8Array(256);
    for (const id of targets) wanted[numbers.get(id) ?? 0] = 255;
    wanted[0] = 0;
    const mask = new Uint8ClampedArray(width * height);
    for (let at = 0, byte = 0; at < mask.length; at++, byte += 4) {
        const one = wanted[pixels[byte] ?? 0] ?? 0;
        const other = wanted[pixels[byte + 1] ?? 0] ?? 0;
        mask[at] = one + ((other - one) * (pixels[byte + 2] ?? 0)) / 255;
    }

    return mask;
}

/** The direction in which what lies there is long, degrees from the horizontal, counter-clockwise; by its second moments. */
export function axisOf(mask: Uint8ClampedArray, width: number): number {
    let [all, x, y] = [0, 0, 0];
    for (let at = 0; at < mask.length; at += 3) {
        const weight = mask[at] ?? 0;
        all += weight;
        x += weight * (at % width);
        y += weight * Math.floor(at / width);
    }
    if (all === 0) return 0;
    let [xx, xy, yy] = [0, 0, 0];
    for (let at = 0; at < mask.length; at += 3) {
        const weight = mask[at] ?? 0;
        const across = (at % width) - x / all;
        const down = Math.floor(at / width) - y / all;
        xx += weight * across * across;
        xy += weight * across * down;
        yy += weight * down * down;
    }
    const degrees = (-90 * Math.atan2(2 * xy, xx - yy)) / Math.PI;

    return (degrees + 180) % 180;
}
