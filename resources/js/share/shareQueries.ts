import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answered, api, type Shared, type Share } from '../api/client';

const keyOf = (piece: string) => ['piece', piece, 'shares'] as const;

/** Links to a piece that hold. */
export const useShares = (piece: string) =>
    useQuery({
        queryKey: keyOf(piece),
        queryFn: ({ signal }) =>
            answered(api.GET('/api/pieces/{piece}/shares', { params: { path: { piece } }, signal })),
    });

function useShareChange<Input, Output>(piece: string, change: (input: Input) => Promise<Output>) {
    const client = useQueryClient();

    return useMutation({
        mutationFn: change,
        onSettled: () => client.invalidateQueries({ queryKey: keyOf(piece) }),
    });
}

export const useMakeShare = (piece: string) =>
    useShareChange(piece, (body: { kind: Share['kind']; withPhoto: boolean; days: 7 | 30 | 90 }) =>
        answered(api.POST('/api/pieces/{piece}/shares', { params: { path: { piece } }, body })),
    );

export const useEndShare = (piece: string) =>
    useShareChange(piece, (share: string) =>
        answered(api.DELETE('/api/shares/{share}', { params: { path: { share } } })),
    );

/** What a link shows; asked by whoever has it. */
export const useShared = (token: string) =>
    useQuery<Shared>({
        queryKey: ['shared', token],
        queryFn: ({ signal }) => answered(api.GET('/api/shared/{token}', { params: { path: { token } }, signal })),
        retry: false,
    });
