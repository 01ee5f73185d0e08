import { describe, expect, it } from 'vitest';
import { axisOf, maskOf, type Parts } from '../../resources/js/desk/parts';
import { directionOf, naturalTurn } from '../../resources/js/desk/strokes';

/** A picture of some pixels: of each the two colours that it lies between, and how far it is on the way, of 255. */
function parts(width: number, pixels: [number, number, number][]): Parts {
    return {
        width,
        height: pixels.length / width,
        numbers: new Map([
            ['light', 1],
            ['dark', 2],
        ]),
        pixels: new Uint8ClampedArray(pixels.flatMap((pixel) => [...pixel, 255])),
    };
}

describe('where a colour lies', () => {
    const of = parts(4, [
        [1, 1, 0],
        [1, 2, 51],
        [2, 2, 0],
        [0, 0, 0],
    ]);

    it('is whole, shared with another, or nowhere', () => {
        expect([...maskOf(of, ['light'])]).toEqual([255, 204, 0, 0]);
        expect([...maskOf(of, ['dark'])]).toEqual([0, 51, 255, 0]);
        expect([...maskOf(of, ['light', 'dark'])]).toEqual([255, 255, 255, 0]);
    });

    it('is nowhere for what is not in the picture', () => {
        expect([...maskOf(of, ['gone'])]).toEqual([0, 0, 0, 0]);
        expect([...maskOf(of, [])]).toEqual([0, 0, 0, 0]);
    });
});

describe('the way strokes go', () => {
    const size = 40;
    /** A band through the middle, so many degrees from the horizontal, counter-clockwise. */
    const band = (degrees: number) => {
        const mask = new Uint8ClampedArray(size * size);
        const angle = (degrees * Math.PI) / 180;
        for (let at = 0; at < mask.length; at++) {
            const [x, y] = [(at % size) - size / 2, size / 2 - Math.floor(at / size)];
            if (Math.abs(-x * Math.sin(angle) + y * Math.cos(angle)) < 3) mask[at] = 255;
        }

        return mask;
    };

    it.each([0, 30, 90, 140])('follows the longer side of a place, at %d degrees', (degrees) => {
        const found = axisOf(band(degrees), size);
        expect(Math.min(Math.abs(found - degrees), 180 - Math.abs(found - degrees))).toBeLessThan(6);
    });

    it('is what was read, if it was, and none for circles and short hatching', () => {
        const of = parts(1, [[1, 1, 0]]);
        const going = (stroke: string, direction: number | null) =>
            directionOf(of, { targets: ['light'], stroke, direction });
        expect(going('along the strands', 20)).toBe(20);
        expect(going('along the form', null)).not.toBeNull();
        expect(going('small circles', null)).toBeNull();
        expect(going('short hatching', null)).toBeNull();
    });

    it.each([
        [45, false, 0],
        [90, false, 45],
        [0, false, -45],
        [135, false, 90],
        [170, false, -55],
        [135, true, 0],
        [90, true, -45],
    ])(
        'strokes at %d degrees come from the wrist (left hand: %s) once the sheet is turned by %d',
        (direction, left, by) => {
            expect(naturalTurn(direction, left)).toBe(by);
        },
    );
});
