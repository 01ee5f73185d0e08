import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answered, api, type SchoolAnswers } from './client';

const key = ['schools'] as const;

/** What artists disagree about, and what this studio answers. */
export const useSchools = () =>
    useQuery({ queryKey: key, queryFn: () => answered(api.GET('/api/schools')), staleTime: Infinity });

/** Answers of the studio; pieces that have none of their own follow. */
export function useChooseSchools() {
    const client = useQueryClient();

    return useMutation({
        mutationFn: (schools: SchoolAnswers) => answered(api.PUT('/api/schools', { body: { schools } })),
        onSuccess: (now) => {
            client.setQueryData(key, now);

            return client.invalidateQueries({ queryKey: ['piece'] });
        },
    });
}
