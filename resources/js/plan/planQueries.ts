import { hashKey, useMutation, useQuery, useQueryClient, type QueryClient } from '@tanstack/react-query';
import { useCallback } from 'react';
import { answered, api, messageOf, type Piece, type PieceChanges, type Plan, type Zone } from '../api/client';
import type { components } from '../api/schema';
import { keys } from '../api/keys';
import { changePiece, changeZone, useChangePiece, useChangeZone, type ZoneChanges } from '../api/kept';
import { cancelWork, isOpen, latestWork, startWork, useWatchedWork } from '../api/works';
import { notify } from '../ui/Notices';

type Schemas = components['schemas'];

const path = (piece: string) => ({ params: { path: { piece } } });

/**
 * The picture planned anew after a change of what it is planned by, which answers with what of the piece is new. A change while it
 * is being planned starts it over; changes made in a row are made one after the other, each of the piece as the one before has left
 * it. Does not watch the planning: who does is rendered at each step of it.
 */
export function useReplan(of: Piece) {
    const piece = of.id;
    const client = useQueryClient();
    const after = useMutation({
        scope: { id: `replan ${piece}` },
        mutationFn: async (change: (now: Piece) => Promise<Partial<Piece>>) => {
            const changed = await change(client.getQueryData<Piece>(keys.piece(piece)) ?? of);
            client.setQueryData<Piece>(keys.piece(piece), (now) => now && { ...now, ...changed });
            const work = latestWork('planning', piece);
            const running = await client.ensureQueryData(work);
            if (running && isOpen(running)) client.setQueryData(work.queryKey, await cancelWork(running.id));
            client.setQueryData(work.queryKey, await startWork({ kind: 'planning', piece }));
        },
        onError: (error) => {
            notify(messageOf(error));

            // Refused, perhaps because it was changed elsewhere. Otherwise nothing is fetched before the plan: it would take time from it.
            return client.invalidateQueries({ queryKey: keys.piece(piece), exact: true });
        },
    });

    return after.mutate;
}

/** A change of a zone or of the whole piece: planned anew where there is a plan. */
export function useChanges(of: Piece, planned: boolean) {
    const replan = useReplan(of);
    const ofPiece = useChangePiece(of.id);
    const ofZone = useChangeZone(of.id);
    const told = { onError: (error: Error) => notify(messageOf(error)) };

    return {
        change: (changes: PieceChanges) =>
            planned ? replan(() => changePiece(of.id, changes)) : ofPiece.mutate(changes, told),
        changeZone: ({ id, version }: Zone, changes: Omit<ZoneChanges, 'id' | 'version'>) => {
            if (!planned) return ofZone.mutate({ id, version, ...changes }, told);

            return replan(async ({ zones }) => {
                const now = zones.find((zone) => zone.id === id)?.version ?? version;
                const changed = await changeZone({ id, version: now, ...changes });

                return { zones: zones.map((had) => (had.id === changed.id ? changed : had)) };
            });
        },
    };
}

/** The same after a change of what the palette is wanted to be. */
export function useReplanPalette(of: Piece) {
    const replan = useReplan(of);

    return useCallback(
        (changes: (planning: Piece['planning']) => PieceChanges) =>
            // Lists are changed as they were seen, so they must still be what was seen.
            replan((now) => changePiece(of.id, { ...changes(now.planning), version: now.version })),
        [replan, of.id],
    );
}

/** The planning of a piece, watched; the plan is fetched when it is done. For one place on a page. */
export function usePlanning(piece: string) {
    const client = useQueryClient();

    return useWatchedWork('planning', () => void fetchPlanned(client, piece), piece);
}

/** Begins it, and says whether it goes on, without being rendered at each step of it. */
export function useStartPlanning(piece: string) {
    const client = useQueryClient();
    const latest = latestWork('planning', piece);
    const open = useQuery({ ...latest, select: isOpen });
    const start = useMutation({
        mutationFn: (anew: boolean) => startWork({ kind: 'planning', piece, ...(anew ? { anew } : {}) }),
        onSuccess: (work) => client.setQueryData(latest.queryKey, work),
    });

    return { open: open.data ?? false, start };
}

/** Fetches what a planning has changed: first the plan, for which the artist waits, then the rest of the piece. */
async function fetchPlanned(client: QueryClient, piece: string) {
    const plan = hashKey(keys.plan(piece));
    await client.invalidateQueries({ queryKey: keys.plan(piece), exact: true });
    await client.invalidateQueries({
        queryKey: keys.piece(piece),
        predicate: ({ queryHash }) => queryHash !== plan,
    });
}

/** Sets a piece on toned paper to black, white and one colour; null: the colour that serves it best. */
export const tone = (piece: string, colour: string | null) =>
    answered(api.POST('/api/pieces/{piece}/toned', { ...path(piece), body: { colour } }));

/** Touching zones that will merge, and what pushes the worst of them. */
export const useNeighbours = (piece: string) =>
    useQuery({
        queryKey: [...keys.plan(piece), 'neighbours'],
        queryFn: () => answered(api.GET('/api/pieces/{piece}/neighbours', path(piece))),
    });

export type AdviceWanted = Schemas['AdviceWanted'];

/** What an advice comes to: a layer more and the colours with it, or an edge. Changes nothing. */
export const useAdvice = (piece: string) =>
    useMutation({
        mutationFn: (wanted: AdviceWanted) =>
            answered(api.POST('/api/pieces/{piece}/advice', { ...path(piece), body: wanted })),
    });

/** The plan as it is after a change that answers with it; what else of the piece it bears on is fetched anew. */
function useChangedPlan<T>(piece: string, change: (by: T) => Promise<Plan>) {
    const client = useQueryClient();

    return useMutation({
        scope: { id: `advice ${piece}` },
        mutationFn: change,
        onSuccess: (plan) => {
            client.setQueryData(keys.plan(piece), plan);
            const known = hashKey(keys.plan(piece));

            return client.invalidateQueries({
                queryKey: keys.piece(piece),
                predicate: ({ queryHash }) => queryHash !== known,
            });
        },
    });
}

export const useApplyAdvice = (piece: string) =>
    useChangedPlan(piece, (wanted: AdviceWanted) =>
        answered(api.POST('/api/pieces/{piece}/advised', { ...path(piece), body: wanted })),
    );

export const useTakeAdviceBack = (piece: string) =>
    useChangedPlan(piece, (advice: string) =>
        answered(api.DELETE('/api/pieces/{piece}/advised/{advice}', { params: { path: { piece, advice } } })),
    );

/** The recipes and the palette as they were before the last planning. */
export function useTakePlanningBack(piece: string) {
    const client = useQueryClient();

    return useMutation({
        mutationFn: () => answered(api.DELETE('/api/pieces/{piece}/planning/last', path(piece))),
        onSuccess: () => client.invalidateQueries({ queryKey: keys.piece(piece) }),
    });
}

/** A few pencils set to light, middle and dark. */
export type ValuePart = 'light' | 'middle' | 'dark' | 'blend';

export const FINISHES = [
    { id: 'layers', name: 'Layers' },
    { id: 'blender', name: 'Blender' },
    { id: 'white', name: 'White' },
    { id: 'lightest', name: 'The lightest' },
] as const;

export type Finish = (typeof FINISHES)[number]['id'];

/** Pencils, or those of a zone, feathered into one another. */
export const useGradient = (
    piece: string,
    wanted: { pencils?: string[]; zone?: string; finish: Finish },
    enabled: boolean,
) =>
    useQuery({
        queryKey: [...keys.plan(piece), 'gradient', wanted],
        queryFn: () => answered(api.POST('/api/pieces/{piece}/gradient', { ...path(piece), body: wanted })),
        enabled,
        retry: false,
    });

export const useDesignation = (piece: string) =>
    useMutation({
        mutationFn: ({ pencils, parts }: { pencils: string[]; parts: Record<string, ValuePart> }) =>
            answered(api.POST('/api/pieces/{piece}/designation', { ...path(piece), body: { pencils, parts } })),
    });

/** A chart of every planned recipe, to be drawn on scrap and read. */
export const useProof = (piece: string) =>
    useMutation({
        mutationFn: () => answered(api.POST('/api/pieces/{piece}/proof', { ...path(piece), body: { page: 'a4' } })),
    });

/** A chart of pairs of some pencils. */
export const usePairChart = (paper: string) =>
    useMutation({
        mutationFn: (pencils: string[]) =>
            answered(api.POST('/api/charts', { body: { kind: 'pairs', paper, page: 'a4', pencils } })),
    });
