import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import type { Plan } from '../../resources/js/api/client';
import { drawingUrl } from '../../resources/js/desk/drawing';
import { MatchStage } from '../../resources/js/match/MatchStage';
import { DrawingPanel } from '../../resources/js/plan/DrawingPanel';
import { JoinsPanel } from '../../resources/js/plan/JoinsPanel';
import { SchedulePanel } from '../../resources/js/plan/SchedulePanel';
import { Around } from './desk';
import { pencil, piece, planOf, planStep, recipe, show, step, zone } from './fixtures';
import { Answer, serve } from './server';

const plan = planOf([], { total: 60, apartMinutes: 97 });

const address = () => new URLSearchParams(window.location.search);

describe('wishes for a recipe', () => {
    const float = zone('z', 'Float');
    const put = async () => {
        const asked = serve({
            'GET /api/pencils': () => ({ pencils: [pencil('404'), pencil('519')] }),
            'GET /api/pieces/p1/plan': () => plan,
            'POST /api/pieces/p1/recipes': () => ({
                recipes: [recipe(), recipe({ stack: 'QW:513@60', steps: [step('513', 60)] })],
                nearest: recipe({ stack: 'QW:519@80', steps: [step('519', 80)] }),
                book: [],
                boxCount: 2,
                calibration: null,
            }),
        });
        show(
            <Around of={piece([float])} selected={float}>
                <MatchStage />
            </Around>,
        );
        await screen.findAllByTestId('recipe');
        await userEvent.click(screen.getByRole('button', { name: 'More wishes' }));

        return () => asked.filter(({ path }) => path.endsWith('/recipes')).at(-1)?.body;
    };

    it.each([
        ['No black', { noBlack: true }],
        ['Value only', { valueOnly: true }],
        ['Lightfast', { lightfast: true }],
        ['Wax only last', { waxLast: true }],
        ['From the palette', { paletteOnly: true }],
    ])('%s is asked of the search', async (name, wish) => {
        const last = await put();
        await userEvent.click(screen.getByRole('checkbox', { name }));
        await waitFor(() => expect(last()).toMatchObject(wish));
        await userEvent.click(screen.getByRole('checkbox', { name }));
        await waitFor(() => expect(screen.getByRole('checkbox', { name })).toHaveProperty('checked', false));
    });

    it('limit layers apart from pencils', async () => {
        const last = await put();
        await userEvent.click(screen.getByRole('button', { name: /Layers, at most/ }));
        await userEvent.click(await screen.findByRole('option', { name: '2' }));
        await waitFor(() => expect(last()).toMatchObject({ maxLayers: 2, maxPencils: 4 }));
    });

    it('use a pencil in any case, until told otherwise', async () => {
        const last = await put();
        await userEvent.click(screen.getByRole('combobox', { name: /Use this pencil/ }));
        await userEvent.click(await screen.findByRole('option', { name: /404/ }));
        await waitFor(() => expect(last()).toMatchObject({ must: ['QW:404'] }));
        await userEvent.click(await screen.findByRole('button', { name: 'Use QW:404 only if it fits' }));
        await waitFor(() => expect(screen.queryByText(/Used in any case/)).toBeNull());
    });

    it('leave a pencil out, and take it in again', async () => {
        const last = await put();
        const first = within(screen.getByRole('article', { name: 'Recipe No. 1' }));
        await userEvent.click(first.getByRole('button', { name: 'Leave out 404' }));
        await waitFor(() => expect(last()).toMatchObject({ avoid: ['QW:404'] }));
        await userEvent.click(await screen.findByRole('button', { name: 'Use QW:404 again' }));
        await waitFor(() => expect(screen.queryByRole('button', { name: 'Use QW:404 again' })).toBeNull());
    });

    it('never leave out what the nearest single pencil is', async () => {
        await put();
        const nearest = within(screen.getByRole('article', { name: 'Recipe Nearest single' }));
        expect(nearest.queryByRole('button', { name: /Leave out/ })).toBeNull();
    });
});

describe('the drawing to be', () => {
    const put = (at: string) => {
        const asked = serve({
            'GET /api/pieces/p1/value-check': () => ({
                mean: 2.04,
                dark: 25.2,
                light: 88,
                photoDark: 18,
                photoLight: 89.4,
            }),
        });
        show(
            <Around of={piece([zone('z', 'Float')])} selected={null}>
                <DrawingPanel plan={plan} />
            </Around>,
            at,
        );

        return asked;
    };

    it('stands in the place of the photo, and leaves it again', async () => {
        put('/');
        expect(screen.queryByRole('slider')).toBeNull();
        await userEvent.click(screen.getByRole('button', { name: /in the photo's place/ }));
        expect(address().get('view')).toBe('drawing');
        expect(screen.getByRole('slider', { name: 'Stage' })).toBeTruthy();
        await userEvent.click(screen.getByRole('button', { name: /in the photo's place/ }));
        expect(address().get('view')).toBeNull();
    });

    it('goes from bare paper to finished', async () => {
        put('/?view=drawing');
        const stage = screen.getByRole('slider', { name: 'Stage' });
        expect(screen.getByText('finished')).toBeTruthy();
        stage.focus();
        await userEvent.keyboard('{ArrowLeft}');
        expect(address().get('stage')).toBe('50');
        expect(screen.getByText('after step 50 of 60')).toBeTruthy();
        await userEvent.keyboard('{Home}');
        expect(address().get('stage')).toBe('0');
        expect(screen.getByText('bare paper')).toBeTruthy();
        await userEvent.keyboard('{End}');
        expect(address().get('stage')).toBeNull();
    });

    it('tells how its values stand beside the photo’s', async () => {
        put('/?view=drawing');
        expect((await screen.findByTestId('value-check')).textContent).toBe(
            "By value it is off by L 2.0 on the mean. Its darkest is L 25, the photo's 18; its lightest L 88, the photo's 89.",
        );
    });

    it('asks for nothing while it is not shown', () => {
        expect(put('/')).toEqual([]);
    });

    it('has another address once the plan is another', () => {
        const one = planOf([planStep(1)]);
        expect(drawingUrl('p1', one, 1)).toContain('/api/pieces/p1/simulation.png?steps=1&');
        expect(drawingUrl('p1', planOf([planStep(1)]), 1)).toBe(drawingUrl('p1', one, 1));
        expect(drawingUrl('p1', planOf([planStep(2)]), 1)).not.toBe(drawingUrl('p1', one, 1));
    });
});

describe('the time it takes', () => {
    const put = (of: Partial<Plan>, more: Parameters<typeof serve>[0] = {}) => {
        const asked = serve(more);
        show(
            <Around of={piece([])} selected={null}>
                <SchedulePanel plan={{ ...plan, ...of }} />
            </Around>,
        );

        return asked;
    };
    const time = () => screen.getByTestId('time').textContent;

    it.each([
        [{}, 'About 1 h 35 min in one session.'],
        [{ sessions: 3, minutes: 240, apartMinutes: 244 }, 'About 4 h in 3 sessions.'],
        [{ idleMinutes: 12 }, 'About 1 h 35 min in one session, 12 min of it waiting for a wash to dry.'],
        [
            { apartMinutes: 125 },
            'About 1 h 35 min in one session. Finishing one colour after the other would take 30 min longer.',
        ],
    ])('is told in words (%#)', (of, said) => {
        put(of);
        expect(time()).toBe(said);
    });

    it('saves the length of a session once, when the hand lets go', async () => {
        const asked = put({}, { 'PATCH /api/pieces/p1': () => piece([]) });
        screen.getByRole('slider', { name: 'A session of yours' }).focus();
        await userEvent.keyboard('{ArrowRight}');
        await waitFor(() =>
            expect(asked.filter(({ method }) => method === 'PATCH').map(({ body }) => body)).toEqual([
                { sessionMinutes: 105 },
            ]),
        );
    });

    it('says when it could not be saved', async () => {
        put({}, { 'PATCH /api/pieces/p1': () => new Answer(422, { message: 'A session is 30 to 240 minutes.' }) });
        screen.getByRole('slider', { name: 'A session of yours' }).focus();
        await userEvent.keyboard('{ArrowRight}');
        expect(await screen.findByText(/A session is 30 to 240 minutes/)).toBeTruthy();
    });
});

describe('joins', () => {
    it('are told of the selected zone only', () => {
        const float = zone('z', 'Float');
        serve({});
        show(
            <Around of={piece([float])} selected={float}>
                <JoinsPanel
                    zone={float}
                    plan={{
                        ...plan,
                        joins: [{ zone: 'other', towards: null, lengthMm: 10, steps: 2, spans: [] }],
                    }}
                />
            </Around>,
        );
        expect(screen.queryByTestId('joins')).toBeNull();
    });
});
