import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answered, api, formOf } from '../api/client';
import { useWork } from '../api/works';

export type Way = 'leave' | 'beside' | 'replace';

const LATEST = ['restores', 'latest'] as const;

/** Looks an archive through; nothing is taken in yet. */
export const useBringArchive = () =>
    useMutation({
        mutationFn: (archive: File) =>
            // The document has files as texts; what is sent is the form.
            answered(
                api.POST('/api/archives', { body: { archive: archive.name }, bodySerializer: formOf({ archive }) }),
            ),
    });

/** Takes one in. All that was known of the studio may be another then. */
export function useTakeIn(onDone: (pieces: number) => void) {
    const client = useQueryClient();

    return useWork('restore', ({ result }) => {
        void client.invalidateQueries();
        if (result && 'restore' in result) onDone(result.pieces.length);
    });
}

export const useLatestRestore = () =>
    useQuery({
        queryKey: LATEST,
        queryFn: async ({ signal }) => (await answered(api.GET('/api/restores/latest', { signal }))).restore,
    });

export function useTakeBack() {
    const client = useQueryClient();

    return useMutation({
        mutationFn: (restore: string) =>
            answered(api.DELETE('/api/restores/{restore}', { params: { path: { restore } } })),
        onSettled: () => client.invalidateQueries(),
    });
}
