import { onlineManager } from '@tanstack/react-query';
import { act, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { useChangePiece } from '../../resources/js/api/kept';
import { keepWaiting } from '../../resources/js/api/waiting';
import { Saved } from '../../resources/js/desk/Saved';
import { newClient, piece, show } from './fixtures';
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
