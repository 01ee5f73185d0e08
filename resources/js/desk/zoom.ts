import { createContext, useContext, useSyncExternalStore } from 'react';
import type { Crop } from '../api/client';

export const MOST_ZOOM = 16;

export const WHOLE: Crop = { x: 0, y: 0, width: 1, height: 1 };

/** A gesture is over when nothing has moved for so long, milliseconds. */
const STILL = 140;

interface Shown {
    /** 1 shows all that is drawn. */
    scale: number;
    /** What is in the middle, in shares of the whole reference. */
    x: number;
    y: number;
}

const clamp = (value: number, low: number, high: number) => Math.min(Math.max(value, low), Math.max(low, high));

function kept(shown: Shown, region: Crop): Shown {
    const scale = clamp(shown.scale, 1, MOST_ZOOM);
    const halfX = region.width / (2 * scale);
    const halfY = region.height / (2 * scale);

    return {
        scale,
        x: clamp(shown.x, region.x + halfX, region.x + region.width - halfX),
        y: clamp(shown.y, region.y + halfY, region.y + region.height - halfY),
    };
}

/**
 * Which part of the picture is seen, and how large. It changes sixty times a second, so it is kept beside the picture: who
 * shows it listens, nobody else is drawn anew. Places are shares of the whole reference.
 */
export class Zoom {
    private shown: Shown = { scale: 1, x: 0.5, y: 0.5 };
    /** As the picture was last laid out; while a gesture lasts it is only moved and stretched from there. */
    private laidOut: Shown = this.shown;
    private timer = 0;
    private region: Crop = WHOLE;
    private readonly listeners = new Set<() => void>();

    readonly listen = (listener: () => void) => {
        this.listeners.add(listener);

        return () => void this.listeners.delete(listener);
    };

    /** The same object until it changes. */
    readonly now = (): Shown => this.shown;

    /** What there is to see: all of the reference, or the part that is drawn. */
    readonly showWithin = (region: Crop) => {
        this.region = region;
        this.put({ ...this.shown });
        this.layOut();
    };

    /** Larger or smaller, with a place (shares of the frame) staying where it is. */
    readonly by = (factor: number, frameX = 0.5, frameY = 0.5) => {
        const was = this.shown;
        const scale = clamp(was.scale * factor, 1, MOST_ZOOM);
        const gain = 1 / was.scale - 1 / scale;
        this.put({
            scale,
            x: was.x + (frameX - 0.5) * this.region.width * gain,
            y: was.y + (frameY - 0.5) * this.region.height * gain,
        });
    };

    /** Moves what is seen, by shares of the frame. */
    readonly pan = (dx: number, dy: number) => {
        const { scale, x, y } = this.shown;
        this.put({ scale, x: x - (dx * this.region.width) / scale, y: y - (dy * this.region.height) / scale });
    };

    readonly fit = () => this.put({ scale: 1, x: 0.5, y: 0.5 });

    /** Puts a place in the middle. */
    readonly showAt = (x: number, y: number, scale: number) => this.put({ scale, x, y });

    /** From shares of the frame to shares of the reference. */
    readonly at = (frameX: number, frameY: number): [number, number] => [
        this.shown.x + ((frameX - 0.5) * this.region.width) / this.shown.scale,
        this.shown.y + ((frameY - 0.5) * this.region.height) / this.shown.scale,
    ];

    /** Where the whole reference lies, in percent of the frame that shows it, and how it is moved from there. */
    sheet() {
        const { scale, x, y } = this.laidOut;
        const { width, height } = this.region;
        const stretched = this.shown.scale / scale;
        // Of the sheet itself: from its place as laid out to its place now.
        const across = (0.5 * width) / scale - x - ((0.5 * width) / this.shown.scale - this.shown.x) * stretched;
        const down = (0.5 * height) / scale - y - ((0.5 * height) / this.shown.scale - this.shown.y) * stretched;

        return {
            width: `${(100 * scale) / width}%`,
            height: `${(100 * scale) / height}%`,
            left: `${50 - (100 * x * scale) / width}%`,
            top: `${50 - (100 * y * scale) / height}%`,
            transform:
                this.shown === this.laidOut
                    ? undefined
                    : `translate(${(-100 * across).toFixed(4)}%, ${(-100 * down).toFixed(4)}%) scale(${stretched.toFixed(5)})`,
        };
    }

    private put(next: Shown) {
        this.shown = kept(next, this.region);
        this.tell();
        clearTimeout(this.timer);
        this.timer = window.setTimeout(() => this.layOut(), STILL);
    }

    private layOut() {
        clearTimeout(this.timer);
        // Another object, so that who listens sees that something has changed.
        this.shown = { ...this.shown };
        this.laidOut = this.shown;
        this.tell();
    }

    private tell() {
        for (const listener of this.listeners) listener();
    }
}

export const ZoomContext = createContext<Zoom | null>(null);

export function useZoom(): Zoom {
    const zoom = useContext(ZoomContext);
    if (!zoom) throw new Error('Only what belongs to the picture can be enlarged.');

    return zoom;
}

/** What one wants to know of it; drawn anew only when that changes. */
export function useZoomed<T extends string | number | boolean>(told: (shown: Shown) => T): T {
    const zoom = useZoom();

    return useSyncExternalStore(zoom.listen, () => told(zoom.now()));
}
