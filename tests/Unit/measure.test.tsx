import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import { Measure } from '../../resources/js/desk/Measure';
import { MeasuredLines } from '../../resources/js/desk/MeasuredLines';
import { Around } from './desk';
import { piece, show, zone } from './fixtures';
import { serve } from './server';

/** Two clicks in the picture, as the tool asks for them. */
async function clickBoth(what: string) {
    expect(screen.getByTestId('tool').textContent).toBe(`Click one end of the line in ${what}.`);
    await userEvent.click(screen.getByRole('button', { name: 'Use the tool' }));
    expect(screen.getByTestId('tool').textContent).toBe(`Click its other end in ${what}.`);
    await userEvent.click(screen.getByRole('button', { name: 'Use the tool' }));
    expect(screen.getByTestId('tool').textContent).toBe('');
}

describe('lines over the picture', () => {
    const put = (hasDrawing: boolean, address = '/') => {
        const asked = serve({
            'POST /api/pieces/p1/lines': ({ body }) => ({
                photo: '50 mm long, plumb',
                mine: (body as { mine: unknown }).mine ? '54 mm long, plumb' : null,
                difference: (body as { mine: unknown }).mine ? '4.0 mm too long' : null,
            }),
        });
        show(
            <Around of={piece([zone('z1', 'Zone z1')])} selected={null}>
                <Measure hasDrawing={hasDrawing} />
                <MeasuredLines />
            </Around>,
            address,
        );

        return asked;
    };

    it('goes between two points of the photo, then of the drawing in its place, and both are told', async () => {
        const asked = put(true);
        expect(screen.queryByRole('button', { name: 'The same in yours' })).toBeNull();
        await userEvent.click(screen.getByRole('button', { name: 'Line between two points' }));
        await clickBoth('the photo');
        expect((await screen.findByText(/In the photo/)).textContent).toContain('In the photo: 50 mm long, plumb.');
        expect(asked.at(-1)?.body).toEqual({ line: [0.5, 0.5, 0.5, 0.5], mine: null });
        await userEvent.click(screen.getByRole('button', { name: 'The same in yours' }));
        await waitFor(() => expect(window.location.search).toContain('own=1'));
        await clickBoth('your drawing');
        expect((await screen.findByText(/Yours:/)).textContent).toContain('Yours: 54 mm long, plumb; 4.0 mm too long.');
        expect(asked.at(-1)?.body).toEqual({ line: [0.5, 0.5, 0.5, 0.5], mine: [0.5, 0.5, 0.5, 0.5] });
    });

    it('is a plumb line from top to bottom where one point is wanted', async () => {
        const asked = put(false);
        await userEvent.click(screen.getByRole('button', { name: 'Plumb line' }));
        await userEvent.click(screen.getByRole('button', { name: 'Use the tool' }));
        const line = (await screen.findByTestId('measured')).querySelector('line');
        expect(['x1', 'y1', 'x2', 'y2'].map((name) => line?.getAttribute(name))).toEqual(['0.5', '0', '0.5', '1']);
        expect(asked).toEqual([]);
    });

    it('comes back from the address, and is taken away', async () => {
        put(false, '/?line=0.1000,0.2000,0.3000,0.4000&plumb=0.5');
        expect((await screen.findByText(/On the paper/)).textContent).toContain('50 mm long');
        expect(screen.getByTestId('measured').querySelectorAll('line')).toHaveLength(4);
        await userEvent.click(screen.getByRole('button', { name: 'Take lines away' }));
        expect(screen.queryByTestId('measured')).toBeNull();
        expect(screen.queryByText(/On the paper/)).toBeNull();
        await waitFor(() => expect(window.location.search).toBe(''));
    });

    it.each(['0.1,0.2', 'a,b,c,d', '0.1,0.2,0.3,0.4,0.5'])('is none from an address like %s', (line) => {
        put(false, `/?line=${line}`);
        expect(screen.queryByTestId('measured')).toBeNull();
    });
});
