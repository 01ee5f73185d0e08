import {
    createParser,
    createSerializer,
    debounce,
    parseAsString,
    parseAsStringLiteral,
    useQueryState,
    useQueryStates,
} from 'nuqs';
import { useCallback } from 'react';
import type { Spot } from '../api/queries';

export const DEFAULT_RADIUS = 0.012;
export const LEAST_RADIUS = 0.002;
export const MOST_RADIUS = 0.06;

export const FEWEST_STEPS = 3;
export const MOST_STEPS = 10;
const USUAL_STEPS = 5;
const MOST_SQUINT = 40;

/** How the picture is shown. */
export const VIEWS = ['photo', 'value', 'steps', 'temperature', 'drawing'] as const;
export type View = (typeof VIEWS)[number];

/** The parts of Look. */
export const LOOKS = ['zones', 'values', 'light', 'references', 'format'] as const;
export type LookPart = (typeof LOOKS)[number];

/** The parts of Plan. */
export const PLANS = ['palette', 'order', 'preview', 'advice', 'ways'] as const;
export type PlanPart = (typeof PLANS)[number];

/** What moves under the hand is written once it stands still for so long, milliseconds. */
const STILL = 150;
const whenStill = { limitUrlUpdates: debounce(STILL) };

const clamp = (value: number, low: number, high: number) => Math.min(high, Math.max(low, value));

const spot = createParser<Spot>({
    parse: (text) => {
        const parts = text.split(',').map(Number);
        const [x, y, radius] = parts;
        if (x === undefined || y === undefined || radius === undefined || parts.some((part) => !Number.isFinite(part)))
            return null;

        return { x: clamp(x, 0, 1), y: clamp(y, 0, 1), radius: clamp(radius, LEAST_RADIUS, MOST_RADIUS) };
    },
    serialize: ({ x, y, radius }) => [x.toFixed(4), y.toFixed(4), radius.toFixed(4)].join(','),
    eq: (one, other) => one.x === other.x && one.y === other.y && one.radius === other.radius,
});

const number = (low: number, high: number) =>
    createParser<number>({
        parse: (text) => {
            const value = Number(text);

            return text === '' || !Number.isFinite(value) ? null : clamp(value, low, high);
        },
        serialize: String,
    });

/** Something is on or off; the address says so where it is not as usual. */
const flag = (usual: boolean) =>
    createParser<boolean>({ parse: (text) => text === '1', serialize: (on) => (on ? '1' : '0') }).withDefault(usual);

const CHOSEN = {
    zone: parseAsString,
    target: parseAsString,
    at: spot,
    pin: spot,
    /** The stack that lies open in the editor. */
    edit: parseAsString,
    /** A colour to match that was typed, not found in the photo. */
    typed: parseAsString,
};

const SHOWN = {
    view: parseAsStringLiteral(VIEWS).withDefault('photo'),
    steps: number(FEWEST_STEPS, MOST_STEPS).withDefault(USUAL_STEPS),
    /** One step of them alone. */
    only: number(1, MOST_STEPS),
    /** The simulated drawing after so many steps; null: finished. */
    stage: number(0, 100_000),
    /** The turn of which the picture shows where it goes. */
    places: number(1, 100_000),
    mirror: flag(false),
    turn: flag(false),
    lamp: flag(false),
    borders: flag(true),
    grid: flag(false),
    centre: flag(false),
    reserves: flag(false),
    isolate: flag(false),
    /** In Compare: a photo of the drawing, by its mark; null: the latest that was compared. */
    check: parseAsString,
    /** The drawing lies in the photo's place; or over the right of it, from so many hundredths on; or both take turns. */
    own: flag(false),
    wipe: number(0, 100),
    flicker: flag(false),
    /** A click samples a spot, whatever zone it is in. */
    pick: parseAsStringLiteral(['zones', 'spots']).withDefault('zones'),
};

/** Four shares of the photo's width and height: both ends of a line. */
export type Ends = [number, number, number, number];

const ends = createParser<Ends>({
    parse: (text) => {
        const at = text.split(',').map(Number);
        const [x1, y1, x2, y2] = at.map((share) => clamp(share, 0, 1));
        if (at.length !== 4 || at.some((share) => !Number.isFinite(share))) return null;

        return [x1 ?? 0, y1 ?? 0, x2 ?? 0, y2 ?? 0];
    },
    serialize: (at) => at.map((share) => share.toFixed(4)).join(','),
    eq: (one, other) => one.every((share, i) => share === other[i]),
});

/** Lines laid over the picture: between two places, the same in the drawing, and plumb through one place. */
const LINES = { line: ends, mine: ends, plumb: number(0, 1) };

const SQUINT = number(0, MOST_SQUINT).withDefault(0);

const PARTS = {
    look: parseAsStringLiteral(LOOKS).withDefault('zones'),
    plan: parseAsStringLiteral(PLANS).withDefault('palette'),
};

const writeOut = createSerializer({ ...CHOSEN, ...SHOWN, ...LINES, squint: SQUINT, ...PARTS });

/**
 * The one selection of the desk, kept in the address: a zone and which of its colours, or a free spot; and the stack that lies
 * open in the editor. A reload or a link brings all of it back.
 */
export function useAddress() {
    const [chosen, set] = useQueryStates(CHOSEN);

    return {
        chosen,
        selectZone: useCallback(
            (zone: string, target: string | null = null) =>
                void set({ zone, target, at: null, edit: null, typed: null }),
            [set],
        ),
        /** So many zones on, or back, round and round; from the one that is chosen by then. */
        step: useCallback(
            (zones: readonly { id: string }[], by: number) =>
                void set(({ zone: was }) => {
                    const at = zones.findIndex(({ id }) => id === was);
                    const next = zones[(at + by + zones.length) % zones.length] ?? zones[0];

                    return next ? { zone: next.id, target: null, at: null, edit: null, typed: null } : {};
                }),
            [set],
        ),
        selectSpot: useCallback(
            (at: Spot) => void set({ at, zone: null, target: null, edit: null, typed: null }, whenStill),
            [set],
        ),
        pin: useCallback((pin: Spot | null) => void set({ pin }), [set]),
        aimAt: useCallback((typed: string | null) => void set({ typed, edit: null }), [set]),
        /** Opens a stack in the editor: going back from there closes it. */
        open: useCallback((edit: string) => void set({ edit }, { history: 'push' }), [set]),
        /** What has become of the stack that lies open. */
        rewrite: useCallback((edit: string) => void set(({ edit: was }) => (was === null ? {} : { edit })), [set]),
        close: useCallback(() => void set({ edit: null }), [set]),
    };
}

/** How the picture is shown. */
export function useView() {
    const [shown, set] = useQueryStates(SHOWN);

    return {
        ...shown,
        setView: useCallback((view: View) => void set({ view, only: null }), [set]),
        setSteps: useCallback((steps: number) => void set({ view: 'steps', steps, only: null }), [set]),
        showOnlyStep: useCallback((only: number | null) => void set({ view: 'steps', only }), [set]),
        showStage: useCallback((stage: number | null) => void set({ view: 'drawing', stage }, whenStill), [set]),
        showPlaces: useCallback((places: number | null) => void set({ places }), [set]),
        /** On, or off; the name is that of the address. */
        chooseCheck: useCallback((check: string | null) => void set({ check }), [set]),
        setWipe: useCallback((wipe: number | null) => void set({ wipe, own: false, flicker: false }, whenStill), [set]),
        toggle: useCallback(
            (
                name:
                    | 'mirror'
                    | 'turn'
                    | 'lamp'
                    | 'borders'
                    | 'grid'
                    | 'centre'
                    | 'reserves'
                    | 'isolate'
                    | 'own'
                    | 'flicker',
                on: boolean,
            ) => void set({ [name]: on }),
            [set],
        ),
        pickSpots: useCallback((on: boolean) => void set({ pick: on ? 'spots' : 'zones' }), [set]),
    };
}

/** How far the picture is blurred, in thousandths of its width. It changes while a slider moves: few listen to it. */
export function useSquint() {
    const [squint, set] = useQueryState('squint', SQUINT);

    return [squint, useCallback((to: number) => void set(to, whenStill), [set])] as const;
}

/** What is measured in the picture. */
export function useLines() {
    const [lines, set] = useQueryStates(LINES);

    return {
        ...lines,
        /** A new line in the photo: that of the drawing was another's. */
        setLine: useCallback((line: Ends | null) => void set({ line, mine: null }), [set]),
        setMine: useCallback((mine: Ends | null) => void set({ mine }), [set]),
        setPlumb: useCallback((plumb: number | null) => void set({ plumb }), [set]),
    };
}

/** The picture is shown in the light one draws in. */
export const useUnderLamp = () => useQueryState('lamp', SHOWN.lamp)[0];

/** Which part of a stage is open. */
export function useParts() {
    const [parts, set] = useQueryStates(PARTS);

    return {
        ...parts,
        openLook: useCallback((look: LookPart) => void set({ look }), [set]),
        openPlan: useCallback((plan: PlanPart) => void set({ plan }), [set]),
    };
}

/** The address of all this, as it is or is about to be: what leads to another stage takes it along. */
export function useWholeAddress(): string {
    const [chosen] = useQueryStates(CHOSEN);
    const [shown] = useQueryStates(SHOWN);
    const [parts] = useQueryStates(PARTS);
    const [lines] = useQueryStates(LINES);
    const [squint] = useQueryState('squint', SQUINT);

    return writeOut({ ...chosen, ...shown, ...lines, squint, ...parts });
}
