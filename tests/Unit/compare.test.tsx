import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import type { Review } from '../../resources/js/api/client';
import { useReviews } from '../../resources/js/api/queries';
import { keys } from '../../resources/js/api/keys';
import { CompareStage } from '../../resources/js/compare/CompareStage';
import { hatched } from '../../resources/js/compare/hatch';
import { Around } from './desk';
import { colour as colourOf, newClient, piece, planOf, recipe, show, step, zone } from './fixtures';
import { serve } from './server';

describe('hatching over errors of value', () => {
    const of = (...values: number[]) => new Uint8ClampedArray(values.flatMap((value) => [value, value, value, 255]));
    const covered = (grey: number, width = 40, height = 40) => {
        const shown = hatched(of(...Array.from({ length: width * height }, () => grey)), width, height);

        return (x: number, y: number) => (shown[4 * (y * width + x) + 3] ?? 0) > 0;
    };
    const share = (at: (x: number, y: number) => boolean) =>
        Array.from({ length: 1600 }, (_, i) => at(i % 40, Math.floor(i / 40))).filter(Boolean).length / 1600;

    it('is none where the eye sees no difference', () => {
        expect(share(covered(128))).toBe(0);
        expect(share(covered(134))).toBe(0);
    });

    it('rises where it is too light, and falls where it is too dark', () => {
        const light = covered(140);
        const dark = covered(116);
        for (let i = 1; i < 20; i++) {
            expect(light(10 + i, 20 - i)).toBe(light(10, 20));
            expect(dark(10 + i, 10 + i)).toBe(dark(10, 10));
        }
    });

    it('lies closer where it is much', () => {
        expect(share(covered(170))).toBeGreaterThan(1.5 * share(covered(140)));
    });

    it('is dots where nothing can be judged', () => {
        const hidden = hatched(
            new Uint8ClampedArray(Array.from({ length: 1600 }, () => [128, 0, 0, 255]).flat()),
            40,
            40,
        );
        const dark = (x: number, y: number) => (hidden[4 * (y * 40 + x) + 3] ?? 0) > 200;
        expect(dark(9, 18)).toBe(true);
        expect(dark(13, 18)).toBe(false);
        expect(dark(9, 13)).toBe(false);
        expect(share((x, y) => (hidden[4 * (y * 40 + x) + 3] ?? 0) > 0)).toBeLessThan(0.5);
    });
});

describe('the drawing beside the photo', () => {
    const words = (id: string, state: Review['zones'][number]['state'], said: string) => ({
        id,
        name: `Zone ${id}`,
        state,
        isToCome: false,
        words: said,
        dL: 0,
        stepsOff: 0,
        dE00: 0,
    });
    const review = (zones: Review['zones']): Review => ({
        photo: 'm1',
        madeAt: '2026-11-01T10:00:00Z',
        straight: '/straight',
        values: '/values',
        errors: '/errors',
        found: true,
        given: false,
        corners: [
            [0.1, 0.1],
            [0.9, 0.1],
            [0.9, 0.9],
            [0.1, 0.9],
        ],
        width: 48,
        height: 36,
        range: 'Your darkest is step 3, the photo’s is 1.',
        meanError: 6.25,
        meanSteps: 0.6,
        meanErrorWords: 'Values are off by 0.6 steps on average.',
        warnings: [],
        zones,
        course: null,
        merged: [],
        outlines: [],
        lost: [],
        onlyLines: false,
        taped: false,
        hidden: 0,
        rangeSteps: 5.5,
        photoSteps: 7.2,
        corrections: [],
        hand: null,
        goneOn: false,
    });
    const put = (reviews: Review[], work: object | null = null, selects = false) => {
        const asked = serve({
            'GET /api/pieces/p1/reviews': () => reviews,
            'GET /api/pieces/p1/drawing': () => [
                {
                    mark: 'm1',
                    kind: 'photo',
                    photo: { url: '/photo', width: 10, height: 10 },
                    madeAt: '2026-11-01T10:00:00Z',
                },
            ],
            'GET /api/pieces/p1/plan': () => planOf([]),
            'GET /api/works': () => ({ work }),
            'POST /api/pieces/p1/reviews/m1/corrections': () => planOf([]),
            'POST /api/pieces/p1/reviews/m1/hand': () => ({ calibration: 2, number: 2, was: 1 }),
            'POST /api/works': () => ({ id: 'w', kind: 'review', state: 'waiting', doing: '', progress: 0 }),
        });
        const of = piece([zone('z1', 'Zone z1', { recipe: recipe() })]);
        show(
            <Around of={of} selected={selects ? (of.zones[0] ?? null) : null}>
                <CompareStage />
            </Around>,
        );

        return { asked };
    };

    it('says how to take a photo where there is none yet', async () => {
        put([]);
        expect(await screen.findByText(/with white paper all round it/)).toBeTruthy();
        expect(screen.queryByText('All zones')).toBeNull();
    });

    it('says the three places that need the hand, and folds the rest', async () => {
        put([
            review([
                words('z1', 'off', 'one step too light'),
                words('z2', 'near', 'leave it: the eye sees no difference'),
                words('z3', 'begun', 'begun; still 2 steps too light'),
                words('z4', 'bare', 'not begun'),
                words('z5', 'off', 'half a step too dark'),
            ]),
        ]);
        const said = await screen.findByRole('heading', { name: 'Three places that need the hand' });
        const list = said.nextElementSibling as HTMLElement;
        expect([...list.children].map(({ textContent }) => textContent)).toEqual([
            'Zone z1: one step too light',
            'Zone z3: begun; still 2 steps too light',
            'Zone z4: not begun',
        ]);
        expect(screen.getByText(/Your darkest is step 3/).textContent).toContain('off by 0.6 steps on average');
        expect(screen.getByRole('link', { name: 'practise value' }).getAttribute('href')).toBe('/practice?drill=value');
        // One that is still in the piece is chosen at a press; one that is not is only named.
        expect(within(list).getAllByRole('button')).toHaveLength(1);
    });

    it('lets corners be set on a photo in which no drawing was found', async () => {
        const { asked } = put([], { id: 'w', kind: 'review', state: 'failed', problem: 'Nothing here.', progress: 0 });
        await userEvent.click(await screen.findByRole('button', { name: /Set its corners by hand/ }));
        await userEvent.click(screen.getByRole('button', { name: 'Compare by these corners' }));
        await waitFor(() =>
            expect(asked.find(({ method }) => method === 'POST')?.body).toMatchObject({ piece: 'p1', photo: 'm1' }),
        );
    });

    it('compares anew by corners that are moved with the keys', async () => {
        const { asked } = put([review([words('z1', 'near', 'leave it: the eye sees no difference')])]);
        expect(await screen.findByText('Leave it: nothing is off by more than the eye sees.')).toBeTruthy();
        await userEvent.click(await screen.findByRole('button', { name: /Corners of the drawing/ }));
        screen.getByRole('button', { name: /Upper left corner/ }).focus();
        // What lies under the hand is seen enlarged, on the other side.
        expect((await screen.findByTestId('loupe')).style.right).toBe('0px');
        await userEvent.keyboard('{ArrowRight}');
        await userEvent.click(screen.getByRole('button', { name: 'Compare by these corners' }));
        await waitFor(() => expect(asked.some(({ method }) => method === 'POST')).toBe(true));
        const { corners } = asked.find(({ method }) => method === 'POST')?.body as { corners: number[][] };
        expect(corners[0]?.[0]).toBeGreaterThan(0.1);
        expect(corners.slice(1)).toEqual([
            [0.9, 0.1],
            [0.9, 0.9],
            [0.1, 0.9],
        ]);
    });

    const colour = { L: 50, a: 0, b: 0, hex: '#777777', appearance: colourOf().appearance };
    const next = (target: string, isTaken = false): Review['corrections'][number] => ({
        target,
        zone: 'z1',
        name: `Zone z1: ${target}`,
        steps: [
            { ...step('401'), kind: 'lift', pencil: null, notation: 'lift' },
            { ...step('401'), kind: 'lift', pencil: null, notation: 'lift' },
            step('401'),
        ],
        before: colour,
        after: colour,
        wanted: colour,
        sentence: 'Now half a step too dark; after it on target.',
        isSeen: true,
        isTaken,
    });

    it('offers what to lay next, dabs in one go, and takes it over one by one or all at once', async () => {
        const { asked } = put([
            { ...review([words('z1', 'off', 'dark')]), corrections: [next('light'), next('dark')] },
        ]);
        const section = within(await screen.findByTestId('next-turns'));
        expect(section.getAllByText('Eraser, 2 dabs first.')).toHaveLength(2);
        await userEvent.click(section.getByRole('button', { name: 'Take what is next in Zone z1: dark' }));
        const sent = () =>
            asked
                .filter(({ path }) => path === '/api/pieces/p1/reviews/m1/corrections')
                .map(({ body }) => (body as { targets: string[] }).targets);
        await waitFor(() => expect(sent()).toEqual([['dark']]));
        await userEvent.click(section.getByRole('button', { name: 'Take all 2 into Draw' }));
        await waitFor(() => expect(sent()).toEqual([['dark'], ['light', 'dark']]));
    });

    it('takes what nobody saw only by itself', async () => {
        const { asked } = put([
            {
                ...review([words('z1', 'off', 'dark')]),
                corrections: [next('light'), { ...next('line'), isSeen: false }],
            },
        ]);
        const section = within(await screen.findByTestId('next-turns'));
        expect(section.getAllByText('now')).toHaveLength(1);
        expect(section.getAllByText('likely')).toHaveLength(1);
        expect(section.getByRole('img', { name: /^Zone z1: line, likely/ })).toBeTruthy();
        const sent = () =>
            asked
                .filter(({ path }) => path === '/api/pieces/p1/reviews/m1/corrections')
                .map(({ body }) => (body as { targets: string[] }).targets);
        await userEvent.click(section.getByRole('button', { name: 'Take the 1 that is seen into Draw' }));
        await waitFor(() => expect(sent()).toEqual([['light']]));
        await userEvent.click(section.getByRole('button', { name: 'Take what is next in Zone z1: line' }));
        await waitFor(() => expect(sent()).toEqual([['light'], ['line']]));
    });

    it('offers nothing once it is taken', async () => {
        put([{ ...review([words('z1', 'off', 'dark')]), corrections: [next('light', true)] }]);
        expect(await screen.findByRole('link', { name: 'Taken over; draw on' })).toBeTruthy();
        expect(screen.queryByRole('button', { name: /into Draw|Take what is next/ })).toBeNull();
    });

    it('asks for another photo once one has drawn on', async () => {
        put([{ ...review([words('z1', 'off', 'dark')]), corrections: [next('light')], goneOn: true }]);
        expect(await screen.findByText(/You have drawn on since this photo/)).toBeTruthy();
        expect(screen.queryByTestId('next-turns')).toBeNull();
    });

    it('keeps what the plan has not come to out of what needs the hand', async () => {
        put([
            review([
                { ...words('z1', 'bare', 'not begun'), isToCome: true },
                words('z2', 'off', 'half a step too dark'),
            ]),
        ]);
        const said = await screen.findByRole('heading', { name: 'What needs the hand' });
        expect(said.nextElementSibling?.textContent).toBe('Zone z2: half a step too dark');
        expect(screen.getByText('Still to come by the plan: 1 zone.')).toBeTruthy();
    });

    it('shows all checks in their order, and the one that is chosen', async () => {
        put([
            { ...review([words('z1', 'off', 'dark')]), photo: 'm2', range: 'The later one.' },
            { ...review([words('z1', 'off', 'light')]), photo: 'm1', range: 'The earlier one.' },
        ]);
        const strip = within(await screen.findByTestId('history'));
        expect(strip.getAllByRole('button').map((one) => one.getAttribute('aria-pressed'))).toEqual(['false', 'true']);
        expect(screen.getByText(/The later one/)).toBeTruthy();
        await userEvent.click(strip.getByRole('button', { name: /check 1/ }));
        expect(await screen.findByText(/The earlier one/)).toBeTruthy();
    });

    it('shows how many values it had at each check, and a zone alone where one is chosen', async () => {
        put(
            [
                { ...review([words('z1', 'off', 'dark')]), photo: 'm2', rangeSteps: 6.8 },
                { ...review([words('z1', 'off', 'light')]), photo: 'm1' },
                { ...review([]), photo: 'm0', rangeSteps: null, photoSteps: null, onlyLines: true },
            ],
            null,
            true,
        );
        const strip = within(await screen.findByTestId('history'));
        expect(
            strip.getByRole('img', {
                name: 'Steps from the darkest to the lightest at each check: 5.5, 6.8; the photo has 7.2',
            }),
        ).toBeTruthy();
        expect(strip.getByRole('button', { name: /check 1/ }).textContent).toContain('lines');
        await userEvent.click(strip.getByRole('button', { name: 'Only Zone z1' }));
        expect(strip.getByRole('img', { name: 'Zone z1 at check 3' })).toBeTruthy();
        expect(strip.queryByRole('img', { name: 'The drawing at check 3' })).toBeNull();
    });

    it('says of lines alone where they lie, and neither values nor that all is well', async () => {
        put([
            {
                ...review([words('z1', 'bare', 'not begun')]),
                onlyLines: true,
                range: 'Only lines lie there yet. Put right what lies elsewhere before you lay any colour.',
                meanErrorWords: '',
                outlines: ['Rope: its outline lies 3 mm too low.'],
            },
        ]);
        expect(await screen.findByText(/^Only lines lie there yet\./)).toBeTruthy();
        expect(screen.getByText('Rope: its outline lies 3 mm too low.')).toBeTruthy();
        expect(screen.queryByText(/Leave it: nothing/)).toBeNull();
        expect(screen.queryByRole('button', { name: 'Where values are off' })).toBeNull();
        expect(screen.queryByRole('heading', { name: 'What needs the hand' })).toBeNull();
    });

    it('sends along that tape lies round the drawing, as it was the last time or as it is told', async () => {
        const { asked } = put([{ ...review([words('z1', 'off', 'dark')]), taped: true }]);
        const tape = await screen.findByRole('checkbox', { name: 'Tape lies round it' });
        await waitFor(() => expect((tape as HTMLInputElement).checked).toBe(true));
        await userEvent.click(tape);
        await userEvent.click(screen.getByRole('button', { name: /Corners of the drawing/ }));
        await userEvent.click(await screen.findByRole('button', { name: 'Compare by these corners' }));
        await waitFor(() =>
            expect(asked.find(({ method, path }) => method === 'POST' && path === '/api/works')?.body).toMatchObject({
                kind: 'review',
                taped: false,
            }),
        );
    });

    it('names edges that are lost, and says what dots are where there are any', async () => {
        put([{ ...review([words('z1', 'off', 'dark')]), hidden: 0.1, lost: ['Rope and crate: the edge is lost.'] }]);
        expect(await screen.findByText('Rope and crate: the edge is lost.')).toBeTruthy();
        expect(screen.getByText(/Dots: not judged/)).toBeTruthy();
    });

    it('shows what a drawing tells of the hand, and reckons with it only when told to', async () => {
        const { asked } = put([
            {
                ...review([words('z1', 'off', 'dark')]),
                hand: {
                    words: '12 % lighter',
                    isInForce: true,
                    shifted: 23,
                    recipes: 62,
                    readings: [{ name: 'Rope', stack: 'QW:401@40', seen: colour, expected: colour, learnt: colour }],
                },
            },
        ]);
        const section = within(await screen.findByTestId('hand'));
        expect(section.getByText(/It is 12 % lighter in this drawing/).textContent).toContain('23 of 62 recipes');
        expect(asked.some(({ path }) => path.endsWith('/hand'))).toBe(false);
        await userEvent.click(section.getByRole('button', { name: 'Reckon with it' }));
        await waitFor(() => expect(asked.some(({ path }) => path.endsWith('/reviews/m1/hand'))).toBe(true));
    });

    it('is asked for anew for who wants it, whoever else looks and does not', async () => {
        const asked = serve({ 'GET /api/pieces/p1/reviews': () => [review([])] });
        const client = newClient();
        function Looks({ wants }: { wants: boolean }) {
            return <output>{useReviews('p1', wants).data?.length}</output>;
        }
        show(
            <>
                <Looks wants />
                <Looks wants={false} />
            </>,
            '/',
            client,
        );
        await waitFor(() => expect(asked).toHaveLength(1));
        await client.invalidateQueries();
        expect(asked).toHaveLength(2);
        expect(client.getQueryState(keys.reviews('p1'))?.status).toBe('success');
    });
});
