import { fireEvent, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { Route, Routes } from 'react-router';
import { describe, expect, it } from 'vitest';
import type { Piece } from '../../resources/js/api/client';
import { Desk } from '../../resources/js/desk/Desk';
import { colour, piece, show, zone } from './fixtures';
import { Answer, serve } from './server';

const address = () => new URLSearchParams(window.location.search);
const zones = [zone('z1', 'Float'), zone('z2', 'Buoy'), zone('z3', 'Planks')];

async function open(at = '/pieces/p1/look', of: Piece = piece(zones)) {
    const asked = serve({
        'GET /api/pieces/p1': () => of,
        'GET /api/pieces/p1/look': () => new Answer(404, { message: 'Not read yet.' }),
        'POST /api/pieces/p1/samples': () => ({ colour: colour(), spread: 1.2 }),
        'GET /api/pieces/p1/sample': () => ({ colour: colour(), spread: 1.2 }),
    });
    show(
        <Routes>
            <Route path="/pieces/:piece" element={<Desk />}>
                <Route path=":stage" element={<input aria-label="Notes" />} />
            </Route>
        </Routes>,
        at,
    );
    await screen.findByTestId('picture');

    return asked;
}

describe('keys at the desk', () => {
    it.each([
        ['1', 'look'],
        ['2', 'match'],
        ['3', 'plan'],
        ['4', 'draw'],
        ['5', 'compare'],
    ])('%s goes to %s, and what is selected comes along', async (key, stage) => {
        await open('/pieces/p1/other?zone=z2');
        await userEvent.keyboard(key);
        await waitFor(() => expect(window.location.pathname).toBe(`/pieces/p1/${stage}`));
        expect(address().get('zone')).toBe('z2');
    });

    it('N and P go round the zones', async () => {
        await open();
        const chosen = () => address().get('zone');
        const comesTo = (zone: string) => waitFor(() => expect(chosen()).toBe(zone));
        await userEvent.keyboard('n');
        await comesTo('z1');
        await userEvent.keyboard('nn');
        await comesTo('z3');
        await userEvent.keyboard('n');
        await comesTo('z1');
        await userEvent.keyboard('p');
        await comesTo('z3');
    });

    it('N does nothing while there are no zones', async () => {
        await open('/pieces/p1/look', piece([]));
        await userEvent.keyboard('n');
        expect(address().get('zone')).toBeNull();
        expect(screen.getByText('Click the photo to sample a colour.')).toBeTruthy();
    });

    it.each([
        ['g', 'view', 'value'],
        ['v', 'view', 'steps'],
        ['m', 'mirror', '1'],
        ['b', 'borders', '0'],
        ['e', 'pick', 'spots'],
        ['i', 'isolate', '1'],
    ])('%s changes how the picture is shown, and back', async (key, name, value) => {
        await open('/pieces/p1/look?zone=z1');
        await userEvent.keyboard(key);
        await waitFor(() => expect(address().get(name)).toBe(value));
        await userEvent.keyboard(key);
        await waitFor(() => expect(address().get(name)).toBeNull());
    });

    it('plus, minus and nought enlarge and come back', async () => {
        await open();
        const scale = () => screen.getByTestId('sheet').getAttribute('data-zoom');
        await userEvent.keyboard('++');
        expect(scale()).toBe('2.25');
        await userEvent.keyboard('-');
        expect(scale()).toBe('1.50');
        await userEvent.keyboard('0');
        expect(scale()).toBe('1.00');
        await userEvent.keyboard('-');
        expect(scale()).toBe('1.00');
    });

    it('K and L size the sample, within what makes sense', async () => {
        await open('/pieces/p1/look?at=0.5,0.5,0.0500');
        const radius = () => Number(address().get('at')?.split(',')[2]);
        fireEvent.keyDown(document.body, { key: 'l' });
        await waitFor(() => expect(radius()).toBe(0.06));
        fireEvent.keyDown(document.body, { key: 'k' });
        await waitFor(() => expect(radius()).toBeCloseTo(0.06 / 1.4, 3));
    });

    it('C goes to the picture, where arrows move the sampled spot', async () => {
        await open('/pieces/p1/look?at=0.5,0.5,0.0100');
        await userEvent.keyboard('c');
        expect(document.activeElement).toBe(screen.getByTestId('picture'));
        await userEvent.keyboard('{ArrowRight}');
        const at = () => (address().get('at') ?? '').split(',').map(Number);
        await waitFor(() => expect(at()[0]).toBeGreaterThan(0.5));
        const [, y] = at();
        expect(y).toBe(0.5);
    });

    it('are letters while one writes', async () => {
        await open();
        await userEvent.type(screen.getByLabelText('Notes'), 'a 2nd green, no grey');
        expect(window.location.pathname).toBe('/pieces/p1/look');
        expect(window.location.search).toBe('');
    });

    it('belong to a piece that is there', async () => {
        serve({
            'GET /api/pieces/p1': () => new Answer(404, { message: 'This piece is not in your studio.' }),
            'GET /api/pieces/p1/look': () => new Answer(404, { message: 'Gone.' }),
        });
        show(
            <Routes>
                <Route path="/pieces/:piece" element={<Desk />} />
            </Routes>,
            '/pieces/p1',
        );
        expect(await screen.findByText(/not in your studio/)).toBeTruthy();
        expect(screen.queryByRole('button', { name: /again/i })).toBeNull();
    });
});
