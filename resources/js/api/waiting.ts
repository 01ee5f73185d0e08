import { dehydrate, hydrate, type DehydratedState, type QueryClient } from '@tanstack/react-query';
import { del, get, set } from 'idb-keyval';
import { keys } from './keys';

/** Changes that wait for the network, of one artist, in the browser's own store. */
const placeOf = (artist: string) => `prism.waiting.${artist}`;

/**
 * Changes that wait outlive the page: they are noted as they begin to wait, and are taken up when the studio is opened
 * anew. Returns what stops that.
 */
export function keepWaiting(client: QueryClient, artist: string): () => void {
    const place = placeOf(artist);
    let last = '';
    const note = () => {
        const { mutations } = dehydrate(client, {
            shouldDehydrateQuery: () => false,
            shouldDehydrateMutation: ({ state }) => state.isPaused,
        });
        const now = JSON.stringify(mutations);
        if (now === last) return;
        last = now;
        // Without a store, as in a private window, they wait in the page alone.
        (mutations.length === 0 ? del(place) : set(place, { mutations, queries: [] })).catch(() => undefined);
    };
    const taken = get<DehydratedState>(place).then(
        (state) => {
            if (state) {
                hydrate(client, state);
                // Marks that wait are shown as made.
                for (const { mutationKey } of state.mutations) {
                    const piece = String(mutationKey?.[1] ?? '');
                    void client.invalidateQueries({ queryKey: keys.plan(piece), exact: true });
                    void client.invalidateQueries({ queryKey: keys.drawing(piece), exact: true });
                }
            }

            return client.resumePausedMutations();
        },
        () => undefined,
    );
    void taken.then(note);

    return client.getMutationCache().subscribe(note);
}
