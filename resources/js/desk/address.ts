import {
    createParser,
    createSerializer,
    debounce,
    parseAsString,
    parseAsStringLiteral,
    useQueryStates,
    type SetValues,
    type UseQueryStatesKeysMap,
    type Values,
} from 'nuqs';
import { createContext, useCallback, useContext, useMemo, useState, type RefObject } from 'react';
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

const ALL = { ...CHOSEN, ...SHOWN, ...LINES, squint: SQUINT, ...PARTS };

const writeOut = createSerializer(ALL);

type Tell = SetValues<typeof ALL>;

/** A part of all that is told; the same object until some of it changes. */
function usePart<Keys extends UseQueryStatesKeysMap>(told: Values<Keys>, keys: Keys): Values<Keys> {
    const now = Object.fromEntries(Object.keys(keys).map((key) => [key, told[key]])) as Values<Keys>;
    const [kept, keep] = useState(now);
    if (Object.keys(keys).every((key) => Object.is(kept[key], now[key]))) return kept;
    keep(now);

    return now;
}

/** What a hand does to the one selection of the desk. */
const choosing = (set: Tell) => ({
    selectZone: (zone: string, target: string | null = null) =>
        void set({ zone, target, at: null, edit: null, typed: null }),
    /** So many zones on, or back, round and round; from the one that is chosen by then. */
    step: (zones: readonly { id: string }[], by: number) =>
        void set(({ zone: was }) => {
            const at = zones.findIndex(({ id }) => id === was);
            const next = zones[(at + by + zones.length) % zones.length] ?? zones[0];

            return next ? { zone: next.id, target: null, at: null, edit: null, typed: null } : {};
        }),
    selectSpot: (at: Spot) => void set({ at, zone: null, target: null, edit: null, typed: null }, whenStill),
    pin: (pin: Spot | null) => void set({ pin }),
    aimAt: (typed: string | null) => void set({ typed, edit: null }),
    /** Opens a stack in the editor: going back from there closes it. */
    open: (edit: string) => void set({ edit }, { history: 'push' }),
    /** What has become of the stack that lies open. */
    rewrite: (edit: string) => void set(({ edit: was }) => (was === null ? {} : { edit })),
    close: () => void set({ edit: null }),
});

type Toggled = 'mirror' | 'turn' | 'lamp' | 'borders' | 'grid' | 'centre' | 'reserves' | 'isolate' | 'own' | 'flicker';

const viewing = (set: Tell) => ({
    setView: (view: View) => void set({ view, only: null }),
    setSteps: (steps: number) => void set({ view: 'steps', steps, only: null }),
    showOnlyStep: (only: number | null) => void set({ view: 'steps', only }),
    showStage: (stage: number | null) => void set({ view: 'drawing', stage }, whenStill),
    showPlaces: (places: number | null) => void set({ places }),
    chooseCheck: (check: string | null) => void set({ check }),
    setWipe: (wipe: number | null) => void set({ wipe, own: false, flicker: false }, whenStill),
    /** On, or off; the name is that of the address. */
    toggle: (name: Toggled, on: boolean) => void set({ [name]: on }),
    pickSpots: (on: boolean) => void set({ pick: on ? 'spots' : 'zones' }),
});

const measuring = (set: Tell) => ({
    /** A new line in the photo: that of the drawing was another's. */
    setLine: (line: Ends | null) => void set({ line, mine: null }),
    setMine: (mine: Ends | null) => void set({ mine }),
    setPlumb: (plumb: number | null) => void set({ plumb }),
});

const opening = (set: Tell) => ({
    openLook: (look: LookPart) => void set({ look }),
    openPlan: (plan: PlanPart) => void set({ plan }),
});

/**
 * All that the address of the desk tells, read once: who reads it by a hook of its own is drawn anew at every change of any of
 * it, twice. Kept in parts, so that what changes draws only what speaks of it.
 */
export function useAddress() {
    const [told, tell] = useQueryStates(ALL);
    const chosen = usePart(told, CHOSEN);
    const shown = usePart(told, SHOWN);
    const measured = usePart(told, LINES);
    const opened = usePart(told, PARTS);
    const { squint: blurred } = told;
    const chooses = useMemo(() => choosing(tell), [tell]);
    const shows = useMemo(() => viewing(tell), [tell]);
    const measures = useMemo(() => measuring(tell), [tell]);
    const opens = useMemo(() => opening(tell), [tell]);
    const setSquint = useCallback((to: number) => void tell({ squint: to }, whenStill), [tell]);

    return {
        chosen,
        chooses,
        view: useMemo(() => ({ ...shown, ...shows }), [shown, shows]),
        lines: useMemo(() => ({ ...measured, ...measures }), [measured, measures]),
        parts: useMemo(() => ({ ...opened, ...opens }), [opened, opens]),
        squint: useMemo(() => [blurred, setSquint] as const, [blurred, setSquint]),
        /** All of it, as it is or is about to be: what leads to another stage takes it along. */
        written: () => writeOut(told),
    };
}

export type Address = ReturnType<typeof useAddress>;

export const AddressChosenContext = createContext<Address['chosen'] | null>(null);
export const AddressChoosesContext = createContext<Address['chooses'] | null>(null);
export const ViewContext = createContext<Address['view'] | null>(null);
export const LampContext = createContext(false);
export const LinesContext = createContext<Address['lines'] | null>(null);
export const PartsContext = createContext<Address['parts'] | null>(null);
export const SquintContext = createContext<Address['squint'] | null>(null);
/** The address as it is by now, for who looks it up when the hand asks. */
export const AddressNowContext = createContext<RefObject<Address> | null>(null);

function given<T>(value: T | null): T {
    if (value === null) throw new Error('The address of the desk is told on the desk only.');

    return value;
}

/** The one selection of the desk: a zone and which of its colours, or a free spot; and the stack that lies open in the editor. */
export const useChosenInAddress = () => given(useContext(AddressChosenContext));

/** What changes the selection; always the same. */
export const useChooses = () => given(useContext(AddressChoosesContext));

/** How the picture is shown. */
export const useView = () => given(useContext(ViewContext));

/** How far the picture is blurred, in thousandths of its width. It changes while a slider moves: few listen to it. */
export const useSquint = () => given(useContext(SquintContext));

/** What is measured in the picture. */
export const useLines = () => given(useContext(LinesContext));

/** The picture is shown in the light one draws in. */
export const useUnderLamp = () => useContext(LampContext);

/** Which part of a stage is open. */
export const useParts = () => given(useContext(PartsContext));

/** What the address tells by now, looked up: none of its changes draws anew who does. */
export const useAddressNow = () => given(useContext(AddressNowContext));
