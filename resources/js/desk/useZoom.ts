import { useCallback, useState } from 'react';
import type { Crop } from '../api/client';

export const MOST_ZOOM = 16;

export const WHOLE: Crop = { x: 0, y: 0, width: 1, height: 1 };

interface Zoom {
    /** 1 shows all that is drawn. */
    scale: number;
    /** What is in the middle, in shares of the whole reference. */
    x: number;
    y: number;
}

const clamp = (value: number, low: number, high: number) => Math.min(Math.max(value, low), Math.max(low, high));

function kept(zoom: Zoom, region: Crop): Zoom {
    const scale = clamp(zoom.scale, 1, MOST_ZOOM);
    const halfX = region.width / (2 * scale);
    const halfY = region.height / (2 * scale);

    return {
        scale,
        x: clamp(zoom.x, region.x + halfX, region.x + region.width - halfX),
        y: clamp(zoom.y, region.y + halfY, region.y + region.height - halfY),
    };
}

/** Which part of the region is seen, and how large. Places are shares of the whole reference. */
export function useZoom(region: Crop) {
    const [raw, set] = useState<Zoom>({ scale: 1, x: 0.5, y: 0.5 });
    // The region may have changed since.
    const zoom = kept(raw, region);
    const change = useCallback(
        (by: (zoom: Zoom) => Zoom) => set((was) => kept(by(kept(was, region)), region)),
        [region],
    );

    return {
        ...zoom,
        /** Of the frame that shows it: where the whole reference lies, in percent of the frame. */
        sheet: {
            width: `${(100 * zoom.scale) / region.width}%`,
            height: `${(100 * zoom.scale) / region.height}%`,
            left: `${50 - (100 * zoom.x * zoom.scale) / region.width}%`,
            top: `${50 - (100 * zoom.y * zoom.scale) / region.height}%`,
        },
        /** From shares of the frame to shares of the reference. */
        at: (frameX: number, frameY: number): [number, number] => [
            zoom.x + ((frameX - 0.5) * region.width) / zoom.scale,
            zoom.y + ((frameY - 0.5) * region.height) / zoom.scale,
        ],
        /** Larger or smaller, with a place (shares of the frame) staying where it is. */
        by: useCallback(
            (factor: number, frameX = 0.5, frameY = 0.5) =>
                change((was) => {
                    const scale = clamp(was.scale * factor, 1, MOST_ZOOM);
                    const gain = 1 / was.scale - 1 / scale;

                    return {
                        scale,
                        x: was.x + (frameX - 0.5) * region.width * gain,
                        y: was.y + (frameY - 0.5) * region.height * gain,
                    };
                }),
            [change, region],
        ),
        /** Moves what is seen, by shares of the frame. */
        pan: useCallback(
            (dx: number, dy: number) =>
                change((was) => ({
                    ...was,
                    x: was.x - (dx * region.width) / was.scale,
                    y: was.y - (dy * region.height) / was.scale,
                })),
            [change, region],
        ),
        fit: useCallback(() => set({ scale: 1, x: 0.5, y: 0.5 }), []),
    };
}

export type ZoomState = ReturnType<typeof useZoom>;
