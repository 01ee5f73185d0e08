import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import type { Piece } from '../../resources/js/api/client';
import { PictureTools } from '../../resources/js/desk/PictureTools';
import { useDesk } from '../../resources/js/desk/DeskContext';
import { useSelection } from '../../resources/js/desk/useSelection';
import { useZoom, WHOLE } from '../../resources/js/desk/useZoom';
import { Around } from './desk';
import { piece, show, zone } from './fixtures';

const address = () => new URLSearchParams(window.location.search);

function Tools({ resized }: { resized: (factor: number) => void }) {
    const zoom = useZoom(WHOLE);
    const { take } = useDesk();

    return (
        <>
            <PictureTools zoom={zoom} onResize={resized} />
            <button type="button" onClick={() => take({ kind: 'spot', title: 'Click the grey card', done: vi.fn() })}>
                Take a tool
            </button>
        </>
    );
}

const outline = 'M0 0L1 0L1 1Z';

const more = () => userEvent.click(screen.getByRole('button', { name: /More of the view/ }));

function put(of: Piece, selected = of.zones[0] ?? null, at = '/') {
    const resized = vi.fn();
    show(
        <Around of={of} selected={selected}>
            <Tools resized={resized} />
        </Around>,
        at,
    );

    return resized;
}

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
            expect(address().get('view')).toBe(view);
            expect(screen.getByRole('radio', { name }).getAttribute('aria-checked')).toBe('true');
        }
    });

    it.each([
        ['Mirror', 'mirror', '1'],
        ['Upside down', 'turn', '1'],
        ['Grid', 'grid', '1'],
        ['Borders', 'borders', '0'],
        ['Alone on grey', 'isolate', '1'],
    ])('%s goes on and off, and stays in the address', async (name, param, value) => {
        put(drawn);
        await more();
        await userEvent.click(screen.getByRole('button', { name }));
        expect(address().get(param)).toBe(value);
        await userEvent.click(screen.getByRole('button', { name }));
        expect(address().get(param)).toBeNull();
    });

    it('say whether a click chooses a zone or samples a spot', async () => {
        put(drawn);
        expect(screen.getByRole('radio', { name: 'Zone' }).getAttribute('aria-checked')).toBe('true');
        await userEvent.click(screen.getByRole('radio', { name: 'Spot' }));
        expect(address().get('pick')).toBe('spots');
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
        expect(address().get('lamp')).toBe('1');
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
        const resized = put(drawn);
        await more();
        await userEvent.click(screen.getByRole('button', { name: 'Larger sample' }));
        await userEvent.click(screen.getByRole('button', { name: 'Smaller sample' }));
        const [[larger], [smaller]] = resized.mock.calls as [[number], [number]];
        expect(larger).toBeGreaterThan(1);
        expect(larger * smaller).toBeCloseTo(1);
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
    function Probe({ said }: { said: (selection: ReturnType<typeof useSelection>) => void }) {
        said(useSelection());

        return null;
    }
    const at = (query: string) => {
        let latest!: ReturnType<typeof useSelection>;
        show(<Probe said={(selection) => (latest = selection)} />, `/?${query}`);

        return () => latest;
    };

    it('has a start of its own', () => {
        expect(at('')()).toMatchObject({
            zoneId: null,
            spot: null,
            pinned: null,
            view: 'photo',
            steps: 5,
            onlyStep: null,
            stage: null,
            squint: 0,
            bordersShown: true,
            lookPart: 'zones',
            editing: null,
        });
    });

    it.each([
        ['view=film', { view: 'photo' }],
        ['steps=99', { steps: 10 }],
        ['steps=1', { steps: 3 }],
        ['steps=x', { steps: 5 }],
        ['squint=-4', { squint: 0 }],
        ['at=0.2', { spot: null }],
        ['at=a,b,c', { spot: null }],
        ['at=4,-1,9', { spot: { x: 1, y: 0, radius: 0.06 } }],
        ['look=nowhere', { lookPart: 'zones' }],
        ['stage=-3', { stage: 0 }],
    ])('takes from %s what can be', (query, expected) => {
        expect(at(query)()).toMatchObject(expected);
    });

    it('is a zone or a spot, never both', async () => {
        const now = at('zone=z1&edit=QW:404@40');
        now().selectSpot({ x: 0.25, y: 0.5, radius: 0.01 });
        await waitFor(() => expect(now()).toMatchObject({ zoneId: null, editing: null, spot: { x: 0.25, y: 0.5 } }));
        now().selectZone('z2', 'z2-dark');
        await waitFor(() => expect(now()).toMatchObject({ zoneId: 'z2', targetId: 'z2-dark', spot: null }));
    });

    it('shows one step among the steps, and all again with another count', async () => {
        const now = at('');
        now().showOnlyStep(2);
        await waitFor(() => expect(now()).toMatchObject({ view: 'steps', onlyStep: 2 }));
        now().setSteps(7);
        await waitFor(() => expect(now()).toMatchObject({ view: 'steps', steps: 7, onlyStep: null }));
        now().setView('photo');
        await waitFor(() => expect(now()).toMatchObject({ view: 'photo', steps: 7 }));
    });

    it('keeps what else stands in the address', async () => {
        const now = at('zone=z1&grid=1');
        now().showStage(12);
        await waitFor(() => expect(now()).toMatchObject({ view: 'drawing', stage: 12, zoneId: 'z1', gridShown: true }));
        now().showStage(null);
        await waitFor(() => expect(address().get('stage')).toBeNull());
        expect(address().get('zone')).toBe('z1');
    });
});
