import { onlineManager } from '@tanstack/react-query';
import { act, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { useChangePiece } from '../../resources/js/api/kept';
import { keepWaiting } from '../../resources/js/api/waiting';
import { withWaiting, withWaitingEntries } from '../../resources/js/api/waitingMarks';
import { Saved } from '../../resources/js/desk/Saved';
import { newClient, piece, planOf, planStep, show } from './fixtures';
import { Answer, serve } from './server';

// jsdom has no store of its own.
const store = vi.hoisted(() => new Map<string, unknown>());
vi.mock('idb-keyval', () => ({
    get: async (key: string) => structuredClone(store.get(key)),
    set: async (key: string, value: unknown) => void store.set(key, structuredClone(value)),
    del: async (key: string) => void store.delete(key),
}));

function Renaming() {
    const change = useChangePiece('p1');

    return (
        <>
            <Saved />
            <button type="button" onClick={() => change.mutate({ title: 'Floats at dusk' })}>
                Rename
            </button>
            <button type="button" onClick={() => change.mutate({ lamp: 'warm-lamp' })}>
                Lamp
            </button>
        </>
    );
}

const sent = (asked: { method: string; body: unknown }[]) =>
    asked.filter(({ method }) => method === 'PATCH').map(({ body }) => body);
const said = () => screen.getByTestId('saved').textContent;
const press = (name: string) => userEvent.click(screen.getByRole('button', { name }));

beforeEach(() => store.clear());
afterEach(() => act(() => onlineManager.setOnline(true)));

describe('changes without a network', () => {
    it('wait, are counted, and are sent in order when it is back', async () => {
        const asked = serve({ 'PATCH /api/pieces/p1': () => piece([]) });
        onlineManager.setOnline(false);
        show(<Renaming />);
        await press('Rename');
        await press('Lamp');
        await waitFor(() => expect(said()).toContain('wait'));
        expect(sent(asked)).toEqual([]);
        act(() => onlineManager.setOnline(true));
        await waitFor(() => expect(said()).toBe('Saved'));
        expect(sent(asked)).toEqual([{ title: 'Floats at dusk' }, { lamp: 'warm-lamp' }]);
    });

    it('outlive the page, and are sent by the next one of the same artist alone', async () => {
        const asked = serve({ 'PATCH /api/pieces/p1': () => piece([]) });
        onlineManager.setOnline(false);
        const before = newClient();
        const stop = keepWaiting(before, 'ada@example.test');
        const { unmount } = show(<Renaming />, '/', before);
        await press('Rename');
        await waitFor(() => expect([...store.keys()]).toEqual(['prism.waiting.ada@example.test']));
        unmount();
        stop();
        before.clear();
        act(() => onlineManager.setOnline(true));

        const other = keepWaiting(newClient(), 'someone@example.test');
        await act(() => new Promise((wake) => setTimeout(wake, 20)));
        other();
        expect(sent(asked)).toEqual([]);

        const stopAfter = keepWaiting(newClient(), 'ada@example.test');
        await waitFor(() => expect(sent(asked)).toEqual([{ title: 'Floats at dusk' }]));
        await waitFor(() => expect(store.size).toBe(0));
        stopAfter();
    });
});

describe('changes that failed', () => {
    it('are said in one place, and sent again from there', async () => {
        let fails = true;
        const asked = serve({
            'PATCH /api/pieces/p1': () => (fails ? new Answer(503, { message: 'The studio is away.' }) : piece([])),
        });
        show(<Renaming />);
        await press('Rename');
        await userEvent.click(await screen.findByRole('button', { name: '1 change not saved' }));
        expect(screen.getByText('The studio is away.')).toBeTruthy();
        fails = false;
        await press('Send again');
        await waitFor(() => expect(said()).toBe('Saved'));
        expect(sent(asked)).toEqual([{ title: 'Floats at dusk' }, { title: 'Floats at dusk' }]);
    });

    it('are not counted where they are refused as they stand: that is said at the field', async () => {
        serve({ 'PATCH /api/pieces/p1': () => new Answer(422, { message: 'A title of at most 120 letters.' }) });
        show(<Renaming />);
        await press('Rename');
        await waitFor(() => expect(said()).toBe('Saved'));
    });
});

describe('a drawing that is fetched while presses wait', () => {
    const mark = (id: string, of: string[]) => ({ mark: id, keys: of, state: 'done', madeAt: '2026-11-28T10:00:00Z' });
    const waiting = (made: [string, unknown][]) => {
        const client = newClient();
        onlineManager.setOnline(false);
        for (const [kind, variables] of made) {
            client
                .getMutationCache()
                .build(client, { mutationKey: [kind, 'p1', 'drawing'], mutationFn: () => Promise.resolve() })
                .execute(variables as never)
                .catch(() => undefined);
        }

        return client;
    };
    const plan = planOf([planStep(1, { turn: 1 }), planStep(2, { turn: 2 })]);

    it('shows them as made, and what was taken back as open', async () => {
        const client = waiting([
            ['mark', mark('A', ['key-1'])],
            ['mark', mark('B', ['key-2'])],
            ['unmark', 'B'],
        ]);
        await waitFor(() => expect(client.isMutating()).toBe(3));
        const shown = withWaiting(client, 'p1', plan);
        expect(shown.steps.map(({ state }) => state)).toEqual(['done', 'open']);
        expect(shown.lastMarked).toBe('A');
        // Of another piece nothing waits.
        expect(withWaiting(client, 'p2', plan)).toBe(plan);
    });

    it('and its log tells of them, each once', async () => {
        const client = waiting([
            ['mark', mark('A', ['key-1'])],
            ['note', { mark: 'N', note: 'Less.', turn: null, zone: 'Rope', madeAt: '2026-11-28T10:01:00Z' }],
            ['unmark', 'A'],
        ]);
        await waitFor(() => expect(client.isMutating()).toBe(3));
        const log = withWaitingEntries(client, 'p1', []);
        expect(log.map(({ mark: id, kind, undone }) => [id, kind, undone])).toEqual([
            ['N', 'note', false],
            ['A', 'done', true],
        ]);
        expect(withWaitingEntries(client, 'p1', log)).toHaveLength(2);
    });
});
