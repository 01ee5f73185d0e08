import { useCallback } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import type { Spot } from '../api/queries';

export const DEFAULT_RADIUS = 0.012;
export const LEAST_RADIUS = 0.002;
export const MOST_RADIUS = 0.06;

export const FEWEST_STEPS = 3;
export const MOST_STEPS = 10;

/** How the picture is shown. */
export const VIEWS = ['photo', 'value', 'steps', 'temperature', 'drawing'] as const;
export type View = (typeof VIEWS)[number];

/** The parts of Look. */
export const LOOKS = ['zones', 'values', 'light', 'references', 'format'] as const;
export type LookPart = (typeof LOOKS)[number];

/** The parts of Plan. */
export const PLANS = ['palette', 'order', 'preview', 'advice', 'ways'] as const;
export type PlanPart = (typeof PLANS)[number];

const clamp = (value: number, low: number, high: number) => Math.min(high, Math.max(low, value));

function readSpot(text: string | null): Spot | null {
    const parts = (text ?? '').split(',').map(Number);
    const [x, y, radius] = parts;
    if (x === undefined || y === undefined || radius === undefined || parts.some((part) => !Number.isFinite(part)))
        return null;

    return { x: clamp(x, 0, 1), y: clamp(y, 0, 1), radius: clamp(radius, LEAST_RADIUS, MOST_RADIUS) };
}

const writeSpot = (spot: Spot) => [spot.x.toFixed(4), spot.y.toFixed(4), spot.radius.toFixed(4)].join(',');

function oneOf<T extends string>(text: string | null, known: readonly T[], otherwise: T): T {
    return known.find((candidate) => candidate === text) ?? otherwise;
}

function readNumber(text: string | null, low: number, high: number): number | null {
    const value = Number(text);

    return text === null || text === '' || !Number.isFinite(value) ? null : clamp(value, low, high);
}

/**
 * The one selection of the desk, kept in the address: a zone and which of its colours, or a free spot; how the picture is
 * shown; and the stack that lies open in the editor. A reload or a link brings all of it back.
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
        targetId: params.get('target'),
        spot: readSpot(params.get('at')),
        pinned: readSpot(params.get('pin')),
        view: oneOf(params.get('view'), VIEWS, 'photo'),
        steps: readNumber(params.get('steps'), FEWEST_STEPS, MOST_STEPS) ?? 5,
        onlyStep: readNumber(params.get('only'), 1, MOST_STEPS),
        /** The simulated drawing after so many steps; null: finished. */
        stage: readNumber(params.get('stage'), 0, 100_000),
        /** The turn of which the picture shows where it goes. */
        places: readNumber(params.get('places'), 1, 100_000),
        squint: readNumber(params.get('squint'), 0, 40) ?? 0,
        mirrored: params.get('mirror') === '1',
        upsideDown: params.get('turn') === '1',
        underLamp: params.get('lamp') === '1',
        bordersShown: params.get('borders') !== '0',
        gridShown: params.get('grid') === '1',
        reservesShown: params.get('reserves') === '1',
        picksSpots: params.get('pick') === 'spots',
        isolated: params.get('isolate') === '1',
        lookPart: oneOf(params.get('look'), LOOKS, 'zones'),
        planPart: oneOf(params.get('plan'), PLANS, 'palette'),
        editing: params.get('edit'),
        /** A colour to match that was typed, not found in the photo. */
        typed: params.get('typed'),
        selectZone: useCallback(
            (id: string, target: string | null = null) =>
                change({ zone: id, target, at: null, edit: null, typed: null }),
            [change],
        ),
        selectSpot: useCallback(
            (spot: Spot) => change({ at: writeSpot(spot), zone: null, target: null, edit: null, typed: null }),
            [change],
        ),
        pin: useCallback((spot: Spot | null) => change({ pin: spot && writeSpot(spot) }), [change]),
        setView: useCallback((view: View) => change({ view: view === 'photo' ? null : view, only: null }), [change]),
        setSteps: useCallback(
            (steps: number) => change({ view: 'steps', steps: steps === 5 ? null : String(steps), only: null }),
            [change],
        ),
        showOnlyStep: useCallback(
            (step: number | null) => change({ view: 'steps', only: step === null ? null : String(step) }),
            [change],
        ),
        showStage: useCallback(
            (stage: number | null) => change({ view: 'drawing', stage: stage === null ? null : String(stage) }),
            [change],
        ),
        showPlaces: useCallback(
            (turn: number | null) => change({ places: turn === null ? null : String(turn) }),
            [change],
        ),
        setSquint: useCallback((squint: number) => change({ squint: squint === 0 ? null : String(squint) }), [change]),
        /** On, or off; the name is that of the address. */
        toggle: useCallback(
            (name: 'mirror' | 'turn' | 'lamp' | 'grid' | 'reserves' | 'isolate', on: boolean) =>
                change({ [name]: on ? '1' : null }),
            [change],
        ),
        showBorders: useCallback((on: boolean) => change({ borders: on ? null : '0' }), [change]),
        pickSpots: useCallback((on: boolean) => change({ pick: on ? 'spots' : null }), [change]),
        openPart: useCallback((part: LookPart) => change({ look: part === 'zones' ? null : part }), [change]),
        openPlan: useCallback((part: PlanPart) => change({ plan: part === 'palette' ? null : part }), [change]),
        aimAt: useCallback((typed: string | null) => change({ typed, edit: null }), [change]),
        edit: useCallback((stack: string | null) => change({ edit: stack }), [change]),
    };
}
