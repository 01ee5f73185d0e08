/** Errors of value from here on are shown, about half a step of the ladder, and from here on are strong; L*. */
const SHOWN = 5.5;
const STRONG = 11;
/** How far the lines of hatching lie apart, and how wide each is with its light edge, pixels. */
const APART = 10;
const CLOSE = 5;
const LINE = 1.5;
const EDGED = 3;
/** Dots over what is not judged: how far apart, and how wide with their light edge, pixels. */
const DOTS = 9;
const DOT = 1.6;
const DOT_EDGED = 2.8;

/** How far a pixel lies from the nearest dot of a lattice. */
const fromDot = (x: number, y: number): number => {
    const row = Math.round(y / DOTS);
    const shift = row % 2 === 0 ? 0 : DOTS / 2;
    const column = Math.round((x - shift) / DOTS);

    return Math.hypot(x - shift - column * DOTS, y - row * DOTS);
};

/**
 * Hatching over errors of value, without any hue: lines rise where the drawing is too light, fall where it is too dark, and lie closer where it is
 * much. Each line is dark with a light edge, so that it is seen on whatever lies below. Dots lie over what glare or shadow keeps from being judged.
 *
 * @param grey four bytes a pixel, of which the first is 128 + 2 (L* of the drawing - L* of the photo), and the second the same where it is judged
 * @returns four bytes a pixel, red, green, blue and how much they cover
 */
export function hatched(grey: Uint8ClampedArray, width: number, height: number): Uint8ClampedArray {
    const shown = new Uint8ClampedArray(4 * width * height);
    for (let y = 0, at = 0; y < height; y++) {
        for (let x = 0; x < width; x++, at += 4) {
            if (grey[at] !== grey[at + 1]) {
                const away = fromDot(x, y);
                if (away < DOT_EDGED) {
                    shown[at] = shown[at + 1] = shown[at + 2] = away < DOT ? 20 : 240;
                    shown[at + 3] = away < DOT ? 235 : 150;
                }
                continue;
            }
            const error = ((grey[at] ?? 128) - 128) / 2;
            if (Math.abs(error) < SHOWN) continue;
            const apart = Math.abs(error) >= STRONG ? CLOSE : APART;
            const along = (((error > 0 ? x + y : x - y) % apart) + apart) % apart;
            if (along >= EDGED) continue;
            const tone = along < LINE ? 20 : 240;
            shown[at] = shown[at + 1] = shown[at + 2] = tone;
            shown[at + 3] = along < LINE ? 235 : 150;
        }
    }

    return shown;
}
