import { axisOf, maskOf, type Parts } from './parts';

/** How the point travels where some colours lie. */
export interface Stroking {
    targets: string[];
    /** As the plan says it. */
    stroke: string;
    /** Degrees from the horizontal, counter-clockwise; null: as the place lies. */
    direction: number | null;
}

type Shape = 'circles' | 'short' | 'long' | 'none';

const SHAPES: Record<string, Shape> = {
    'small circles': 'circles',
    'along the form': 'long',
    'short hatching': 'short',
    'along the strands': 'long',
};

/** Short strokes come from the wrist, degrees from the horizontal. */
const WRIST = 45;

/** Of a picture of 800 px. */
const PITCH = { circles: 20, short: 13, long: 15, none: 0 } as const;
const LENGTH = { short: 20, long: 58 } as const;

/** The way in which strokes are drawn most easily: what the sheet is turned by. */
export const naturalTurn = (direction: number, isLeftHand: boolean) => {
    const by = direction - (isLeftHand ? 180 - WRIST : WRIST);

    // The shorter way round.
    return by > 90 ? by - 180 : by < -90 ? by + 180 : by;
};

/** The direction of the strokes of a place; null where they have none. */
export function directionOf(parts: Parts, { targets, stroke, direction }: Stroking): number | null {
    if (SHAPES[stroke] !== 'long') return null;

    return direction ?? axisOf(maskOf(parts, targets), parts.width);
}

function draw(context: CanvasRenderingContext2D, shape: Shape, degrees: number, width: number, height: number) {
    const pitch = PITCH[shape];
    const reach = Math.hypot(width, height) / 2;
    context.save();
    context.translate(width / 2, height / 2);
    context.rotate((-degrees * Math.PI) / 180);
    context.beginPath();
    for (let row = 0, y = -reach; y < reach; row++, y += pitch) {
        if (shape === 'circles') {
            for (let x = -reach + (row % 2) * (pitch / 2); x < reach; x += pitch) {
                context.moveTo(x + 6, y);
                context.arc(x, y, 6, 0, 1.7 * Math.PI);
            }
        } else if (shape !== 'none') {
            const length = LENGTH[shape];
            for (let x = -reach - ((row * 29) % (length + 8)); x < reach; x += length + 8) {
                context.moveTo(x, y);
                context.lineTo(x + length, y);
            }
        }
    }
    context.restore();
    // Dark with a light rim, so that it is seen on any value.
    context.lineCap = 'round';
    context.strokeStyle = 'rgb(255 255 255 / 0.75)';
    context.lineWidth = 3.5;
    context.stroke();
    context.strokeStyle = 'rgb(0 0 0 / 0.85)';
    context.lineWidth = 1.4;
    context.stroke();
}

function stripes(context: CanvasRenderingContext2D, width: number, height: number) {
    context.beginPath();
    for (let x = -height; x < width; x += 7) {
        context.moveTo(x, height);
        context.lineTo(x + height, 0);
    }
    context.fillStyle = '#fff';
    context.fillRect(0, 0, width, height);
    context.strokeStyle = '#111';
    context.lineWidth = 2;
    context.stroke();
}

function layer(width: number, height: number): CanvasRenderingContext2D | null {
    const canvas = document.createElement('canvas');
    canvas.width = width;
    canvas.height = height;

    return canvas.getContext('2d');
}

/** Something drawn, as far as a mask lets it through. */
function within(mask: Uint8ClampedArray, width: number, height: number, paint: (on: CanvasRenderingContext2D) => void) {
    const drawn = layer(width, height);
    const stencil = layer(width, height);
    if (!drawn || !stencil) return null;
    const pixels = stencil.createImageData(width, height);
    for (let at = 0; at < mask.length; at++) pixels.data[4 * at + 3] = mask[at] ?? 0;
    stencil.putImageData(pixels, 0, 0);
    paint(drawn);
    drawn.globalCompositeOperation = 'destination-in';
    drawn.drawImage(stencil.canvas, 0, 0);

    return drawn.canvas;
}

interface Shown {
    /** Colours that are seen; the rest lies under the veil. */
    targets: readonly string[];
    strokes: readonly Stroking[];
    /** What stays paper: hatched. */
    paper: readonly string[];
}

/** Draws the veil, with strokes where the pencil goes. */
export function paintVeil(canvas: HTMLCanvasElement, parts: Parts, shown: Shown, colour: string) {
    const { width, height } = parts;
    canvas.width = width;
    canvas.height = height;
    const context = canvas.getContext('2d');
    if (!context) return;
    const mask = maskOf(parts, shown.targets);
    const covered = mask.map((open) => (255 - open) * 0.86);
    const veil = within(covered, width, height, (on) => {
        on.fillStyle = colour;
        on.fillRect(0, 0, width, height);
    });
    if (veil) context.drawImage(veil, 0, 0);
    if (shown.paper.length > 0) {
        const bare = within(maskOf(parts, shown.paper), width, height, (on) => stripes(on, width, height));
        if (bare) context.drawImage(bare, 0, 0);
    }
    for (const one of shown.strokes) {
        const shape = SHAPES[one.stroke] ?? 'none';
        if (shape === 'none') continue;
        const degrees = directionOf(parts, one) ?? WRIST;
        const marks = within(maskOf(parts, one.targets), width, height, (on) =>
            draw(on, shape, degrees, width, height),
        );
        if (marks) context.drawImage(marks, 0, 0);
    }
}
