import type { QueryClient } from '@tanstack/react-query';
import type { DrawingEntry, Plan } from './client';
import { entryOf, marked, noted, unmarked, type Mark, type Note, type Photograph } from './marking';

/** What was made in a drawing and is not sent yet, first made first. */
function waitingOf(client: QueryClient, piece: string) {
    return client
        .getMutationCache()
        .getAll()
        .filter(
            ({ state, options: { mutationKey: key } }) => state.isPaused && key?.[1] === piece && key[2] === 'drawing',
        )
        .sort((one, other) => one.state.submittedAt - other.state.submittedAt)
        .map(({ state, options }) => ({ kind: options.mutationKey?.[0], made: state.variables }));
}

/** A plan as the server has it, with the presses that it does not know of yet. */
export function withWaiting(client: QueryClient, piece: string, plan: Plan): Plan {
    let now = plan;
    let log: DrawingEntry[] = [];
    for (const { kind, made } of waitingOf(client, piece)) {
        if (kind === 'mark') [now, log] = marked(now, made as Mark, log);
        if (kind === 'note' || kind === 'photo') [now, log] = noted(now, entryOf(made as Note | Photograph, kind), log);
        if (kind === 'unmark') [now, log] = unmarked(now, log, String(made));
    }

    return now;
}

/** A log as the server has it, with what it does not know of yet. */
export function withWaitingEntries(client: QueryClient, piece: string, log: DrawingEntry[]): DrawingEntry[] {
    let now = log;
    for (const { kind, made } of waitingOf(client, piece)) {
        const entry =
            kind === 'note' || kind === 'photo'
                ? entryOf(made as Note | Photograph, kind)
                : kind === 'mark'
                  ? entryOf(made as Mark, (made as Mark).state)
                  : null;
        if (entry && !now.some(({ mark }) => mark === entry.mark)) now = [entry, ...now];
        if (kind === 'unmark') now = now.map((one) => (one.mark === String(made) ? { ...one, undone: true } : one));
    }

    return now;
}
