import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answered, api, type PencilForm } from '../api/client';
import { keys } from '../api/keys';
import type { paths } from '../api/schema';

export type PencilFilters = NonNullable<paths['/api/pencils']['get']['parameters']['query']>;

export const usePencilList = (filters: PencilFilters) =>
    useQuery({
        queryKey: [...keys.pencils, 'list', filters],
        placeholderData: keepPreviousData,
        queryFn: () => answered(api.GET('/api/pencils', { params: { query: filters } })),
    });

export const usePencilPage = (pencil: string, paper: string | undefined) =>
    useQuery({
        queryKey: [...keys.pencils, 'page', pencil, paper],
        placeholderData: keepPreviousData,
        queryFn: () =>
            answered(api.GET('/api/pencils/{pencil}', { params: { path: { pencil }, query: paper ? { paper } : {} } })),
    });

/** Whatever changes pencils makes all that is known of them stale. */
function usePencilMutation<Input, Output>(change: (input: Input) => Promise<Output>) {
    const client = useQueryClient();

    return useMutation({ mutationFn: change, onSettled: () => client.invalidateQueries({ queryKey: keys.pencils }) });
}

export const useAddPencil = () => usePencilMutation((body: PencilForm) => answered(api.POST('/api/pencils', { body })));

export const useChangePencil = (pencil: string) =>
    usePencilMutation((body: PencilForm) =>
        answered(api.PUT('/api/pencils/{pencil}', { params: { path: { pencil } }, body })),
    );

export const useRemovePencil = () =>
    usePencilMutation((pencil: string) =>
        answered(api.DELETE('/api/pencils/{pencil}', { params: { path: { pencil } } })),
    );

export const useNoteInBox = (pencil: string) =>
    usePencilMutation((body: { favourite?: boolean; spare?: number; lengthMm?: number | null }) =>
        answered(api.PATCH('/api/box/{pencil}', { params: { path: { pencil } }, body })),
    );

export interface PencilFile {
    text: string;
    binder: 'wax' | 'oil';
    intoBox: boolean;
    /** Of which the text lists numbers; without one it is a file. */
    range?: string;
    /** What is said of the columns of a table: its header does not tell, or tells wrongly. */
    columns?: { header: string; means: string | null }[];
    rangeOfAll?: string;
}

export const usePreviewPencils = () =>
    useMutation({ mutationFn: (body: PencilFile) => answered(api.POST('/api/pencils/preview', { body })) });

export const useImportPencils = () =>
    usePencilMutation((body: PencilFile) => answered(api.POST('/api/pencils/import', { body })));

export const useSubstitutes = () =>
    useMutation({
        mutationFn: (body: { text: string; paper: string; into: string }) =>
            answered(api.POST('/api/substitutes', { body })),
    });
