import { useMutation, useQueryClient } from '@tanstack/react-query';
import { answered, api } from '../api/client';
import { keys } from '../api/queries';

const path = (piece: string) => ({ params: { path: { piece } } });

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
