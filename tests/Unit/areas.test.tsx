import { act, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import type { Colouring, Piece, Zone } from '../../resources/js/api/client';
import { AreaColours } from '../../resources/js/look/AreaColours';
import { LineAreas } from '../../resources/js/look/LineAreas';
import { Around } from './desk';
import { colour, pencil, piece, recipe, show, target, zone } from './fixtures';
import { Answer, serve } from './server';

const paper: Colouring = { by: 'paper', colours: null, pencils: {}, form: 'round', shines: false, body: null };
const coloured: Colouring = {
    ...paper,
    by: 'ladder',
    colours: { light: colour({}, { valueStep: 7 }), middle: colour(), dark: colour({}, { valueStep: 2 }) },
    pencils: { light: 'QW:111', middle: 'QW:222' },
};
const area = (id: string, name: string, colouring: Colouring) => ({ ...zone(id, name), colouring });
const lines = { marginMm: 0.5, gaps: 2, more: 0 };

function put(of: Piece, chosen: Zone & { colouring: Colouring }, refuse = false) {
    const asked = serve({
        'GET /api/pencils': () => ({
            pencils: [pencil('111'), pencil('222', true, { name: 'Rope' }), pencil('333', true, { hex: null })],
            total: 3,
        }),
        'PUT /api/pieces/p1/areas': () =>
            refuse ? new Answer(422, { message: 'Not read.', errors: { colour: ['Type a pencil, hex or Lab.'] } }) : of,
        'GET /api/pieces/p1': () => of,
        'GET /api/pieces': () => [],
        'PATCH /api/pieces/p1': () => of,
    });
    show(
        <Around of={of} selected={chosen}>
            <AreaColours zone={chosen} />
            <LineAreas lines={lines} />
        </Around>,
    );

    // Which state of the zones was seen is asked of the cache, which is filled meanwhile.
    return () =>
        asked
            .filter(({ method }) => method === 'PUT' || method === 'PATCH')
            .map(({ body }) =>
                Object.fromEntries(Object.entries(body as object).filter(([name]) => name !== 'zonesVersion')),
            );
}

describe('an area of a line drawing', () => {
    const jug = area('j', 'jug', paper);
    const belt = area('b', 'belt', coloured);
    const of = piece([jug, belt], { lines });

    it('is coloured by a pencil of the box at one press, or as it is typed', async () => {
        const sent = put(of, jug);
        expect(screen.getByText(/It stays paper/)).toBeTruthy();
        await userEvent.click(await screen.findByRole('option', { name: '222 Rope' }));
        expect(screen.getAllByRole('option')).toHaveLength(2);
        const way = { zones: ['j'], by: 'colour' };
        await waitFor(() => expect(sent()).toEqual([{ ...way, colour: 'QW:222' }]));
        await userEvent.click(screen.getByRole('radio', { name: 'Trio' }));
        // Nothing to shade anew yet.
        expect(sent()).toHaveLength(1);
        await userEvent.type(screen.getByLabelText(/Or type it/), '#35598a{Enter}');
        await waitFor(() => expect(sent().at(-1)).toEqual({ ...way, by: 'trio', colour: '#35598a' }));
    });

    it('says its light, middle and dark by value, and the pencils of its ladder', () => {
        put(of, belt);
        const at = within(screen.getByTestId('area'));
        expect(at.getByText(/^light/).textContent).toBe('light 7 · 111');
        expect(at.getByText(/^middle/).textContent).toBe('middle 4 · 222');
        expect(at.getByText(/^dark/).textContent).toBe('dark 2');
    });

    it('is shaded in another way at once, and left as paper', async () => {
        const sent = put(of, belt);
        await userEvent.click(screen.getByRole('radio', { name: 'One colour' }));
        await waitFor(() => expect(sent()).toEqual([{ zones: ['b'], by: 'colour', colour: '46.4 -16.9 7.1' }]));
        await userEvent.click(screen.getByRole('button', { name: 'Leave paper' }));
        await waitFor(() => expect(sent().at(-1)).toEqual({ zones: ['b'], by: 'paper' }));
    });

    it('has a form, may shine, and is one form with another', async () => {
        const sent = put(of, jug);
        await userEvent.click(screen.getByRole('radio', { name: 'Hollow' }));
        await waitFor(() => expect(sent()).toEqual([{ zones: ['j'], form: 'hollow' }]));
        await userEvent.click(screen.getByRole('button', { name: 'Shines' }));
        await waitFor(() => expect(sent().at(-1)).toEqual({ zones: ['j'], shines: true }));
        await userEvent.click(screen.getByRole('button', { name: 'One form with' }));
        expect(screen.getByTestId('tool').textContent).toBe('Click the area that jug is one form with.');
        await userEvent.click(screen.getByRole('button', { name: 'Use the tool' }));
        await waitFor(() => expect(sent().at(-1)).toEqual({ zones: ['j'], body: 'b' }));
    });

    it('gives its colours to another', async () => {
        const last = area('l', 'lid', paper);
        const sent = put(piece([belt, last], { lines }), belt);
        await userEvent.click(screen.getByRole('button', { name: 'The same to another' }));
        await userEvent.click(screen.getByRole('button', { name: 'Use the tool' }));
        await waitFor(() =>
            expect(sent()).toEqual([{ zones: ['l'], by: 'ladder', colour: '46.4 -16.9 7.1', shines: false }]),
        );
    });

    it('is laid as a recipe that is kept in the piece', async () => {
        const kept = { ...belt, targets: [target('t', 'belt: middle', { recipe: recipe() })] };
        const sent = put(piece([jug, kept], { lines }), jug);
        await userEvent.click(screen.getByRole('button', { name: /Or as a recipe of this piece/ }));
        await userEvent.click(screen.getByRole('option', { name: 'belt: middle' }));
        await waitFor(() => expect(sent()).toEqual([{ zones: ['j'], by: 'recipe', recipe: 't' }]));
    });

    it('says at the field what cannot be read', async () => {
        put(of, jug, true);
        await userEvent.type(screen.getByLabelText(/Or type it/), 'reddish{Enter}');
        expect(await screen.findByText('Type a pencil, hex or Lab.')).toBeTruthy();
    });

    it('tells how many are paper still, and keeps so much beside the lines', async () => {
        const sent = put(of, jug);
        expect(screen.getByTestId('areas').textContent).toBe('2 areas, 1 still paper. 2 gaps in the lines bridged.');
        const slider = screen.getByRole('slider', { name: 'Paper beside the lines' });
        act(() => slider.focus());
        await userEvent.keyboard('{ArrowRight}');
        await waitFor(() => expect(sent()).toEqual([{ marginMm: 0.75 }]));
    });
});
