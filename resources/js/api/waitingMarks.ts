import type { QueryClient } from '@tanstack/react-query';
import type { Plan } from './client';
import { entryOf, marked, unmarked, type Mark } from './marking';

/** A plan as the server has it, with the presses that it does not know of yet. */
export function withWaiting(client: QueryClient, piece: string, plan: Plan): Plan {
    const waiting = client
        .getMutationCache()
        .getAll()
        .filter(
            ({ state, options: { mutationKey: key } }) => state.isPaused && key?.[1] === piece && key[2] === 'drawing',
        )
        .sort((one, other) => one.state.submittedAt - other.state.submittedAt);
    let now = plan;
    let log: ReturnType<typeof entryOf>[] = [];
    for (const { state, options } of waiting) {
        const [kind] = options.mutationKey ?? [];
        if (kind === 'mark') [now, log] = marked(now, state.variables as Mark, log);
        if (kind === 'unmark') [now, log] = unmarked(now, log, String(state.variables));
    }

    return now;
}
