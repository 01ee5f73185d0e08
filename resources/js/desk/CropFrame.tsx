import { useRef, type KeyboardEvent, type PointerEvent } from 'react';
import styled from 'styled-components';
import type { Crop } from '../api/client';

const LEAST = 0.08;
const NUDGE = 0.01;

const Shade = styled.div`
    position: absolute;
    inset: 0;
    overflow: hidden;
    & > div {
        position: absolute;
        box-shadow: 0 0 0 9999px rgb(30 30 30 / 65%);
        outline: 2px solid #fff;
        border: 2px dashed #111;
        cursor: move;
    }
    & > div:focus-visible {
        outline-width: 4px;
    }
    & i {
        position: absolute;
        right: -2px;
        bottom: -2px;
        width: 28px;
        height: 28px;
        border: solid #fff;
        border-width: 0 6px 6px 0;
        cursor: nwse-resize;
    }
`;

const clamp = (value: number, low: number, high: number) => Math.min(Math.max(value, low), Math.max(low, high));

/** A crop of this width at a corner, with the ratio kept and inside the photo. Ratio: width by height, in shares. */
export function cropOf(x: number, y: number, width: number, height: number, ratio: number | null): Crop {
    let w = clamp(width, LEAST, 1);
    let h = clamp(height, LEAST, 1);
    if (ratio !== null) {
        w = clamp(w, LEAST, Math.min(1, ratio));
        h = w / ratio;
    }

    return { x: clamp(x, 0, 1 - w), y: clamp(y, 0, 1 - h), width: w, height: h };
}

interface Props {
    crop: Crop;
    /** Width by height in shares of the photo; null for any. */
    ratio: number | null;
    onChange: (crop: Crop) => void;
}

/** The part that is drawn: dragged, pulled larger at its corner, or moved by arrow keys (with Shift: made larger). */
export function CropFrame({ crop, ratio, onChange }: Props) {
    const sheet = useRef<HTMLDivElement>(null);
    const start = useRef<{ x: number; y: number; crop: Crop; grows: boolean } | null>(null);

    const down = (event: PointerEvent) => {
        event.stopPropagation();
        (event.currentTarget as Element).setPointerCapture(event.pointerId);
        start.current = {
            x: event.clientX,
            y: event.clientY,
            crop,
            grows: (event.target as Element).tagName === 'I',
        };
    };
    const move = (event: PointerEvent) => {
        const from = start.current;
        const box = sheet.current?.getBoundingClientRect();
        if (!from || !box) return;
        const dx = (event.clientX - from.x) / box.width;
        const dy = (event.clientY - from.y) / box.height;
        const { x, y, width, height } = from.crop;
        onChange(
            from.grows
                ? cropOf(x, y, Math.min(1 - x, width + dx), Math.min(1 - y, height + dy), ratio)
                : cropOf(x + dx, y + dy, width, height, ratio),
        );
    };
    const press = (event: KeyboardEvent) => {
        const steps: Record<string, [number, number]> = {
            ArrowLeft: [-NUDGE, 0],
            ArrowRight: [NUDGE, 0],
            ArrowUp: [0, -NUDGE],
            ArrowDown: [0, NUDGE],
        };
        const by = steps[event.key];
        if (!by) return;
        event.preventDefault();
        event.stopPropagation();
        const { x, y, width, height } = crop;
        onChange(
            event.shiftKey
                ? cropOf(x, y, width + by[0], height + by[1], ratio)
                : cropOf(x + by[0], y + by[1], width, height, ratio),
        );
    };

    return (
        <Shade ref={sheet}>
            {/* An application takes keys and pointers itself. */}
            {/* eslint-disable-next-line jsx-a11y/no-noninteractive-element-interactions */}
            <div
                role="application"
                aria-label="Crop. Arrow keys move it, Shift and arrows change its size."
                // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex
                tabIndex={0}
                data-testid="crop"
                style={{
                    left: `${100 * crop.x}%`,
                    top: `${100 * crop.y}%`,
                    width: `${100 * crop.width}%`,
                    height: `${100 * crop.height}%`,
                }}
                onPointerDown={down}
                onPointerMove={move}
                onPointerUp={() => (start.current = null)}
                onKeyDown={press}
            >
                <i />
            </div>
        </Shade>
    );
}
