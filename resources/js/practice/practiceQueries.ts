import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answered, api, type DrillKind, type DrillRound, type WeekPalette } from '../api/client';

const practice = ['practice'] as const;

const roundKey = (id: string) => [...practice, 'round', id] as const;

export const usePractice = () => useQuery({ queryKey: practice, queryFn: () => answered(api.GET('/api/practice')) });

export const useRound = (id: string | null) =>
    useQuery({
        queryKey: roundKey(id ?? ''),
        enabled: id !== null,
        staleTime: Infinity,
        queryFn: () => answered(api.GET('/api/practice/rounds/{round}', { params: { path: { round: id ?? '' } } })),
    });

export function useBeginRound() {
    const client = useQueryClient();

    return useMutation({
        mutationFn: (kind: DrillKind) => answered(api.POST('/api/practice/rounds', { body: { kind } })),
        onSuccess: (round) => client.setQueryData<DrillRound>(roundKey(round.id), round),
    });
}

export function useAnswer(round: string) {
    const client = useQueryClient();

    return useMutation({
        mutationFn: (body: { question: number; answer: string[] }) =>
            answered(api.POST('/api/practice/rounds/{round}/answers', { params: { path: { round } }, body })),
        onSuccess: (now) => {
            client.setQueryData<DrillRound>(roundKey(round), now);
            if (now.isDone) void client.invalidateQueries({ queryKey: practice, exact: true });
        },
        // Another window has answered meanwhile.
        onError: () => client.invalidateQueries({ queryKey: roundKey(round) }),
    });
}

const week = ['practice', 'week'] as const;

/** The palette of this week; one's own plan with it, once it is made. */
export const useWeek = () =>
    useQuery<WeekPalette>({
        queryKey: week,
        queryFn: ({ signal }) => answered(api.GET('/api/practice/week', { signal })),
        staleTime: Infinity,
        retry: false,
    });

export function usePlanWeek() {
    const client = useQueryClient();

    return useMutation({
        mutationFn: (body: { light: string; middle: string; dark: string }) =>
            answered(api.POST('/api/practice/week', { body })),
        onSuccess: (now) => client.setQueryData<WeekPalette>(week, now),
    });
}
