import { useMutation, useQuery, useQueryClient, type QueryClient } from '@tanstack/react-query';
import { useCallback, useEffect } from 'react';
import { ulid } from 'ulid';
import {
    answered,
    Refusal,
    api,
    formOf,
    type Colour,
    type Drawn,
    type DrawingEntry,
    type Piece,
    type PieceChanges,
    type Plan,
    type SchoolAnswers,
    type ZoneCorrections,
} from './client';
import { keys, pieceHasChanged } from './keys';
import {
    asDrawn,
    entryOf,
    marked,
    noted,
    unmarked,
    type About,
    type Corrected,
    type Decision,
    type Mark,
    type Note,
    type Photograph,
} from './marking';
import type { components } from './schema';
import { withWaitingEntries } from './waitingMarks';

type Lab = Pick<Colour, 'L' | 'a' | 'b'>;

export interface ZoneChanges {
    id: string;
    version: number;
    name?: string;
    corrections?: ZoneCorrections;
    schools?: SchoolAnswers;
    interpretation?: components['schemas']['InterpretationChanges'];
    ground?: { colour: string; tooth: NonNullable<components['schemas']['Zone']['ground']>['tooth'] } | null;
}

interface TargetChanges {
    id: string;
    version: number;
    stack?: string | null;
    colour?: Lab | null;
}

export const changeZone = ({ id, ...body }: ZoneChanges) =>
    answered(api.PATCH('/api/zones/{zone}', { params: { path: { zone: id } }, body }));

export const changePiece = (piece: string, body: PieceChanges) =>
    answered(api.PATCH('/api/pieces/{piece}', { params: { path: { piece } }, body }));

/** What an artist changes without waiting for an answer. It can wait for the network, and outlives the page. */
const KEPT = {
    piece: (piece: string, body: PieceChanges) => changePiece(piece, body),
    zone: (_: string, changes: ZoneChanges) => changeZone(changes),
    target: (_: string, { id, ...body }: TargetChanges) =>
        answered(api.PATCH('/api/targets/{target}', { params: { path: { target: id } }, body })),
    mark: (piece: string, body: Mark) =>
        answered(
            api.POST('/api/pieces/{piece}/drawing', {
                params: { path: { piece } },
                body,
                headers: { Prefer: 'return=minimal' },
            }),
        ),
    unmark: (piece: string, mark: string) =>
        answered(api.DELETE('/api/pieces/{piece}/drawing/last', { params: { path: { piece }, query: { mark } } })),
    replan: (piece: string, body: Decision) =>
        answered(api.POST('/api/pieces/{piece}/drawing/replans', { params: { path: { piece } }, body })),
    correct: (piece: string, { photo, ...body }: Corrected) =>
        answered(
            api.POST('/api/pieces/{piece}/reviews/{photo}/corrections', { params: { path: { piece, photo } }, body }),
        ),
    photo: (piece: string, { turn, zone, ...body }: Photograph) =>
        answered(
            api.POST('/api/pieces/{piece}/drawing/photos', {
                params: { path: { piece } },
                body: { ...body, photo: '' },
                bodySerializer: formOf({
                    ...body,
                    ...(turn !== null && { turn: String(turn) }),
                    ...(zone !== null && { zone }),
                }),
            }),
        ),
    note: (piece: string, body: Note) =>
        answered(api.POST('/api/pieces/{piece}/drawing/notes', { params: { path: { piece } }, body })),
};
type Kind = keyof typeof KEPT;

/** What is made while one draws. */
const DRAWN = { mark: true, unmark: true, replan: true, correct: true, note: true, photo: true };
const TRIES = 3;
type InputOf<K extends Kind> = Parameters<(typeof KEPT)[K]>[1];
type OutputOf<K extends Kind> = Awaited<ReturnType<(typeof KEPT)[K]>>;

const pieceOf = (key: readonly unknown[] | undefined) => String(key?.[1] ?? '');

const isDrawing = (kind: Kind) => kind === 'mark' || kind === 'unmark' || kind === 'replan' || kind === 'correct';

/** Presses and notes of a drawing that are not sent yet. */
const drawingsOf = (client: QueryClient, piece: string) =>
    client.isMutating({
        predicate: ({ options: { mutationKey } }) => mutationKey?.[2] === 'drawing' && mutationKey[1] === piece,
    });

/** The plan and the log as they will be. */
function drawn(client: QueryClient, piece: string, change: (now: Plan, log: DrawingEntry[]) => [Plan, DrawingEntry[]]) {
    const plan = client.getQueryData<Plan>(keys.plan(piece));
    if (!plan) return;
    void client.cancelQueries({ queryKey: keys.plan(piece), exact: true });
    void client.cancelQueries({ queryKey: keys.drawing(piece) });
    const log = client.getQueryData<DrawingEntry[]>(keys.drawing(piece));
    const [next, entries] = change(plan, log ?? []);
    client.setQueryData(keys.plan(piece), next);
    if (log) client.setQueryData(keys.drawing(piece), entries);
}

function keep<K extends Kind>(client: QueryClient, kind: K) {
    const send = KEPT[kind] as (piece: string, input: InputOf<K>) => Promise<OutputOf<K>>;
    client.setMutationDefaults<OutputOf<K>, Error, InputOf<K>>([kind], {
        // The network may go while a press is on its way. It has a name of its own: sent twice it is done once.
        retry: (times, error) => kind in DRAWN && times < TRIES && error instanceof Refusal && error.status === 0,
        mutationFn: (input, { mutationKey }) => send(pieceOf(mutationKey), input),
        onMutate: (input, { mutationKey }) => {
            // The pencil does not wait for the network.
            if (kind === 'mark') drawn(client, pieceOf(mutationKey), (now, log) => marked(now, input as Mark, log));
            if (kind === 'unmark') drawn(client, pieceOf(mutationKey), (now, log) => unmarked(now, log, String(input)));
            if (kind === 'note' || kind === 'photo')
                drawn(client, pieceOf(mutationKey), (now, log) =>
                    noted(now, entryOf(input as Note | Photograph, kind), log),
                );
        },
        onSuccess: (changed, _input, _result, { mutationKey }) => {
            const piece = pieceOf(mutationKey);
            if (kind === 'piece') {
                const told = changed as Partial<Piece>;
                client.setQueryData<Piece>(keys.piece(piece), (now) => now && { ...now, ...told });
            }
            // Presses that still wait are not in the answer: it counts when it is the last.
            if (isDrawing(kind) && drawingsOf(client, piece) === 1) {
                const told = changed as Plan | Drawn;
                const now = client.getQueryData<Plan>(keys.plan(piece));
                if ('steps' in told) client.setQueryData(keys.plan(piece), told);
                else if (now?.version === told.version) client.setQueryData(keys.plan(piece), asDrawn(now, told));
                else void client.invalidateQueries({ queryKey: keys.plan(piece), exact: true });
            }
        },
        onSettled: (_changed, error, _input, _result, { mutationKey }) => {
            const piece = pieceOf(mutationKey);
            if (kind !== 'note' && kind !== 'photo' && !isDrawing(kind)) return pieceHasChanged(client, piece);
            if (drawingsOf(client, piece) > 1) return undefined;

            return Promise.all([
                error && client.invalidateQueries({ queryKey: keys.plan(piece) }),
                client.invalidateQueries({ queryKey: keys.drawing(piece) }),
                client.invalidateQueries({ queryKey: keys.pieces }),
            ]);
        },
    });
}

/** How each of them is sent; a client that is to take up what waits must know it. */
export function knowKept(client: QueryClient) {
    for (const kind of Object.keys(KEPT) as Kind[]) keep(client, kind);
}

/** One after the other, as they were made; what to do is known by the key, so that a page opened anew can go on with it. */
const useKept = <K extends Kind>(kind: K, piece: string) =>
    useMutation<OutputOf<K>, Error, InputOf<K>>({ mutationKey: [kind, piece], scope: { id: `${kind} ${piece}` } });

export const useChangeZone = (piece: string) => useKept('zone', piece);
export const useChangeTarget = (piece: string) => useKept('target', piece);
export const useChangePiece = (piece: string) => useKept('piece', piece);

/** Presses and notes of a drawing are sent in the order in which they were made. */
const useDrawing = <K extends 'mark' | 'unmark' | 'replan' | 'correct' | 'note' | 'photo'>(kind: K, piece: string) =>
    useMutation<OutputOf<K>, Error, InputOf<K>>({
        mutationKey: [kind, piece, 'drawing'],
        scope: { id: `drawing ${piece}` },
    });

/** Marks steps at one press; what it is called is told, so that what hangs on it is known. */
export function useMark(piece: string) {
    const { mutate } = useDrawing('mark', piece);

    return useCallback(
        (of: Pick<Mark, 'keys' | 'state' | 'was' | 'otherwise'>, told: { onError: (error: Error) => void }): string => {
            const mark = ulid();
            mutate({ ...of, mark, madeAt: new Date().toISOString() }, told);

            return mark;
        },
        [mutate],
    );
}

export const useUnmark = (piece: string) => useDrawing('unmark', piece).mutate;

/** Takes what follows in a place as it is planned anew, or leaves the plan as it is. */
export function useDecide(piece: string) {
    const { mutate } = useDrawing('replan', piece);

    return useCallback(
        (of: Pick<Decision, 'target' | 'take' | 'rest'>, told: { onError: (error: Error) => void }): string => {
            const mark = ulid();
            mutate({ ...of, mark, madeAt: new Date().toISOString() }, told);

            return mark;
        },
        [mutate],
    );
}

/** Takes over into Draw what a photo of the drawing asked for. */
export function useCorrect(piece: string) {
    const { mutate } = useDrawing('correct', piece);

    return useCallback(
        (photo: string, targets: string[], told: { onError: (error: Error) => void }): string => {
            const mark = ulid();
            mutate({ photo, targets, mark, madeAt: new Date().toISOString() }, told);

            return mark;
        },
        [mutate],
    );
}

/** Places where something was laid otherwise, and what is better laid from here on. */
export const useReplans = (piece: string) =>
    useQuery({
        queryKey: keys.replans(piece),
        queryFn: () => answered(api.GET('/api/pieces/{piece}/drawing/replans', { params: { path: { piece } } })),
    }).data;

export function useNote(piece: string) {
    const { mutate } = useDrawing('note', piece);

    return useCallback(
        (note: string, about: About, told: { onError: (error: Error) => void }): string => {
            const mark = ulid();
            mutate({ note, ...about, mark, madeAt: new Date().toISOString() }, told);

            return mark;
        },
        [mutate],
    );
}

export function usePhotograph(piece: string) {
    const { mutate } = useDrawing('photo', piece);

    return useCallback(
        (photo: Blob, about: About, told: { onError: (error: Error) => void; onSuccess?: () => void }): string => {
            const mark = ulid();
            mutate({ photo, ...about, mark, madeAt: new Date().toISOString() }, told);

            return mark;
        },
        [mutate],
    );
}

/** How often another screen on the same piece is looked for, ms. */
const FOLLOW = 1_500;

/**
 * What was marked and written down, the latest first; followed as long as it is shown, since another screen may mark too.
 * Not while something of one's own is under way: it would show what was.
 */
export function useDrawingLog(piece: string) {
    const client = useQueryClient();
    const log = useQuery({
        queryKey: keys.drawing(piece),
        queryFn: async ({ client: asked }) =>
            withWaitingEntries(
                asked,
                piece,
                await answered(api.GET('/api/pieces/{piece}/drawing', { params: { path: { piece } } })),
            ),
        refetchInterval: () => drawingsOf(client, piece) === 0 && FOLLOW,
    });
    const last = log.data?.find(({ undone }) => !undone)?.mark ?? null;
    const isKnown = log.data !== undefined;
    useEffect(() => {
        const plan = client.getQueryData<Plan>(keys.plan(piece));
        const isBehind = isKnown && plan !== undefined && plan.lastMarked !== last;
        if (isBehind && drawingsOf(client, piece) === 0) void client.invalidateQueries({ queryKey: keys.plan(piece) });
    }, [client, piece, last, isKnown]);

    return log;
}
