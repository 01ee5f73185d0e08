import { hashKey, useMutation, useQuery, useQueryClient, type QueryClient } from '@tanstack/react-query';
import { answered, api, type Piece, type Work, type WorkWish } from '../api/client';
import { keys } from '../api/queries';
import { isOpen, useWork, workKey } from '../api/works';

const path = (piece: string) => ({ params: { path: { piece } } });

/**
 * The picture planned anew: at once, or after a change of what it is planned by, which answers with what of the piece is new. A
 * change while it is being planned starts it over; changes made in a row are made one after the other, each of the piece as the one
 * before has left it. One place hears when it is done, and fetches the rest.
 */
export function useReplan(of: Piece, onDone?: () => void) {
    const piece = of.id;
    const client = useQueryClient();
    const { work, open, cancel, start } = useWork('planning', onDone, piece);
    const after = useMutation({
        scope: { id: `replan ${piece}` },
        mutationFn: async (change: (now: Piece) => Promise<Partial<Piece>>) => {
            const changed = await change(client.getQueryData<Piece>(keys.piece(piece)) ?? of);
            client.setQueryData<Piece>(keys.piece(piece), (now) => now && { ...now, ...changed });
            const running = client.getQueryData<Work | null>(workKey('planning', piece));
            if (running && isOpen(running)) await cancel.mutateAsync(running.id);
            await start.mutateAsync({ piece });
        },
        // Refused, perhaps because it was changed elsewhere. Otherwise nothing is fetched before the plan: it would take time from it.
        onError: () => client.invalidateQueries({ queryKey: keys.piece(piece), exact: true }),
    });

    return {
        work,
        open,
        cancel,
        start: (wish: Omit<WorkWish, 'kind' | 'piece'>, then: Parameters<typeof start.mutate>[1]) =>
            start.mutate({ piece, ...wish }, then),
        after: after.mutate,
    };
}

/** Fetches what a planning has changed: first the plan, for which the artist waits, then the rest of the piece. */
export async function fetchPlanned(client: QueryClient, piece: string) {
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

/** The recipes and the palette as they were before the last planning. */
export function useTakePlanningBack(piece: string) {
    const client = useQueryClient();

    return useMutation({
        mutationFn: () => answered(api.DELETE('/api/pieces/{piece}/planning/last', path(piece))),
        onSuccess: () => client.invalidateQueries({ queryKey: keys.piece(piece) }),
    });
}

/** A few pencils set to light, middle and dark. */
export const useDesignation = (piece: string) =>
    useMutation({
        mutationFn: (pencils: string[]) =>
            answered(api.POST('/api/pieces/{piece}/designation', { ...path(piece), body: { pencils } })),
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
