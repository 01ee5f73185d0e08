import type { QueryClient } from '@tanstack/react-query';

/** What is fetched is known by these. */
export const keys = {
    session: ['session'] as const,
    papers: ['papers'] as const,
    words: ['words'] as const,
    pencils: ['pencils'] as const,
    pieces: ['pieces'] as const,
    piece: (id: string) => ['piece', id] as const,
    plan: (id: string) => ['piece', id, 'plan'] as const,
    parts: (id: string) => ['piece', id, 'plan', 'parts'] as const,
    drawing: (id: string) => ['piece', id, 'drawing'] as const,
    reviews: (id: string) => ['piece', id, 'drawing', 'reviews'] as const,
    replans: (id: string) => ['piece', id, 'drawing', 'replans'] as const,
    look: (id: string) => ['piece', id, 'look'] as const,
    reserves: (id: string) => ['piece', id, 'look', 'reserves'] as const,
};

/** Its own queries and the list of pieces are stale. */
export const pieceHasChanged = (client: QueryClient, piece: string) =>
    Promise.all([
        client.invalidateQueries({ queryKey: keys.piece(piece), exact: true }),
        client.invalidateQueries({ queryKey: keys.plan(piece) }),
        client.invalidateQueries({ queryKey: keys.look(piece) }),
        // Another photo, or another light, is read anew.
        client.invalidateQueries({ queryKey: ['work', 'look', piece] }),
        client.invalidateQueries({ queryKey: keys.pieces }),
    ]);
