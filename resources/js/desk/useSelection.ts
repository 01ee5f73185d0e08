import { useCallback } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import type { Spot } from '../api/queries';

export const DEFAULT_RADIUS = 0.012;
export const LEAST_RADIUS = 0.002;
export const MOST_RADIUS = 0.06;

const clamp = (value: number, low: number, high: number) => Math.min(high, Math.max(low, value));

function readSpot(text: string | null): Spot | null {
    const parts = (text ?? '').split(',').map(Number);
    const [x, y, radius] = parts;
    if (x === undefined || y === undefined || radius === undefined || parts.some((part) => !Number.isFinite(part)))
        return null;

    return { x: clamp(x, 0, 1), y: clamp(y, 0, 1), radius: clamp(radius, LEAST_RADIUS, MOST_RADIUS) };
}

/**
 * The one selection of the desk, kept in the address: a zone or a free spot, the view of the picture, and the stack that
 * lies open in the editor. A reload or a link brings all of it back.
 */
export function useSelection() {
    const [params] = useSearchParams();
    const navigate = useNavigate();
    const change = useCallback(
        (changes: Record<string, string | null>) => {
            // From the address as it is now: what was rendered may be a key press behind it.
            const next = new URLSearchParams(window.location.search);
            for (const [name, value] of Object.entries(changes)) {
                if (value === null) next.delete(name);
                else next.set(name, value);
            }
            void navigate({ pathname: window.location.pathname, search: next.toString() }, { replace: true });
        },
        [navigate],
    );

    return {
        zoneId: params.get('zone'),
        spot: readSpot(params.get('at')),
        view: params.get('view') === 'value' ? ('value' as const) : ('photo' as const),
        isolated: params.get('isolate') === '1',
        editing: params.get('edit'),
        selectZone: useCallback((id: string) => change({ zone: id, at: null, edit: null }), [change]),
        selectSpot: useCallback(
            (spot: Spot) =>
                change({
                    at: [spot.x.toFixed(4), spot.y.toFixed(4), spot.radius.toFixed(4)].join(','),
                    zone: null,
                    edit: null,
                }),
            [change],
        ),
        setView: useCallback(
            (view: 'photo' | 'value') => change({ view: view === 'value' ? 'value' : null }),
            [change],
        ),
        setIsolated: useCallback((on: boolean) => change({ isolate: on ? '1' : null }), [change]),
        edit: useCallback((stack: string | null) => change({ edit: stack }), [change]),
    };
}
