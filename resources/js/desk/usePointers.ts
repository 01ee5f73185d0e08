import { useCallback, useEffect, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { Piece, Zone } from '../api/client';
import type { Spot } from '../api/queries';
import { DEFAULT_RADIUS, type useView } from './address';
import { useHands, type Tool } from './DeskContext';
import { useZoom } from './zoom';

const NUDGE = 0.005;
const WHEEL = 1.0016;
/** A pointer that has moved further than this, in pixels, was dragged and did not click. */
const CLICK = 5;
const LASSO_STEP = 0.004;

const inside = (value: number) => Math.min(1, Math.max(0, value));

/** The zone whose outline holds a place. */
function zoneAt(frame: HTMLElement | null, zones: Zone[], x: number, y: number): Zone | null {
    const point = new DOMPoint(1000 * x, 1000 * y);
    for (const path of frame?.querySelectorAll<SVGGeometryElement>('path[data-area]') ?? []) {
        if (path.isPointInFill(point)) return zones.find(({ id }) => id === path.dataset.area) ?? null;
    }

    return null;
}

interface Shown {
    piece: Piece;
    view: ReturnType<typeof useView>;
    tool: Tool | null;
    /** Where one samples now. */
    spot: Spot | null;
    /** Width by height of the frame. */
    ratio: number;
}

/** What pointers and keys do to the picture: choose or sample, move it, enlarge it, draw what a tool asks for. */
export function usePointers({ piece, view, tool, spot, ratio }: Shown) {
    const frame = useRef<HTMLDivElement>(null);
    const { selectZone, selectSpot, take } = useHands();
    const zoom = useZoom();
    const pointers = useRef(new Map<number, { x: number; y: number }>());
    const pressed = useRef<{ x: number; y: number; moved: boolean } | null>(null);
    const line = useRef<[number, number][]>([]);
    const [drawn, setDrawn] = useState<[number, number][]>([]);

    /** Shares of the frame, as they are looked at: mirrored and upside down. */
    const inFrame = useCallback(
        (event: { clientX: number; clientY: number }): [number, number] => {
            const box = frame.current?.getBoundingClientRect();
            if (!box) return [0.5, 0.5];
            const x = (event.clientX - box.left) / box.width;
            const y = (event.clientY - box.top) / box.height;

            return [view.mirror !== view.turn ? 1 - x : x, view.turn ? 1 - y : y];
        },
        [view.mirror, view.turn],
    );

    // React's own wheel listeners are passive, and would let the page scroll as well.
    useEffect(() => {
        const element = frame.current;
        const turn = (event: WheelEvent) => {
            event.preventDefault();
            zoom.by(WHEEL ** -event.deltaY, ...inFrame(event));
        };
        element?.addEventListener('wheel', turn, { passive: false });

        return () => element?.removeEventListener('wheel', turn);
    }, [zoom, inFrame]);

    const click = (event: PointerEvent) => {
        const [x, y] = zoom.at(...inFrame(event)).map(inside) as [number, number];
        const here = { x, y, radius: spot?.radius ?? DEFAULT_RADIUS };
        if (tool?.kind === 'spot') {
            // Put down first: what is done with the spot may be to take up the next.
            take(null);
            tool.done(here);

            return;
        }
        const marker = (event.target as Element).closest('[data-zone]')?.getAttribute('data-zone');
        const zone =
            piece.zones.find(({ id }) => id === marker) ??
            (view.pick === 'spots' && tool?.kind !== 'zone' ? null : zoneAt(frame.current, piece.zones, x, y));
        if (tool?.kind === 'zone') {
            if (zone) {
                take(null);
                tool.done(zone);
            }
        } else if (zone) selectZone(zone.id);
        else selectSpot(here);
    };

    const down = (event: PointerEvent) => {
        if (event.button !== 0 || tool?.kind === 'crop') return;
        frame.current?.setPointerCapture(event.pointerId);
        pointers.current.set(event.pointerId, { x: event.clientX, y: event.clientY });
        pressed.current = { x: event.clientX, y: event.clientY, moved: false };
        if (tool?.kind === 'lasso' && pointers.current.size === 1) {
            line.current = [zoom.at(...inFrame(event))];
            setDrawn(line.current);
        }
    };
    const move = (event: PointerEvent) => {
        const was = pointers.current.get(event.pointerId);
        const start = pressed.current;
        const box = frame.current?.getBoundingClientRect();
        if (!was || !start || !box) return;
        const others = [...pointers.current.entries()].filter(([id]) => id !== event.pointerId).map(([, at]) => at);
        const other = others[0];
        if (Math.hypot(event.clientX - start.x, event.clientY - start.y) > CLICK || other) start.moved = true;
        if (other) {
            const far = (at: { x: number; y: number }) => Math.hypot(at.x - other.x, at.y - other.y);
            const middle = { clientX: (event.clientX + other.x) / 2, clientY: (event.clientY + other.y) / 2 };
            zoom.by(far({ x: event.clientX, y: event.clientY }) / Math.max(1, far(was)), ...inFrame(middle));
        }
        if (tool?.kind === 'lasso' && !other) {
            const next = zoom.at(...inFrame(event));
            const last = line.current.at(-1);
            if (!last || Math.hypot(next[0] - last[0], next[1] - last[1]) > LASSO_STEP / zoom.now().scale) {
                line.current = [...line.current, next];
                setDrawn(line.current);
            }
        } else if (start.moved) {
            const [x1, y1] = inFrame({ clientX: was.x, clientY: was.y });
            const [x2, y2] = inFrame(event);
            zoom.pan((x2 - x1) / (other ? 2 : 1), (y2 - y1) / (other ? 2 : 1));
        }
        pointers.current.set(event.pointerId, { x: event.clientX, y: event.clientY });
    };
    const up = (event: PointerEvent) => {
        if (!pointers.current.delete(event.pointerId) || pointers.current.size > 0) return;
        const start = pressed.current;
        pressed.current = null;
        if (tool?.kind === 'lasso') {
            const closed = line.current;
            line.current = [];
            setDrawn([]);
            if (closed.length > 2) {
                take(null);
                tool.done(closed);
            }
        } else if (start && !start.moved) click(event);
    };
    const cancel = (event: PointerEvent) => {
        pointers.current.delete(event.pointerId);
        pressed.current = null;
        line.current = [];
        setDrawn([]);
    };
    const press = (event: KeyboardEvent) => {
        if (event.target !== event.currentTarget) return;
        const steps: Record<string, [number, number]> = {
            ArrowLeft: [-1, 0],
            ArrowRight: [1, 0],
            ArrowUp: [0, -1],
            ArrowDown: [0, 1],
        };
        const by = steps[event.key];
        if (event.key === 'Escape' && tool) {
            take(null);
        } else if (by && event.shiftKey) {
            zoom.pan(-0.1 * by[0], -0.1 * by[1]);
        } else if (by || event.key === 'Enter') {
            const { x, y } = zoom.now();
            const from = spot ?? { x, y, radius: DEFAULT_RADIUS };
            const next = {
                ...from,
                x: inside(from.x + (by ? (by[0] * NUDGE) / zoom.now().scale : 0)),
                y: inside(from.y + (by ? (by[1] * NUDGE * ratio) / zoom.now().scale : 0)),
            };
            if (event.key === 'Enter' && tool?.kind === 'spot') {
                take(null);
                tool.done(from);
            } else selectSpot(next);
        } else return;
        event.preventDefault();
    };

    return {
        frame,
        drawn,
        handlers: {
            onPointerDown: down,
            onPointerMove: move,
            onPointerUp: up,
            onPointerCancel: cancel,
            onKeyDown: press,
        },
    };
}
