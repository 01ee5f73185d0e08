import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { Route, Routes } from 'react-router';
import { describe, expect, it } from 'vitest';
import { BeginPage } from '../../resources/js/begin/BeginPage';
import { cardMinutes, nextOf, saidOf } from '../../resources/js/begin/wayIn';
import { PlainSheet } from '../../resources/js/swatches/PlainSheet';
import type { PointedRow } from '../../resources/js/swatches/swatchQueries';
import { PointPicture, type Place } from '../../resources/js/ui/PointPicture';
import { artist, papers, pencil, show, words } from './fixtures';
import { serve } from './server';

const known = { pencils: 24, colourless: [] as string[], swatches: 0, paper: null, pieces: 0 };

describe('the way in', () => {
    it('asks for pencils before anything else', () => {
        expect(nextOf({ ...known, pencils: 0, pieces: 3 }).to).toEqual({ step: 'pencils' });
    });

    it('offers a card of exactly the pencils without a colour, and says how long it takes', () => {
        const next = nextOf({ ...known, colourless: ['HB:1', 'HB:2'] });
        expect(next.to).toEqual({ card: ['HB:1', 'HB:2'] });
        expect(next.brings).toContain(`${cardMinutes(2)} minutes`);
        expect(cardMinutes(36)).toBeGreaterThan(cardMinutes(12));
    });

    it('goes on to the photo, then to a chart of the hand, then to the pieces', () => {
        expect(nextOf(known).to).toEqual({ step: 'photo' });
        expect(nextOf({ ...known, pieces: 1 }).to).toEqual({ address: '/swatches/charts' });
        expect(nextOf({ ...known, pieces: 1, swatches: 40 }).to).toEqual({ address: '/pieces' });
    });

    it('says of pencils how well they are known', () => {
        expect(saidOf('pencils', { ...known, pencils: 0 })).toBeNull();
        expect(saidOf('pencils', { ...known, colourless: Array.from({ length: 24 }, String) })).toBe(
            '24 pencils, no colours yet',
        );
        expect(saidOf('pencils', { ...known, colourless: ['HB:1'] })).toBe('24 pencils, 1 without a colour');
        expect(saidOf('pencils', { ...known, swatches: 1 })).toBe('24 pencils, calibrated on 1 swatch');
    });
});

describe('the three questions', () => {
    const answers = (more: Parameters<typeof serve>[0] = {}) =>
        serve({
            'GET /api/session': () => ({ user: { ...artist, begun: false }, demo: true }),
            'GET /api/papers': () => papers,
            'GET /api/words': () => words,
            'GET /api/pencils': () => ({
                pencils: [pencil('101', false), pencil('102', false)],
                shown: 2,
                owned: 0,
                total: 2,
                ranges: [{ code: 'QW', maker: '', name: 'Quayside', own: false, count: 2, owned: 0 }],
                families: [],
            }),
            'GET /api/pieces': () => [],
            'GET /api/calibrations': () => ({ inForce: null, swatches: 0, newer: 0, calibrations: [] }),
            ...more,
        });

    const begin = (step: string) =>
        show(
            <Routes>
                <Route path="/begin/:step" element={<BeginPage />} />
                <Route path="*" element={<p>Elsewhere</p>} />
            </Routes>,
            `/begin/${step}`,
        );

    it('can each be left for later, and all of them at once', async () => {
        const asked = answers({ 'PATCH /api/account': () => ({ user: artist, demo: true }) });
        begin('pencils');
        expect((await screen.findByRole('link', { name: 'Later: next question' })).getAttribute('href')).toBe(
            '/begin/paper',
        );
        await userEvent.click(screen.getByRole('button', { name: 'Straight to the studio' }));
        await waitFor(() => expect(asked.find(({ method }) => method === 'PATCH')?.body).toEqual({ begun: true }));
    });

    it('put a whole range into the box', async () => {
        const asked = answers({ 'PUT /api/box': () => ({}) });
        begin('pencils');
        await userEvent.click(await screen.findByRole('button', { name: 'I have all of Quayside' }));
        await waitFor(() =>
            expect(asked.find(({ method }) => method === 'PUT')?.body).toEqual({ add: ['QW:101', 'QW:102'] }),
        );
    });

    it('lay the card out on white paper, though new pieces are drawn on a toned one', async () => {
        const asked = answers({
            'GET /api/session': () => ({ user: { ...artist, begun: false, paper: 'fog-toned' }, demo: true }),
            'GET /api/pencils': () => ({
                pencils: [pencil('101', true, { hex: null })],
                total: 1,
                owned: 1,
                ranges: [],
                families: [],
            }),
            'POST /api/charts': () => ({ id: 'c1' }),
        });
        begin('paper');
        await userEvent.click(await screen.findByRole('button', { name: 'Make the card' }));
        await waitFor(() =>
            expect(asked.find(({ path }) => path === '/api/charts')?.body).toEqual({
                kind: 'card',
                paper: 'harbour-cartridge',
                page: 'a4',
                pencils: ['QW:101'],
            }),
        );
    });

    it('keep the paper for new pieces', async () => {
        const asked = answers({
            'PATCH /api/account': () => ({ user: { ...artist, paper: 'fog-toned' }, demo: true }),
        });
        begin('paper');
        await userEvent.click(await screen.findByRole('button', { name: /Fog Toned/ }));
        await waitFor(() =>
            expect(asked.find(({ method }) => method === 'PATCH')?.body).toEqual({ paper: 'fog-toned' }),
        );
    });
});

describe('pointing in a picture', () => {
    const put = (asks: string | null) => {
        const points: Place[] = [];
        show(<PointPicture src="x.png" alt="A sheet" asks={asks} marks={[]} onPoint={(place) => points.push(place)} />);

        return points;
    };

    it('goes by arrow keys and Enter, in small steps with Shift', () => {
        const points = put('the white sheet');
        const picture = screen.getByRole('application', { name: /Point at the white sheet/ });
        picture.focus();
        // The first press shows the cross in the middle.
        for (const key of ['ArrowRight', 'ArrowRight', 'ArrowDown']) fireEvent.keyDown(picture, { key });
        fireEvent.keyDown(picture, { key: 'ArrowLeft', shiftKey: true });
        fireEvent.keyDown(picture, { key: 'Enter' });
        expect(points).toHaveLength(1);
        expect(points[0]?.[0]).toBeCloseTo(0.518);
        expect(points[0]?.[1]).toBeCloseTo(0.52);
    });

    it('does nothing where nothing is asked for', () => {
        const points = put(null);
        const picture = screen.getByRole('application', { name: 'A sheet' });
        fireEvent.keyDown(picture, { key: 'ArrowRight' });
        fireEvent.keyDown(picture, { key: 'Enter' });
        fireEvent.click(picture);
        expect(points).toEqual([]);
    });
});

describe('a plain sheet', () => {
    const stacks = ['HB:207', 'HB:101', 'HB:102'].flatMap((id) => [`${id}@30`, `${id}@60`, `${id}@90x2`]);

    it('is told row by row, and read once every field is in one', () => {
        const read: PointedRow[][] = [];
        show(
            <PlainSheet
                stacks={stacks}
                picture="x.png"
                isReading={false}
                onRead={(rows) => read.push(rows)}
                onCancel={() => undefined}
            />,
        );
        const picture = screen.getByRole('application');
        const point = (steps: number) => {
            picture.focus();
            for (let i = 0; i <= steps; i++) fireEvent.keyDown(picture, { key: 'ArrowRight' });
            fireEvent.keyDown(picture, { key: 'Enter' });
            fireEvent.blur(picture);
        };
        const button = () => screen.getByRole('button', { name: /^Read \d row/ }) as HTMLButtonElement;
        expect(screen.getByRole('status').textContent).toContain('the first field of row 1');
        point(1);
        point(5);
        // Six fields are two pencils; three are left for the next row.
        expect(within(screen.getByRole('table')).getByText('207, 101')).toBeTruthy();
        expect(button().disabled).toBe(true);
        point(1);
        point(3);
        expect(within(screen.getByRole('table')).getByText('102')).toBeTruthy();
        expect(screen.getByRole('status').textContent).toContain('All 9 fields are in 2 rows');
        fireEvent.click(button());
        expect(read[0]?.map(({ fields }) => fields)).toEqual([6, 3]);
    });
});
