import { keepPreviousData, skipToken, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useEffectEvent, useRef } from 'react';
import { answered, api, formOf, type Balance, type Piece, type Reference, type TargetRole } from './client';
import { keys } from './keys';
import type { operations } from './schema';
import { usePieceMutation, type Spot } from './queries';
import { ended, useWatchedWork, useWork } from './works';

const path = (piece: string) => ({ params: { path: { piece } } });

export const useLook = (piece: string) =>
    useQuery({ queryKey: keys.look(piece), queryFn: () => answered(api.GET('/api/pieces/{piece}/look', path(piece))) });

/** What must stay paper as it was last looked for; null where something in it has changed since. */
export const useKeptReserves = (piece: Piece | undefined, wanted: boolean) =>
    useQuery({
        // It depends on the photo, its light, the crop, the paper and how values are brought within reach.
        queryKey: [
            ...keys.reserves(piece?.id ?? ''),
            piece?.photo.url,
            piece?.format,
            piece?.paper.id,
            piece?.tone,
            piece?.schools.chosen.highlights,
        ],
        enabled: piece !== undefined && wanted,
        queryFn: async () => (await answered(api.GET('/api/pieces/{piece}/reserves', path(piece?.id ?? '')))).reserves,
    });

/** The same, looked for anew by itself where it must be. */
export function useReserves(piece: Piece) {
    const client = useQueryClient();
    const kept = useKeptReserves(piece, true);
    const { work, open, start, cancel } = useWork(
        'reserves',
        () => void client.invalidateQueries({ queryKey: keys.reserves(piece.id) }),
        piece.id,
    );
    const find = () => start.mutate({ piece: piece.id });
    const missing = kept.data === null && !kept.isFetching && !open && !start.isPending;
    const begin = useEffectEvent(find);
    // By itself once; what was cancelled is begun again by hand.
    const asked = useRef(false);
    useEffect(() => {
        if (kept.data) asked.current = false;
        if (!missing || asked.current) return;
        asked.current = true;
        begin();
    }, [missing, kept.data]);

    return { reserves: kept.data ?? undefined, work: open ? work : null, missing, find, cancel };
}

/** Where the borders would be with so many zones. */
export const useCutPreview = (piece: string, photo: string, count: number | null) =>
    useQuery({
        queryKey: [...keys.look(piece), 'cut', photo, count],
        placeholderData: keepPreviousData,
        queryFn:
            count === null
                ? skipToken
                : ({ signal }) =>
                      answered(
                          api.GET('/api/pieces/{piece}/cut', { params: { path: { piece }, query: { count } }, signal }),
                      ),
    });

export const useSameSpot = (piece: Piece, spot: Spot | null) =>
    useQuery({
        queryKey: [...keys.look(piece.id), 'same-spot', spot, piece.references.map(({ url, pairs }) => [url, pairs])],
        placeholderData: keepPreviousData,
        queryFn:
            spot && piece.references.length > 1
                ? ({ signal }) =>
                      answered(api.POST('/api/pieces/{piece}/same-spot', { ...path(piece.id), body: spot, signal }))
                : skipToken,
    });

export const useBeside = (piece: string, photo: string, first: Spot | null, second: Spot | null) =>
    useQuery({
        queryKey: [...keys.look(piece), 'beside', photo, first, second],
        queryFn:
            first && second
                ? ({ signal }) =>
                      answered(
                          api.POST('/api/pieces/{piece}/beside', {
                              ...path(piece),
                              body: { ...first, beside: second },
                              signal,
                          }),
                      )
                : skipToken,
    });

/** A line on the paper in words, and how the same in the drawing differs from it. */
export const useMeasuredLine = (
    { id, format }: Pick<Piece, 'id' | 'format'>,
    line: number[] | null,
    mine: number[] | null,
) =>
    useQuery({
        queryKey: [...keys.look(id), 'line', format, line, mine],
        staleTime: Infinity,
        retry: false,
        queryFn: line
            ? ({ signal }) =>
                  answered(api.POST('/api/pieces/{piece}/lines', { ...path(id), body: { line, mine }, signal }))
            : skipToken,
    });

/**
 * A change of which zones there are and where. It tells what was seen here: if another window has changed that since, it is
 * refused. One after the other, each upon what the one before it has made.
 */
function useZonesMutation<Input>(piece: string, change: (input: Input, zonesVersion?: number) => Promise<Piece>) {
    const client = useQueryClient();

    return usePieceMutation(
        piece,
        async (input: Input) => {
            const changed = await change(input, client.getQueryData<Piece>(keys.piece(piece))?.zonesVersion);
            client.setQueryData(keys.piece(piece), changed);

            return changed;
        },
        `zones-${piece}`,
    );
}

export const useFindZones = (piece: string) =>
    useZonesMutation(piece, (count: number, zonesVersion) =>
        answered(api.POST('/api/pieces/{piece}/zones/find', { ...path(piece), body: { count, zonesVersion } })),
    );

export const useMergeZones = (piece: string) =>
    useZonesMutation(piece, (body: { into: string; gone: string }, zonesVersion) =>
        answered(api.POST('/api/pieces/{piece}/zones/merge', { ...path(piece), body: { ...body, zonesVersion } })),
    );

type Areas = NonNullable<operations['colourAreas']['requestBody']>['content']['application/json'];

/** Colours areas of a line drawing. */
export const useColourAreas = (piece: string) =>
    useZonesMutation(piece, (body: Areas, zonesVersion) =>
        answered(api.PUT('/api/pieces/{piece}/areas', { ...path(piece), body: { ...body, zonesVersion } })),
    );

export const useSplitZone = (piece: string) =>
    useZonesMutation(piece, (zone: string, zonesVersion) =>
        answered(api.POST('/api/zones/{zone}/split', { params: { path: { zone }, query: { zonesVersion } } })),
    );

export const useLasso = (piece: string) =>
    useZonesMutation(
        piece,
        (body: { line: [number, number][]; how: 'new' | 'add' | 'take'; zone?: string }, zonesVersion) =>
            answered(api.POST('/api/pieces/{piece}/zones/lasso', { ...path(piece), body: { ...body, zonesVersion } })),
    );

export const useRemoveZone = (piece: string) =>
    useZonesMutation(piece, (zone: string, zonesVersion) =>
        answered(api.DELETE('/api/zones/{zone}', { params: { path: { zone }, query: { zonesVersion } } })),
    );

export const useUndoZones = (piece: string) =>
    useZonesMutation(piece, (_: undefined, zonesVersion) =>
        answered(api.POST('/api/pieces/{piece}/zones/undo', { params: { path: { piece }, query: { zonesVersion } } })),
    );

export const useAddTarget = (piece: string) =>
    usePieceMutation(piece, ({ zone, ...body }: Spot & { zone: string; role: TargetRole }) =>
        answered(api.POST('/api/zones/{zone}/targets', { params: { path: { zone } }, body })),
    );

export const useRemoveTarget = (piece: string) =>
    usePieceMutation(piece, (target: string) =>
        answered(api.DELETE('/api/targets/{target}', { params: { path: { target } } })),
    );

export const useRestoreTarget = (piece: string) =>
    usePieceMutation(piece, (target: string) =>
        answered(api.POST('/api/targets/{target}/restore', { params: { path: { target } } })),
    );

export const useAddReference = (piece: string) =>
    usePieceMutation(piece, async (body: { photo: File; name: string; role: Reference['role'] }) => {
        const work = await answered(
            api.POST('/api/pieces/{piece}/references', {
                ...path(piece),
                body: { ...body, photo: '' },
                bodySerializer: formOf(body),
            }),
        );

        return ended(work, 'photo');
    });

export const useReplacePhoto = (piece: string) =>
    usePieceMutation(piece, async ({ reference, photo }: { reference: string; photo: File }) => {
        const work = await answered(
            api.POST('/api/references/{reference}/photo', {
                params: { path: { reference } },
                body: { photo: '' },
                bodySerializer: formOf({ photo }),
            }),
        );

        return ended(work, 'photo');
    });

/** The photo, or its light, as it was before the last change. */
export const useTakePhotoBack = (piece: string) =>
    usePieceMutation(piece, (reference: string) =>
        answered(api.DELETE('/api/references/{reference}/photo', { params: { path: { reference } } })),
    );

interface ReferenceChanges {
    reference: string;
    name?: string;
    role?: Reference['role'];
    first?: true;
    pairs?: number[][];
}

export const useChangeReference = (piece: string) =>
    usePieceMutation(piece, ({ reference, ...body }: ReferenceChanges) =>
        answered(api.PATCH('/api/references/{reference}', { params: { path: { reference } }, body })),
    );

/** Sets a photo in another light: long work, watched until the pictures and the targets have followed. */
export function useBalance(piece: string) {
    const client = useQueryClient();
    const work = useWatchedWork(
        'balance',
        () =>
            void Promise.all([
                client.invalidateQueries({ queryKey: keys.piece(piece) }),
                client.invalidateQueries({ queryKey: ['work', 'look', piece] }),
                client.invalidateQueries({ queryKey: keys.pieces }),
            ]),
        piece,
    );
    const set = useMutation({
        mutationFn: ({ reference, balance }: { reference: string; balance: Balance | null }) =>
            answered(
                api.PUT('/api/references/{reference}/balance', { params: { path: { reference } }, body: { balance } }),
            ),
        onSuccess: work.put,
    });

    return { ...work, set };
}

export const useRemoveReference = (piece: string) =>
    usePieceMutation(piece, (reference: string) =>
        answered(api.DELETE('/api/references/{reference}', { params: { path: { reference } } })),
    );

export const useRestoreReference = (piece: string) =>
    usePieceMutation(piece, (reference: string) =>
        answered(api.POST('/api/references/{reference}/restore', { params: { path: { reference } } })),
    );
