import type { DrawingEntry, Drawn, Plan } from './client';

export interface Mark {
    /** Of this press: sent twice it is done once. */
    mark: string;
    keys: string[];
    state: 'done' | 'skipped' | 'open';
    was?: 'open' | 'done' | 'skipped';
    /** What the hand did otherwise; what is not said was as planned. */
    otherwise?: Otherwise;
    madeAt: string;
}

export interface Otherwise {
    pencil?: string;
    pressurePercent?: number;
    coats?: number;
    dabs?: number;
}

/** What follows in a place, planned anew: taken, or left as it was. */
export interface Decision {
    mark: string;
    target: string;
    take: boolean;
    rest: string;
    madeAt: string;
}

/** Layers that a photo of the drawing asked for, taken over for these colours. */
export interface Corrected {
    mark: string;
    photo: string;
    targets: string[];
    madeAt: string;
}

/** What a note or a photo is about: a turn, a zone by its name, or all of the piece. */
export interface About {
    turn: number | null;
    zone: string | null;
}

export interface Note extends About {
    mark: string;
    note: string;
    madeAt: string;
}

export interface Photograph extends About {
    mark: string;
    photo: Blob;
    madeAt: string;
}

type State = 'open' | 'done' | 'skipped';

/** Of several steps together: open as long as one is, skipped only where all are. */
function together(states: State[]): State {
    if (states.includes('open')) return 'open';

    return states.includes('done') ? 'done' : 'skipped';
}

/** The plan with some steps in another state: what the server will answer, before it does. */
function withStates(plan: Plan, to: ReadonlyMap<string, State>): Plan {
    const touched = new Set(
        plan.steps.filter((step) => (to.get(step.key) ?? step.state) !== step.state).map(({ key }) => key),
    );
    const steps = plan.steps.map((step) =>
        touched.has(step.key) ? { ...step, state: to.get(step.key) ?? step.state } : step,
    );
    const states = new Map(steps.map((step) => [step.key, step.state]));
    const of = (all: readonly string[]) => together(all.map((key) => states.get(key) ?? 'open'));
    const turns = plan.turns.map((turn) =>
        turn.places.some((place) => place.keys.some((key) => touched.has(key)))
            ? {
                  ...turn,
                  places: turn.places.map((place) => ({ ...place, state: of(place.keys) })),
                  state: of(turn.places.flatMap((place) => place.keys)),
              }
            : turn,
    );

    return {
        ...plan,
        steps,
        turns,
        currentKey: steps.find((step) => step.state === 'open')?.key ?? null,
        done: steps.filter((step) => step.state !== 'open').length,
    };
}

export const entryOf = (
    { mark, madeAt, ...of }: Note | Mark | Photograph,
    kind: DrawingEntry['kind'],
    turn: number | null = null,
): DrawingEntry => ({
    mark,
    kind,
    turn: 'turn' in of ? of.turn : turn,
    keys: 'keys' in of ? of.keys : [],
    // What was really laid is told by the server.
    did: null,
    note: 'note' in of ? of.note : null,
    zone: 'zone' in of ? of.zone : null,
    photo: null,
    undone: false,
    madeAt,
});

/** After a press. */
export function marked(plan: Plan, press: Mark, log: DrawingEntry[] = []): [Plan, DrawingEntry[]] {
    const turn = plan.steps.find(({ key }) => press.keys.includes(key))?.turn ?? null;

    return [
        { ...withStates(plan, new Map(press.keys.map((key) => [key, press.state]))), lastMarked: press.mark },
        [entryOf(press, press.state, turn), ...log],
    ];
}

/** After the server told what a press has changed of it. */
export function asDrawn(plan: Plan, { states, pencils, ...told }: Drawn): Plan {
    const now = withStates(plan, new Map(plan.steps.map(({ key }) => [key, states[key] ?? 'open'])));
    const of = new Map(pencils.map((pencil) => [pencil.id, pencil]));

    return { ...now, ...told, pullList: now.pullList.map((entry) => ({ ...entry, ...of.get(entry.id) })) };
}

/** After something was written down or photographed. */
export const noted = (plan: Plan, entry: DrawingEntry, log: DrawingEntry[]): [Plan, DrawingEntry[]] => [
    { ...plan, lastMarked: entry.mark },
    [entry, ...log],
];

/** After the last press, note or photo was taken back. What it marked is open again, unless the log tells of a press before it. */
export function unmarked(plan: Plan, log: DrawingEntry[], mark: string): [Plan, DrawingEntry[]] {
    const entry = log.find((candidate) => candidate.mark === mark);
    if (!entry) return [plan, log];
    const rest = log.map((other) => (other.mark === mark ? { ...other, undone: true } : other));
    const holds = rest.filter(({ undone }) => !undone);
    const was = (key: string): State => {
        const before = holds.find(({ keys }) => keys.includes(key));

        return before?.kind === 'done' || before?.kind === 'skipped'
            ? before.kind
            : before?.kind === 'replanned' || before?.kind === 'corrected'
              ? 'done'
              : 'open';
    };
    const back = withStates(plan, new Map(entry.keys.map((key) => [key, was(key)])));

    return [{ ...back, lastMarked: holds[0]?.mark ?? null }, rest];
}
