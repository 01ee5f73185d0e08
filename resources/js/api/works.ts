import { queryOptions, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useEffectEvent, useRef, useState } from 'react';
import { answered, api, Refusal, type Work, type WorkWish } from './client';

/** A work is asked for anew when it has taken a tenth longer, in steps of a tenth of a second up to one: each time takes a little from it. */
const SHARE = 0.1;
const STEP_MS = 100;
const MOST_MS = 1000;
/** As the server answers what it refuses. */
const REFUSED = 422;

export const isOpen = (work: Work | null | undefined) => work?.state === 'waiting' || work?.state === 'running';

/** The latest of a kind, of one piece if it is named. */
export const latestWork = (kind: Work['kind'], piece?: string) =>
    queryOptions({
        queryKey: ['work', kind, piece] as const,
        queryFn: async ({ signal }) =>
            (
                await answered(
                    api.GET('/api/works', { params: { query: { kind, ...(piece ? { piece } : {}) } }, signal }),
                )
            ).work,
    });

/** In how many ms a work is to be asked for again, by how long it has been watched. */
export function pace() {
    let watched = '';
    let since = 0;

    return (work: Work) => {
        if (work.id !== watched) {
            watched = work.id;
            since = Date.now();
        }

        return Math.min(MOST_MS, STEP_MS * Math.max(1, Math.ceil((SHARE * (Date.now() - since)) / STEP_MS)));
    };
}

export const startWork = (wish: WorkWish) => answered(api.POST('/api/works', { body: wish }));

export const cancelWork = (work: string) => answered(api.DELETE('/api/works/{work}', { params: { path: { work } } }));

/**
 * Waits for the end of a work. What went wrong with it is a refusal in its own words.
 *
 * @param field  that it was asked for with
 */
export async function ended(begun: Work, field: string): Promise<Work> {
    let work = begun;
    const next = pace();
    while (isOpen(work)) {
        await new Promise((wake) => setTimeout(wake, next(work)));
        work = await answered(api.GET('/api/works/{work}', { params: { path: { work: work.id } } }));
    }
    if (work.state !== 'done') throw new Refusal(work.problem, REFUSED, { [field]: work.problem });

    return work;
}

/** The latest long work of a kind, of one piece if it is named: watched while it runs, cancelled. */
export function useWatchedWork(kind: Work['kind'], onDone?: (work: Work) => void, piece?: string) {
    const client = useQueryClient();
    const query = latestWork(kind, piece);
    const [next] = useState(pace);
    const latest = useQuery({
        ...query,
        refetchInterval: ({ state: { data } }) => (data && isOpen(data) ? next(data) : false),
    });
    const done = useEffectEvent(() => latest.data && onDone?.(latest.data));
    const state = latest.data?.state;
    const was = useRef(state);
    useEffect(() => {
        const ended = state === 'done' && (was.current === 'waiting' || was.current === 'running');
        was.current = state;
        // Not while the query itself runs: what is done then may well ask for it anew.
        if (ended) done();
    }, [state]);
    const put = async (work: Work) => {
        // What was asked before this was known may be answered after it, and is no longer so.
        await client.cancelQueries(query);
        client.setQueryData(query.queryKey, work);
    };
    const cancel = useMutation({
        mutationFn: cancelWork,
        onSuccess: put,
    });

    return { work: latest.data ?? null, isPending: latest.isPending, open: isOpen(latest.data), cancel, put };
}

/** One that is also asked for by its kind and a wish. */
export function useWork(kind: WorkWish['kind'], onDone?: (work: Work) => void, piece?: string) {
    const watched = useWatchedWork(kind, onDone, piece);
    const start = useMutation({
        mutationFn: (wish: Omit<WorkWish, 'kind'>) => startWork({ kind, ...wish }),
        onSuccess: watched.put,
    });

    return { ...watched, start };
}
