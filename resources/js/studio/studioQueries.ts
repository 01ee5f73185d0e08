import { useMutation, useQueryClient } from '@tanstack/react-query';
import { answered, api, type PaperForm } from '../api/client';
import { keys } from '../api/keys';

/** Whatever changes papers changes what is computed on them. */
function usePaperMutation<Input, Output>(change: (input: Input) => Promise<Output>) {
    const client = useQueryClient();

    return useMutation({
        mutationFn: change,
        onSettled: () =>
            Promise.all(
                [keys.papers, ['piece'], keys.pieces].map((queryKey) => client.invalidateQueries({ queryKey })),
            ),
    });
}

/** A new one, or a change of one there is. */
export const useWritePaper = (paper: string | null) =>
    usePaperMutation((body: PaperForm) =>
        paper === null
            ? answered(api.POST('/api/papers', { body }))
            : answered(api.PUT('/api/papers/{paper}', { params: { path: { paper } }, body })),
    );

export const useRemovePaper = () =>
    usePaperMutation((paper: string) => answered(api.DELETE('/api/papers/{paper}', { params: { path: { paper } } })));

export const useRestorePaper = () =>
    usePaperMutation((paper: string) =>
        answered(api.POST('/api/papers/{paper}/restore', { params: { path: { paper } } })),
    );
