import { act, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import type { Piece } from '../../resources/js/api/client';
import { PictureTools } from '../../resources/js/desk/PictureTools';
import { useAddress } from '../../resources/js/desk/address';
import { useHands } from '../../resources/js/desk/DeskContext';
import { Around } from './desk';
import { colour, piece, show, zone } from './fixtures';
import { serve } from './server';

const address = () => new URLSearchParams(window.location.search);

function Tools() {
    const { take } = useHands();

    return (
        <>
            <PictureTools />
            <button type="button" onClick={() => take({ kind: 'spot', title: 'Click the grey card', done: vi.fn() })}>
                Take a tool
            </button>
        </>
    );
}

const outline = 'M0 0L1 0L1 1Z';

const more = () => userEvent.click(screen.getByRole('button', { name: /More of the view/ }));

function put(of: Piece, selected = of.zones[0] ?? null, at = '/') {
    show(
        <Around of={of} selected={selected}>
            <Tools />
        </Around>,
        at,
    );
}

/** The address is written a moment after. */
const written = (name: string, value: string | null) => waitFor(() => expect(address().get(name)).toBe(value));

describe('the tools at the picture', () => {
    const drawn = piece([zone('z1', 'Float', { outline })]);

    it('show it as grey, in steps, warm and cool, or as the drawing to be', async () => {
        put(drawn);
        for (const [name, view] of [
            ['Greys', 'value'],
            ['Steps', 'steps'],
            ['Warm, cool', 'temperature'],
            ['Drawing', 'drawing'],
            ['Photo', null],
        ] as const) {
            await userEvent.click(screen.getByRole('radio', { name }));
            await written('view', view);
            expect(screen.getByRole('radio', { name }).getAttribute('aria-checked')).toBe('true');
        }
    });

    it.each([
        ['Mirror', 'mirror', '1'],
        ['Upside down', 'turn', '1'],
        ['Grid', 'grid', '1'],
        ['Centre lines', 'centre', '1'],
        ['Borders', 'borders', '0'],
        ['Alone on grey', 'isolate', '1'],
    ])('%s goes on and off, and stays in the address', async (name, param, value) => {
        put(drawn);
        await more();
        await userEvent.click(screen.getByRole('button', { name }));
        await written(param, value);
        await userEvent.click(screen.getByRole('button', { name }));
        await written(param, null);
    });

    it('say whether a click chooses a zone or samples a spot', async () => {
        put(drawn);
        expect(screen.getByRole('radio', { name: 'Zone' }).getAttribute('aria-checked')).toBe('true');
        await userEvent.click(screen.getByRole('radio', { name: 'Spot' }));
        await written('pick', 'spots');
    });

    it('only sample spots while there are no zones', async () => {
        put(piece([]));
        expect(screen.getByRole('radio', { name: 'Spot' }).getAttribute('aria-checked')).toBe('true');
        expect(screen.getByRole<HTMLButtonElement>('radio', { name: 'Zone' }).disabled).toBe(true);
        await more();
        expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Borders' }).disabled).toBe(true);
        expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Alone on grey' }).disabled).toBe(true);
    });

    it('show the light one draws in only if it is another than daylight', async () => {
        put(drawn);
        await more();
        expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Under lamp' }).disabled).toBe(true);
    });

    it('show it under the lamp one draws in', async () => {
        put({ ...drawn, lamp: 'warm-lamp' });
        await more();
        await userEvent.click(screen.getByRole('button', { name: 'Under lamp' }));
        await written('lamp', '1');
    });

    it('enlarge, and come back to the whole', async () => {
        put(drawn);
        const out = screen.getByRole<HTMLButtonElement>('button', { name: 'Zoom out' });
        expect(out.disabled).toBe(true);
        await userEvent.click(screen.getByRole('button', { name: 'Zoom in' }));
        expect(screen.getByTestId('zoom').textContent).toBe('150 %');
        await userEvent.click(screen.getByRole('button', { name: 'Zoom in' }));
        expect(screen.getByTestId('zoom').textContent).toBe('225 %');
        await userEvent.click(out);
        expect(screen.getByTestId('zoom').textContent).toBe('150 %');
        await userEvent.click(screen.getByRole('button', { name: 'Show all of it' }));
        expect(screen.getByTestId('zoom').textContent).toBe('100 %');
    });

    it('size the sample', async () => {
        put(piece([]), null, '/?at=0.5,0.5,0.0100');
        serve({ 'POST /api/pieces/p1/samples': () => ({ colour: colour(), spread: 1 }) });
        const radius = () => Number(address().get('at')?.split(',')[2]);
        await more();
        await userEvent.click(screen.getByRole('button', { name: 'Larger sample' }));
        await waitFor(() => expect(radius()).toBeCloseTo(0.014));
        await userEvent.click(screen.getByRole('button', { name: 'Smaller sample' }));
        await waitFor(() => expect(radius()).toBeCloseTo(0.01));
    });

    it('make way for what a tool asks for, until it is put down', async () => {
        put(drawn);
        await userEvent.click(screen.getByRole('button', { name: 'Take a tool' }));
        expect(screen.getByTestId('task').textContent).toContain('Click the grey card');
        expect(screen.queryByRole('radiogroup', { name: 'View' })).toBeNull();
        await userEvent.click(screen.getByRole('button', { name: 'Cancel' }));
        expect(screen.getByRole('radiogroup', { name: 'View' })).toBeTruthy();
    });
});

describe('the selection in the address', () => {
    /** All of it, as the parts of the desk see it. */
    function useAll() {
        const { chosen, chooses, view, parts, squint } = useAddress();

        return { ...chooses, ...view, ...parts, chosen, squint: squint[0] };
    }
    type All = ReturnType<typeof useAll>;
    function Probe({ said }: { said: (all: All) => void }) {
        said(useAll());

        return null;
    }
    const at = (query: string) => {
        let latest!: All;
        show(<Probe said={(all) => (latest = all)} />, `/?${query}`);

        return () => latest;
    };

    it('has a start of its own', () => {
        expect(at('')()).toMatchObject({
            chosen: { zone: null, at: null, pin: null, edit: null },
            view: 'photo',
            steps: 5,
            only: null,
            stage: null,
            squint: 0,
            borders: true,
            look: 'zones',
        });
    });

    it.each([
        ['view=film', { view: 'photo' }],
        ['steps=99', { steps: 10 }],
        ['steps=1', { steps: 3 }],
        ['steps=x', { steps: 5 }],
        ['squint=-4', { squint: 0 }],
        ['at=0.2', { chosen: { at: null } }],
        ['at=a,b,c', { chosen: { at: null } }],
        ['at=4,-1,9', { chosen: { at: { x: 1, y: 0, radius: 0.06 } } }],
        ['look=nowhere', { look: 'zones' }],
        ['stage=-3', { stage: 0 }],
    ])('takes from %s what can be', (query, expected) => {
        expect(at(query)()).toMatchObject(expected);
    });

    it('is a zone or a spot, never both', async () => {
        const now = at('zone=z1&edit=QW:404@40');
        act(() => now().selectSpot({ x: 0.25, y: 0.5, radius: 0.01 }));
        expect(now().chosen).toMatchObject({ zone: null, edit: null, at: { x: 0.25, y: 0.5 } });
        act(() => now().selectZone('z2', 'z2-dark'));
        expect(now().chosen).toMatchObject({ zone: 'z2', target: 'z2-dark', at: null });
    });

    it('shows one step among the steps, and all again with another count', () => {
        const now = at('');
        act(() => now().showOnlyStep(2));
        expect(now()).toMatchObject({ view: 'steps', only: 2 });
        act(() => now().setSteps(7));
        expect(now()).toMatchObject({ view: 'steps', steps: 7, only: null });
        act(() => now().setView('photo'));
        expect(now()).toMatchObject({ view: 'photo', steps: 7 });
    });

    it('keeps what else stands in the address', async () => {
        const now = at('zone=z1&grid=1');
        act(() => now().showStage(12));
        expect(now()).toMatchObject({ view: 'drawing', stage: 12, chosen: { zone: 'z1' }, grid: true });
        act(() => now().showStage(null));
        await written('view', 'drawing');
        expect([...address().keys()].sort()).toEqual(['grid', 'view', 'zone']);
    });

    it('goes on from the zone that is chosen by then, round and round', () => {
        const zones = [{ id: 'z1' }, { id: 'z2' }, { id: 'z3' }];
        const now = at('zone=z2');
        act(() => {
            now().step(zones, 1);
            now().step(zones, 1);
        });
        expect(now().chosen.zone).toBe('z1');
        act(() => now().step(zones, -1));
        expect(now().chosen.zone).toBe('z3');
    });

    it('writes a gesture once, when it is over', async () => {
        const replace = vi.spyOn(window.history, 'replaceState');
        const written = () => replace.mock.calls.filter(([, , url]) => String(url).includes('at='));
        const now = at('');
        vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] });
        for (const x of [0.1, 0.2, 0.3, 0.4]) act(() => now().selectSpot({ x, y: 0.5, radius: 0.01 }));
        expect(now().chosen.at?.x).toBe(0.4);
        expect(written()).toHaveLength(0);
        await act(() => vi.advanceTimersByTimeAsync(1000));
        vi.useRealTimers();
        expect(written()).toHaveLength(1);
        expect(address().get('at')).toBe('0.4000,0.5000,0.0100');
    });

    it('going back from the editor closes it', async () => {
        const now = at('zone=z1');
        act(() => now().open('QW:404@40'));
        await written('edit', 'QW:404@40');
        act(() => window.history.back());
        await waitFor(() => expect(now().chosen).toMatchObject({ zone: 'z1', edit: null }));
    });
});
