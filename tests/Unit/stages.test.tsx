import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import type { Plan, StackPrediction, Zone } from '../../resources/js/api/client';
import { CompareStage } from '../../resources/js/compare/CompareStage';
import { MatchStage } from '../../resources/js/match/MatchStage';
import { PlanStage } from '../../resources/js/plan/PlanStage';
import { Around } from './desk';
import {
    colour,
    pencil,
    piece,
    planOf,
    planStep,
    recipe,
    restsOn,
    section,
    show,
    step,
    target,
    wash,
    zone,
} from './fixtures';
import { Answer, serve } from './server';

const prediction = (stack: string, steps = stack === '' ? 0 : stack.split(' > ').length): StackPrediction => ({
    recipe: recipe({ stack, difference: { ...recipe().difference, words: `words for ${stack}` } }),
    strip: Array.from({ length: steps + 1 }, () => ({ colour: colour(), toothLeft: 0.5, sigma: 2 })),
    room: 3,
    section,
    calibration: restsOn,
});

/** Opens a part of the stage. */
const part = async (name: string) => userEvent.click(await screen.findByRole('tab', { name }));

describe('Match', () => {
    const found = {
        recipes: [recipe(), recipe({ stack: 'QW:513@60', steps: [step('513', 60)] })],
        nearest: recipe({ stack: 'QW:519@80', steps: [step('519', 80)] }),
        book: [],
        boxCount: 2,
        calibration: null,
    };
    const free = zone('z', 'Float');

    it('asks for a colour first', () => {
        serve({ 'GET /api/pencils': () => ({ pencils: [] }) });
        show(
            <Around of={piece([])} selected={null}>
                <MatchStage />
            </Around>,
        );
        expect(screen.getByText('Choose a colour to match')).toBeTruthy();
    });

    it('shows a stack under the lamp that one draws by', async () => {
        const seen = { name: 'Warm lamp', target: colour(), predicted: colour(), difference: recipe().difference };
        serve({
            'GET /api/pencils': () => ({ pencils: [pencil('404')] }),
            'POST /api/pieces/p1/predictions': () => ({
                ...prediction('QW:404@40'),
                recipe: recipe({ underLamp: seen }),
            }),
        });
        show(
            <Around of={piece([free])} selected={free}>
                <MatchStage />
            </Around>,
            '/?edit=QW%3A404%4040',
        );
        expect((await screen.findByTestId('under-lamp')).textContent).toContain('Under the warm lamp: ');
    });

    it('shows the recipes found under that lamp too, when the photo is', async () => {
        const seen = {
            name: 'Warm lamp',
            target: colour({ hex: '#aa8844' }),
            predicted: colour({ hex: '#997733' }),
            difference: { ...recipe().difference, dE00: 3.2, words: 'leans yellow' },
        };
        serve({
            'GET /api/pencils': () => ({ pencils: [pencil('404')] }),
            'POST /api/pieces/p1/recipes': () => ({ ...found, recipes: [recipe({ underLamp: seen })] }),
        });
        const put = (address: string) =>
            show(
                <Around of={piece([free], { lamp: 'warm-lamp' })} selected={free}>
                    <MatchStage />
                </Around>,
                address,
            );
        const { unmount } = put('/?lamp=1');
        const lit = (await screen.findAllByTestId('recipe'))[0];
        expect(lit?.textContent).toContain('leans yellow');
        expect(lit?.textContent).toContain('under the warm lamp');
        expect(lit?.textContent).toContain('dE00 3.2');
        unmount();
        put('/');
        expect((await screen.findAllByTestId('recipe'))[0]?.textContent).toContain('on target');
        expect(screen.queryByText('under the warm lamp')).toBeNull();
    });

    it('takes a colour that is typed, and offers recipes of one’s own that fit it', async () => {
        const own = { recipe: recipe({ stack: 'QW:604@35', steps: [step('604', 35)] }), from: 'Jugs, Blue jug' };
        const asked = serve({
            'GET /api/pencils': () => ({ pencils: [pencil('404')] }),
            'POST /api/colours': ({ body }) =>
                (body as { text: string }).text === '#446688'
                    ? colour({ L: 41 })
                    : new Answer(422, { message: '"blue" is not a colour.' }),
            'POST /api/pieces/p1/recipes': () => ({ ...found, book: [own] }),
        });
        show(
            <Around of={piece([])} selected={null}>
                <MatchStage />
            </Around>,
        );
        const type = async (text: string) => {
            const field = await screen.findByLabelText(/Or type a colour/);
            await userEvent.clear(field);
            await userEvent.type(field, text);
            await userEvent.click(screen.getByRole('button', { name: 'Match it' }));
        };
        await type('blue');
        expect(await screen.findByText(/"blue" is not a colour/)).toBeTruthy();
        await type('#446688');
        expect(await screen.findByRole('article', { name: 'Recipe Yours: Jugs, Blue jug' })).toBeTruthy();
        expect(screen.getByTestId('reading').textContent).toContain('L 41.0');
        expect(asked.at(-1)?.body).toMatchObject({ L: 41, zone: null });
        await userEvent.click(screen.getByRole('button', { name: 'Leave it' }));
        expect(await screen.findByText('Choose a colour to match')).toBeTruthy();
    });

    it('shows recipes best first and the nearest single pencil last', async () => {
        const asked = serve({
            'GET /api/pencils': () => ({ pencils: [pencil('404'), pencil('519')] }),
            'POST /api/pieces/p1/recipes': () => found,
        });
        show(
            <Around of={piece([free])} selected={free}>
                <MatchStage />
            </Around>,
        );
        await screen.findByRole('article', { name: 'Recipe Nearest single' });
        const cards = screen.getAllByTestId('recipe');
        expect(cards.map((card) => card.getAttribute('aria-label'))).toEqual([
            'Recipe No. 1',
            'Recipe No. 2',
            'Recipe Nearest single',
        ]);
        // Who does not see them hears of them.
        expect(screen.getByTestId('heard').textContent).toMatch(/^Float.*: green.*\. 2 recipes\. First: /);
        expect(asked.at(-1)?.body).toEqual({
            L: 46.4,
            a: -16.9,
            b: 7.1,
            zone: 'z',
            maxPencils: 4,
            maxLayers: 8,
            noBlack: false,
            toned: false,
            waxLast: false,
            must: [],
            valueOnly: false,
            lightfast: false,
            paletteOnly: false,
            avoid: [],
        });
    });

    it('shows nobody the recipes of the colour before, and changes them into those of the next', async () => {
        let ready: (answer: typeof found) => void = () => undefined;
        const late = new Promise<typeof found>((then) => (ready = then));
        let asked = 0;
        serve({
            'GET /api/pencils': () => ({ pencils: [pencil('404')] }),
            'POST /api/pieces/p1/recipes': () => (asked++ === 0 ? found : late),
        });
        const two = zone('z', 'Float', {
            targets: [target('m', 'Float'), target('l', 'Float, light', { role: 'light', colour: colour({ L: 70 }) })],
        });
        show(
            <Around of={piece([two])} selected={two}>
                <MatchStage />
            </Around>,
        );
        const first = await screen.findByRole('article', { name: 'Recipe No. 1' });
        await userEvent.click(screen.getByRole('button', { name: /^light/ }));
        expect(screen.queryByRole('article')).toBeNull();
        expect(await screen.findByText('Trying stacks')).toBeTruthy();
        ready({ ...found, recipes: [recipe({ stack: 'QW:777@20', steps: [step('777', 20)] })] });
        const then = await screen.findByRole('article', { name: 'Recipe No. 1' });
        expect(then.textContent).toContain('777');
        expect(then).toBe(first);
        expect(screen.queryByRole('article', { name: 'Recipe No. 2' })).toBeNull();
        expect(screen.queryByText('Trying stacks')).toBeNull();
    });

    it('is read from the top again when another colour is chosen, and stays where it was scrolled to until then', async () => {
        serve({ 'GET /api/pencils': () => ({ pencils: [pencil('404')] }), 'POST /api/pieces/p1/recipes': () => found });
        const two = zone('z', 'Float', {
            targets: [target('m', 'Float'), target('l', 'Float, light', { role: 'light', colour: colour({ L: 70 }) })],
        });
        show(
            <Around of={piece([two])} selected={two}>
                <div role="group" aria-label="Match">
                    <MatchStage />
                </div>
            </Around>,
        );
        const stage = screen.getByRole('group', { name: 'Match' });
        stage.scrollTop = 300;
        fireEvent.scroll(stage);
        await screen.findByRole('article', { name: 'Recipe No. 1' });
        expect(stage.scrollTop).toBe(300);
        await userEvent.click(screen.getByRole('button', { name: /^light/ }));
        await waitFor(() => expect(stage.scrollTop).toBe(0));
    });

    it('searches anew for another wish', async () => {
        const asked = serve({
            'GET /api/pencils': () => ({ pencils: [pencil('404')] }),
            'POST /api/pieces/p1/recipes': () => found,
        });
        show(
            <Around of={piece([free])} selected={free}>
                <MatchStage />
            </Around>,
        );
        await screen.findAllByTestId('recipe');
        await userEvent.click(screen.getByRole('button', { name: 'More conditions' }));
        await userEvent.click(screen.getByRole('checkbox', { name: 'No black' }));
        await userEvent.click(screen.getByRole('button', { name: 'Fewer conditions' }));
        // Folded away, it is still said.
        expect(screen.getByText('Up to 4 pencils in 8 layers, no black')).toBeTruthy();
        await waitFor(() => expect(asked.at(-1)?.body).toMatchObject({ noBlack: true }));
    });

    it('puts the kept recipe first and not twice', async () => {
        const kept = zone('z', 'Float', { recipe: recipe() });
        serve({ 'GET /api/pencils': () => ({ pencils: [pencil('404')] }), 'POST /api/pieces/p1/recipes': () => found });
        show(
            <Around of={piece([kept])} selected={kept}>
                <MatchStage />
            </Around>,
        );
        await waitFor(() =>
            expect(screen.getAllByTestId('recipe').map((card) => card.getAttribute('aria-label'))).toEqual([
                'Recipe For Float',
                'Recipe No. 1',
                'Recipe Nearest single',
            ]),
        );
    });

    it('leads from the colour straight to the nearest pencils, of the box and of others, and which way each misses', async () => {
        const near = (id: string, misses: string) => ({ ...pencil(id), misses });
        const asked = serve({
            'GET /api/pencils': () => ({ pencils: [] }),
            'POST /api/pieces/p1/recipes': () => new Answer(422, { message: 'Empty.', errors: { box: ['Empty.'] } }),
            'GET /api/nearest-pencils': () => ({
                box: [],
                others: [near('404', 'half a step too light')],
                beside: [{ what: 'complement', colour: colour(), pencil: near('722', 'a little dull') }],
            }),
        });
        show(
            <Around of={piece([free])} selected={free}>
                <MatchStage />
            </Around>,
        );
        await userEvent.click(await screen.findByRole('button', { name: 'Nearest pencils' }));
        expect(await screen.findByText('half a step too light')).toBeTruthy();
        expect(screen.getByText('None with a colour.')).toBeTruthy();
        expect(screen.getByText('Complement').parentElement?.textContent).toContain('a little dull');
        expect(asked.find(({ path }) => path === '/api/nearest-pencils')?.query).toMatch(
            /to=[\d.]+[ +]-?[\d.]+[ +]-?[\d.]+/,
        );
    });

    it('sends to the box when it is empty', async () => {
        const said = 'There are no pencils to choose from.';
        serve({
            'GET /api/pencils': () => ({ pencils: [] }),
            'POST /api/pieces/p1/recipes': () => new Answer(422, { message: said, errors: { box: [said] } }),
        });
        show(
            <Around of={piece([free])} selected={free}>
                <MatchStage />
            </Around>,
        );
        expect(await screen.findByText('Your box is empty')).toBeTruthy();
        expect(screen.getByRole('link', { name: 'Put pencils in the box' }).getAttribute('href')).toBe(
            '/pencils/numbers',
        );
    });

    it('opens a recipe in the editor and predicts every change', async () => {
        const asked = serve({
            'GET /api/pencils': () => ({ pencils: [pencil('404'), pencil('519'), pencil('116')] }),
            'POST /api/pieces/p1/recipes': () => found,
            'POST /api/pieces/p1/predictions': ({ body }) => prediction((body as { stack: string }).stack),
            'PATCH /api/targets/z-middle': () => free,
        });
        show(
            <Around of={piece([free])} selected={free}>
                <MatchStage />
            </Around>,
        );
        await userEvent.click(await screen.findByRole('button', { name: 'Adjust recipe No. 1' }));
        expect(await screen.findByText('words for QW:404@40 > QW:519@95')).toBeTruthy();
        expect(screen.getByTestId('hand').textContent).toContain('10 % off in each layer moves it by dE00 3.1');
        expect(screen.getByTestId('heard').textContent).toMatch(/^Float.*: green/);
        await userEvent.click(screen.getByRole('button', { name: 'Add wash' }));
        expect(await screen.findByText('words for QW:404@40 > QW:519@95 > wash')).toBeTruthy();
        const first = within(screen.getAllByRole('row')[0] as HTMLElement);
        await userEvent.click(first.getByRole('button', { name: 'One coat more' }));
        await waitFor(() => expect(screen.getByTestId('open').textContent).toBe('QW:404@40x2 > QW:519@95 > wash'));
        await userEvent.click(screen.getByRole('button', { name: 'Undo' }));
        await userEvent.click(screen.getByRole('button', { name: 'Undo' }));
        await waitFor(() => expect(screen.getByTestId('open').textContent).toBe('QW:404@40 > QW:519@95'));
        expect(screen.getByRole('button', { name: 'Undo' }).hasAttribute('disabled')).toBe(true);
        await userEvent.click(screen.getByRole('button', { name: 'Redo' }));
        await waitFor(() => expect(screen.getByTestId('open').textContent).toBe('QW:404@40 > QW:519@95 > wash'));
        // Another order without dragging.
        expect(screen.getByRole('button', { name: 'Lay step 1 earlier' }).hasAttribute('disabled')).toBe(true);
        await userEvent.click(screen.getByRole('button', { name: 'Lay step 2 later' }));
        await waitFor(() => expect(screen.getByTestId('open').textContent).toBe('QW:404@40 > wash > QW:519@95'));
        await userEvent.click(screen.getByRole('button', { name: 'Lay step 3 earlier' }));
        await waitFor(() => expect(screen.getByTestId('open').textContent).toBe('QW:404@40 > QW:519@95 > wash'));
        await userEvent.click(screen.getByRole('button', { name: 'Remove step 1' }));
        await userEvent.click(screen.getByRole('button', { name: 'Keep for Float' }));
        await waitFor(() =>
            expect(asked.find(({ method }) => method === 'PATCH')?.body).toEqual({
                version: 1,
                stack: 'QW:519@95 > wash',
            }),
        );
    });

    it('tells when the zone was changed elsewhere meanwhile', async () => {
        const said = 'This zone was changed meanwhile, in another window perhaps.';
        serve({
            'GET /api/pencils': () => ({ pencils: [pencil('404')] }),
            'POST /api/pieces/p1/recipes': () => found,
            'POST /api/pieces/p1/predictions': ({ body }) => prediction((body as { stack: string }).stack),
            'PATCH /api/targets/z-middle': () => new Answer(409, { message: said }),
        });
        show(
            <Around of={piece([free])} selected={free}>
                <MatchStage />
            </Around>,
            '/?edit=QW:404@40',
        );
        await userEvent.click(await screen.findByRole('button', { name: 'Keep for Float' }));
        expect(await screen.findByText(said)).toBeTruthy();
    });
});

describe('advice', () => {
    const open = async (more: Parameters<typeof serve>[0]) => {
        const of = zone('z', 'Float');
        const asked = serve({
            'GET /api/pencils': () => ({ pencils: [pencil('404')] }),
            'POST /api/pieces/p1/recipes': () => ({ recipes: [], nearest: recipe(), boxCount: 1, calibration: null }),
            'POST /api/pieces/p1/predictions': ({ body }) => prediction((body as { stack: string }).stack),
            ...more,
        });
        show(
            <Around of={piece([of])} selected={of}>
                <MatchStage />
            </Around>,
            '/?edit=QW:404@40',
        );
        await screen.findByText('words for QW:404@40');

        return asked;
    };

    it('says what brings it lighter, and takes it into the editor', async () => {
        const asked = await open({
            'POST /api/pieces/p1/nudges': () => [recipe({ stack: 'QW:404@20', steps: [step('404', 20)] })],
        });
        await userEvent.click(screen.getByRole('button', { name: 'lighter' }));
        expect((await screen.findByTestId('nudges')).textContent).toContain('404 20 % whisper');
        expect(asked.at(-1)?.body).toEqual({ stack: 'QW:404@40', nudge: 'lighter', zone: 'z' });
        await userEvent.click(screen.getByRole('button', { name: 'Take it' }));
        await waitFor(() => expect(screen.getByTestId('open').textContent).toBe('QW:404@20'));
    });

    it('says so when nothing goes that way', async () => {
        await open({ 'POST /api/pieces/p1/nudges': () => [] });
        await userEvent.click(screen.getByRole('button', { name: 'redder' }));
        expect(await screen.findByText(/Nothing in your box makes it redder/)).toBeTruthy();
    });

    it('tells why: the same stack without this or that', async () => {
        await open({
            'POST /api/pieces/p1/why': () => [
                {
                    what: 'In the other order',
                    stack: 'QW:404@30',
                    colour: colour(),
                    difference: { ...recipe().difference, dE00: 4.2, words: 'leans green' },
                    nearer: true,
                },
            ],
        });
        await userEvent.click(screen.getByRole('button', { name: 'Why so?' }));
        expect((await screen.findByTestId('why')).textContent).toContain('In the other order: leans green');
        expect(screen.getByText(/nearer to the target/)).toBeTruthy();
        await userEvent.click(screen.getByRole('button', { name: 'Try it' }));
        await waitFor(() => expect(screen.getByTestId('open').textContent).toBe('QW:404@30'));
    });
});

describe('the palette of a picture', () => {
    const palette = {
        size: 12,
        dE00: 2.5,
        separate: 2.2,
        wholeBox: 2.2,
        valueError: null,
        trio: null,
        curve: [
            { size: 6, dE00: 3.1, hexes: ['#eeeeee', '#305090'] },
            { size: 12, dE00: 2.5, hexes: ['#eeeeee', '#305090', '#203040'] },
            { size: 48, dE00: 2.2, hexes: [] },
        ],
        pencils: [{ id: 'QW:404', loss: 0.31 }],
    };
    const put = (
        more: Parameters<typeof serve>[0] = {},
        of = piece([zone('z1', 'Zone 1')]),
        selected: Zone | null = null,
    ) => {
        const asked = serve({
            'GET /api/pieces/p1/plan': () =>
                planOf([planStep(1, { because: ['a burnish beside it would close the paper'] })], { palette }),
            'GET /api/works': () => ({ work: null }),
            'GET /api/pencils': () => ({ pencils: [] }),
            'PATCH /api/pieces/p1': () => of,
            'POST /api/works': () => ({
                id: 'w',
                kind: 'planning',
                state: 'waiting',
                doing: '',
                progress: 0,
                problem: '',
                startedAt: '',
                result: null,
            }),
            ...more,
        });
        show(
            <Around of={of} selected={selected}>
                <PlanStage />
            </Around>,
        );

        return asked;
    };

    it('tells what it costs, what each pencil is for, and what is lost without it', async () => {
        put();
        expect((await screen.findByTestId('palette')).textContent).toContain('1 pencil comes within dE00 2.5');
        expect(screen.getByTestId('palette').textContent).toContain('0.3 of it is given up');
        const sizes = within(screen.getByRole('radiogroup', { name: 'Pencils in the palette' })).getAllByRole('radio');
        expect(sizes.map((size) => size.getAttribute('aria-label'))).toEqual([
            '6 pencils, 3.1 off',
            '12 pencils, 2.5 off',
            'The whole box, 48 pencils, 2.2 off',
        ]);
        expect(sizes.map((size) => size.querySelectorAll('i').length)).toEqual([2, 3, 0]);
        expect(screen.getByTestId('pencil').textContent).toContain('main, 30 %');
        expect(screen.getByTestId('pencil').textContent).toContain('without it + 0.31');
        await part('Order');
        expect(screen.getByTestId('turn').textContent).toContain(
            'Now, since a burnish beside it would close the paper.',
        );
    });

    it('says how the values of the chosen zone are feathered, and which neighbours merge', async () => {
        const chosen = zone('z1', 'Zone 1');
        const asked = serve({
            'GET /api/works': () => ({ work: null }),
            'GET /api/pieces/p1/neighbours': () => [
                {
                    one: 'z1',
                    other: 'z2',
                    dE00: 2.1,
                    pushed: 'z2',
                    sentence: 'Push Zone 2 half a step darker.',
                },
            ],
            'GET /api/pieces/p1/plan': () =>
                planOf([planStep(1)], {
                    joins: [
                        {
                            zone: 'z1',
                            towards: 'lower right',
                            lengthMm: 40,
                            steps: 3,
                            spans: [
                                { target: 'z1-middle', from: 0, to: 0.6, fromMm: 0, toMm: 24 },
                                { target: 'other', from: 0.4, to: 1, fromMm: 16, toMm: 40 },
                            ],
                        },
                    ],
                }),
        });
        show(
            <Around of={piece([chosen, zone('z2', 'Zone 2')])} selected={chosen}>
                <PlanStage />
            </Around>,
        );
        await part('Advice');
        expect((await screen.findByTestId('joins')).textContent).toContain('0 to 24 mm');
        expect((await screen.findByTestId('alike')).textContent).toContain('1 and 2');
        expect(screen.getByTestId('alike').textContent).toContain('Push Zone 2 half a step darker.');
        expect(asked.length).toBeGreaterThan(0);
    });

    it('is planned anew with another size, a pin, or without a pencil', async () => {
        const asked = put();
        await userEvent.click(await screen.findByRole('radio', { name: '6 pencils, 3.1 off' }));
        await waitFor(() => expect(asked.filter(({ method }) => method === 'POST')).toHaveLength(1));
        expect(asked.find(({ method }) => method === 'PATCH')?.body).toEqual({ paletteSize: 6, version: 1 });
        expect(asked.find(({ method }) => method === 'POST')?.body).toEqual({ kind: 'planning', piece: 'p1' });
    });

    it('exchanges recipes of one’s own only when told to', async () => {
        const asked = put({ 'GET /api/pieces/p1/plan': () => planOf([planStep(1)], { palette, ownRecipes: 3 }) });
        await userEvent.click(await screen.findByText(/Exchange the 3 recipes I have chosen/));
        await userEvent.click(screen.getByRole('button', { name: 'Plan the picture' }));
        await waitFor(() =>
            expect(asked.find(({ method }) => method === 'POST')?.body).toEqual({
                kind: 'planning',
                piece: 'p1',
                anew: true,
            }),
        );
    });

    it('pins and bans by one press', async () => {
        const asked = put();
        await userEvent.click(await screen.findByRole('button', { name: 'Pin 404' }));
        await waitFor(() =>
            expect(asked.find(({ method }) => method === 'PATCH')?.body).toEqual({ pinned: ['QW:404'], version: 1 }),
        );
    });

    it('allows again what was done without', async () => {
        const of = piece([zone('z1', 'Zone 1')]);
        const asked = put({}, { ...of, planning: { ...of.planning, banned: ['LO:7206'] } });
        await userEvent.click(await screen.findByRole('button', { name: 'Allow LO:7206 again' }));
        await waitFor(() =>
            expect(asked.find(({ method }) => method === 'PATCH')?.body).toEqual({ banned: [], version: 1 }),
        );
    });

    it('tells the time in hours', async () => {
        put();
        await part('Order');
        expect((await screen.findByTestId('time')).textContent).toContain('About 1 h 35 min in one session');
        expect(screen.getByTestId('time').textContent).toContain('25 min longer');
    });

    it('is planned by value only, and says how near it comes by value', async () => {
        const asked = put({
            'GET /api/pieces/p1/plan': () =>
                planOf([planStep(1)], {
                    palette: { ...palette, valueError: 0.34, trio: { zones: 2, without: 1, further: 0.84 } },
                }),
        });
        expect((await screen.findByTestId('palette')).textContent).toContain('within 0.3 of a value step');
        expect(screen.getByTestId('trios').textContent).toBe(
            '2 zones shaded by three neighbouring hues, 0.8 further from the photo than the free choice. For 1 zone these pencils hold no such three.',
        );
        await userEvent.click(screen.getByText('By value only'));
        await waitFor(() =>
            expect(asked.find(({ method }) => method === 'PATCH')?.body).toEqual({ valueOnly: true, version: 1 }),
        );
    });

    it('can be taken back as a whole', async () => {
        const asked = put({
            'GET /api/pieces/p1/plan': () => planOf([planStep(1)], { palette, canTakeBack: true }),
            'DELETE /api/pieces/p1/planning/last': () => planOf([planStep(1)]),
        });
        await userEvent.click(await screen.findByRole('button', { name: 'Undo the plan' }));
        await waitFor(() => expect(asked.some(({ method }) => method === 'DELETE')).toBe(true));
    });

    it('is proved on a chart of its own', async () => {
        put({ 'POST /api/pieces/p1/proof': () => ({ id: 'c9' }) });
        await part('Order');
        await userEvent.click(await screen.findByRole('button', { name: 'Test sheet' }));
        await waitFor(() => expect(window.location.pathname).toBe('/swatches/charts/c9'));
    });

    it('tells edges, depth and cast shadows of all zones, the finish of the chosen one', async () => {
        const chosen = zone('z1', 'Zone 1');
        const advice = [
            { zone: 'z1', kind: 'Edge', id: 'edge', sentence: 'Give it a last sharp line.', canApply: false },
            { zone: 'z1', kind: 'Finish', id: 'finish', sentence: 'Many light layers.', canApply: false },
            { zone: 'z2', kind: 'Cast shadow', id: 'shadow', sentence: 'Darkest where it begins.', canApply: false },
            { zone: 'z2', kind: 'Finish', id: 'finish', sentence: 'Let the grain show.', canApply: false },
            { zone: 'z3', kind: 'Edge', id: 'edge', sentence: 'Give it a last sharp line.', canApply: false },
        ] satisfies Plan['advice'];
        put(
            { 'GET /api/pieces/p1/plan': () => planOf([planStep(1)], { palette, advice }) },
            piece([chosen, zone('z2', 'Zone 2'), zone('z3', 'Zone 3')]),
            chosen,
        );
        await part('Advice');
        const said = async () => (await screen.findByTestId('advice')).textContent;
        expect(await said()).toBe('EdgeGive it a last sharp line. 1 FinishMany light layers. 1 ');
        await userEvent.click(screen.getByRole('button', { name: 'All zones' }));
        expect(await said()).toBe('EdgeGive it a last sharp line. 1 3 Cast shadowDarkest where it begins. 2 ');
        await userEvent.click(screen.getByRole('button', { name: 'Zone 2' }));
        await waitFor(() => expect(window.location.search).toContain('zone=z2'));
    });

    it('shows what an advice takes, puts it in the plan, and takes it back', async () => {
        const chosen = zone('z1', 'Zone 1');
        const sentence = 'It lies behind 2 and is warmer: cool it.';
        const advice = [
            { zone: 'z1', kind: 'Near and far', id: 'temperature', sentence, canApply: true },
        ] satisfies Plan['advice'];
        const plain = planOf([planStep(1)], { palette, advice });
        const followed = { ...plain, advised: [{ id: 'a1', zone: 'z1', sentence, layer: 'QW:422@20' }] };
        const asked = put(
            {
                'GET /api/pieces/p1/plan': () => plain,
                'POST /api/pieces/p1/advice': () => ({
                    zone: 'z1',
                    step: step('422', 20),
                    turn: 7,
                    crisp: null,
                    colours: [{ target: 'z1-middle', name: 'Zone 1', before: colour(), after: colour() }],
                }),
                'POST /api/pieces/p1/advised': () => followed,
                'DELETE /api/pieces/p1/advised/a1': () => plain,
            },
            piece([chosen]),
            chosen,
        );
        await part('Advice');
        await userEvent.click(await screen.findByRole('button', { name: /Show what it takes/ }));
        const shown = await screen.findByRole('group', { name: /What it takes/ });
        expect(shown.textContent).toContain('422 20 %');
        expect(shown.textContent).toContain('in turn 7');
        expect(asked.filter(({ path }) => path.endsWith('/advised'))).toHaveLength(0);
        await userEvent.click(within(shown).getByRole('button', { name: 'Put it in the plan' }));
        expect((await screen.findByTestId('followed')).textContent).toContain('422');
        expect(asked.find(({ path }) => path.endsWith('/advised'))?.body).toEqual({ zone: 'z1', kind: 'temperature' });
        await userEvent.click(screen.getByRole('button', { name: /^Take back: / }));
        await waitFor(() => expect(screen.queryByTestId('followed')).toBeNull());
    });

    it('lets an advice told of two zones be pressed for each', async () => {
        const sentence = 'It lies in front and is cooler: warm it.';
        const advice: Plan['advice'] = ['z1', 'z2'].map((zone) => ({
            zone,
            kind: 'Near and far',
            id: 'temperature',
            sentence,
            canApply: true,
        }));
        const asked = put(
            {
                'GET /api/pieces/p1/plan': () => planOf([planStep(1)], { palette, advice }),
                'POST /api/pieces/p1/advice': () => ({ zone: 'z2', step: null, turn: null, crisp: true, colours: [] }),
            },
            piece([zone('z1', 'Zone 1'), zone('z2', 'Zone 2')]),
        );
        await part('Advice');
        await userEvent.click(await screen.findByRole('button', { name: `Show what it takes: ${sentence} On 2` }));
        await screen.findByRole('group', { name: /What it takes/ });
        expect(asked.find(({ path }) => path.endsWith('/advice'))?.body).toEqual({ zone: 'z2', kind: 'temperature' });
    });

    it('keeps a lightener that no recipe needs, and reckons with the pace of the log', async () => {
        const [used] = planOf([]).pullList;
        if (!used) throw new Error('There is no pencil.');
        const kept = { ...used, id: 'LO:11', number: '11', layers: 0, zones: 0, share: 0 };
        put({
            'GET /api/pieces/p1/plan': () =>
                planOf([planStep(1)], {
                    palette,
                    pullList: [{ ...kept, lightener: 'warm' }],
                    pace: { pace: 280.4, steps: 24 },
                }),
        });
        const row = (await screen.findByTestId('pencil')).textContent;
        expect(row).toContain('to soften with');
        expect(row).toContain('warm lightener');
        await part('Order');
        expect(screen.getByText('At your own pace: 280 mm² a minute, from 24 steps of your log.')).toBeTruthy();
    });

    it('sets a few given pencils to light, middle and dark, and plans with them by value', async () => {
        const of = { id: 'QW:404', range: 'QW', number: '404', name: 'Pennant Blue', coat: colour() };
        const asked = put({
            'GET /api/pencils': () => ({ pencils: [pencil('404'), pencil('519')] }),
            'POST /api/pieces/p1/designation': () => ({
                pencils: [
                    { ...of, part: 'light', from: 9, to: 6 },
                    { ...of, id: 'QW:519', number: '519', part: 'dark', from: 4, to: 4 },
                ],
                ladder: [9, 8, 7, 6, 5, 4, 3, 2, 1].map((rung) => ({
                    step: rung,
                    stack: `QW:404@${rung}0`,
                    colour: colour(),
                    reached: rung > 3,
                })),
                gradient: {
                    rounds: 4,
                    steps: [
                        { stack: 'QW:404@40x2', from: 0, to: 0.4, apart: null, toldApart: true },
                        { stack: 'QW:404@40 > QW:519@40', from: 0.4, to: 0.6, apart: 3.1, toldApart: true },
                        { stack: 'QW:519@40x2', from: 0.6, to: 1, apart: 0.4, toldApart: false },
                    ].map((own) => ({ ...own, colour: colour() })),
                },
                combinations: [1, 2, 3, 4].map((i) => ({ stack: `QW:404@4${i}`, colour: colour() })),
                triples: ['QW:404@40 > QW:519@45 > QW:113@50', 'QW:113@40 > QW:519@45 > QW:404@50'].map((stack) => ({
                    stack,
                    colour: colour(),
                })),
            }),
        });
        await part('Ways of working');
        const go = await screen.findByRole('button', { name: 'Set to light, middle, dark' });
        expect(go).toHaveProperty('disabled', true);
        // The box has come, and its list with it.
        await waitFor(() => expect(asked.some(({ path }) => path === '/api/pencils')).toBe(true));
        await new Promise((settled) => setTimeout(settled, 100));
        for (const [label, number] of [
            ['Pencil 1', '404'],
            ['Pencil 2', '519'],
        ] as const) {
            await userEvent.click(screen.getByRole('combobox', { name: new RegExp(label) }));
            await userEvent.click(await screen.findByRole('option', { name: new RegExp(number) }));
        }
        await userEvent.click(go);
        expect((await screen.findByTestId('designation')).textContent).toBe(
            '404 is light: step 9 to 6; 519 is dark: step 4.',
        );
        expect(screen.getByRole('table', { name: 'Each over each' })).toBeTruthy();
        expect(screen.getByRole('list', { name: 'Value ladder of these pencils' }).children).toHaveLength(9);
        const three = screen.getByRole('list', { name: 'Three over one another' });
        expect([...three.children].map(({ textContent }) => textContent)).toEqual(['404, 519, 113', '113, 519, 404']);
        const gradient = () => [...screen.getByTestId('gradient').children].map(({ textContent }) => textContent);
        expect(gradient()).toEqual([
            '0 to 24 mm, 0 to 40 %: 404 40 % light, 2 coats',
            '24 to 36 mm, 40 to 60 %: 404 40 % light, then 519 40 % light',
            '36 to 60 mm, 60 to 100 %: 519 40 % light, 2 coats, hardly told from the step before',
        ]);
        const length = screen.getByLabelText('Length, mm');
        await userEvent.clear(length);
        await userEvent.type(length, '12,5');
        expect(gradient()[1]).toContain('5.0 to 7.5 mm');
        await userEvent.type(length, ' cm');
        expect(screen.getByText('A number from 5 to 2000.')).toBeTruthy();
        await userEvent.click(screen.getByRole('button', { name: 'Plan the picture with these, by value' }));
        await waitFor(() =>
            expect(asked.find(({ method }) => method === 'PATCH')?.body).toEqual({
                paletteSize: 2,
                pinned: ['QW:404', 'QW:519'],
                valueOnly: true,
            }),
        );
        expect(asked.filter(({ path }) => path.endsWith('/designation'))[0]?.body).toEqual({
            pencils: ['QW:404', 'QW:519'],
            parts: {},
        });
    });

    it('follows schools: of the picture, of all questions, of one zone', async () => {
        const chosen = zone('z1', 'Zone 1', { schools: { value: 'form-first' }, version: 3 });
        const asked = put({ 'PATCH /api/zones/z1': () => piece([chosen]) }, piece([chosen]), chosen);
        await part('Ways of working');
        expect((await screen.findByTestId('school-background')).textContent).toContain('The same pencil everywhere.');
        await userEvent.click(screen.getByRole('button', { name: /Over the picture/ }));
        await userEvent.click(await screen.findByRole('option', { name: 'Zone by zone' }));
        const changes = () => asked.filter(({ method }) => method === 'PATCH').map(({ path, body }) => [path, body]);
        await waitFor(() =>
            expect(changes()).toEqual([['/api/pieces/p1', { schools: { background: 'zone-by-zone' } }]]),
        );
        expect(screen.queryByTestId('school-shadows')).toBeNull();
        await userEvent.click(screen.getByRole('button', { name: 'All questions' }));
        expect(screen.getByTestId('school-shadows').textContent).toContain('From the complement.');
        expect(screen.getByText('An exception: Zone 1.')).toBeTruthy();

        // Of the zone: another school there, and back to that of the picture.
        await userEvent.click(
            within(screen.getByRole('radiogroup', { name: 'Schools of' })).getByRole('radio', { name: 'Zone 1' }),
        );
        expect(screen.queryByTestId('school-background')).toBeNull();
        expect(screen.getByTestId('school-value').textContent).toContain('Shadow form first');
        await userEvent.click(screen.getByRole('button', { name: 'Which value first: As the picture' }));
        await waitFor(() =>
            expect(changes().at(-1)).toEqual(['/api/zones/z1', { version: 3, schools: { value: null } }]),
        );
    });
});

describe('Plan', () => {
    const of = piece([zone('z1', 'Zone 1')]);
    const put = (plan: Plan) => {
        serve({ 'GET /api/pieces/p1/plan': () => plan, 'GET /api/works': () => ({ work: null }) });
        show(
            <Around of={of} selected={null}>
                <PlanStage />
            </Around>,
        );
    };

    it('says what to do first when there is nothing to plan', async () => {
        put(planOf([], { pullList: [], cautions: [] }));
        expect(await screen.findByText(/Nothing to plan yet/)).toBeTruthy();
        expect(screen.getByRole('link', { name: 'Match' }).getAttribute('href')).toBe('/pieces/p1/match');
        expect(screen.getByRole('button', { name: 'Plan the picture' })).toBeTruthy();
    });

    it('lists pencils, cautions and turns in order, by stage', async () => {
        put(
            planOf(
                [planStep(1, { role: 'reserve', step: null }), planStep(2), planStep(3, { role: 'wash', step: wash })],
                { zonesWithoutRecipe: ['Cast shadow'] },
            ),
        );
        expect(await screen.findByRole('heading', { name: 'Lay out this pencil' })).toBeTruthy();
        expect(screen.getByTestId('plan-head').textContent).toBe('1 pencil, 3 turns, 1 h 35 min, misses by 1.6');
        await part('Order');
        expect(screen.getAllByRole('heading', { level: 3 }).map(({ textContent }) => textContent)).toEqual([
            'Keep the paper 4 min',
            'Build 8 min',
        ]);
        expect(screen.getByRole('list', { name: 'Cautions' }).textContent).toContain('cap the blade');
        expect(screen.getAllByTestId('turn').map((row) => row.querySelector('b')?.textContent)).toEqual([
            'Paper',
            '402',
            'Wash',
        ]);
        expect(screen.getByText('No recipe yet: Cast shadow.')).toBeTruthy();
        expect(screen.getByRole('link', { name: 'Plan sheet, PDF' }).getAttribute('href')).toBe(
            '/api/pieces/p1/plan.pdf',
        );
    });

    it('shows how far a planning is whichever part is open, and fetches the plan when it is done', async () => {
        const running = {
            id: 'w',
            kind: 'planning',
            state: 'running',
            doing: 'Trying stacks for each of them',
            progress: 0.4,
            problem: '',
            startedAt: '',
            result: null,
        };
        let work: unknown = running;
        const asked = serve({
            'GET /api/pieces/p1/plan': () => planOf([planStep(1)]),
            'GET /api/works': () => ({ work }),
        });
        show(
            <Around of={of} selected={null}>
                <PlanStage />
            </Around>,
        );
        await part('Order');
        expect(await screen.findByText(/Trying stacks/)).toBeTruthy();
        const plans = () => asked.filter(({ path }) => path.endsWith('/plan')).length;
        const before = plans();
        work = { ...running, state: 'done', progress: 1 };
        await waitFor(() => expect(plans()).toBeGreaterThan(before));
        expect(screen.queryByText(/Trying stacks/)).toBeNull();
    });

    it('tells done and skipped turns apart without colour', async () => {
        put(planOf([planStep(1, { state: 'done' }), planStep(2, { state: 'skipped' }), planStep(3)]));
        await part('Order');
        const rows = await screen.findAllByTestId('turn');
        expect(rows.map((row) => row.dataset.state)).toEqual(['done', 'skipped', 'open']);
    });

    it('names a pencil that is not in the box', async () => {
        const plan = planOf([planStep(1)]);
        put({ ...plan, pullList: plan.pullList.map((entry) => ({ ...entry, owned: false })) });
        expect(await screen.findByText(/not in the box/)).toBeTruthy();
    });

    it('offers another try when the plan does not come', async () => {
        serve({ 'GET /api/pieces/p1/plan': () => new Answer(500, {}), 'GET /api/works': () => ({ work: null }) });
        show(
            <Around of={of} selected={null}>
                <PlanStage />
            </Around>,
        );
        expect(await screen.findByRole('button', { name: 'Try again' })).toBeTruthy();
    });
});

describe('Compare', () => {
    it('puts the largest error of value first', () => {
        const missing = (dL: number, words: string) => recipe({ difference: { ...recipe().difference, dL, words } });
        const of = piece([
            zone('a', 'A little off', { recipe: missing(0.5, 'very close') }),
            zone('b', 'Far too light', { recipe: missing(-9, 'one step too dark') }),
            zone('c', 'Not matched'),
        ]);
        show(
            <Around of={of} selected={null}>
                <CompareStage />
            </Around>,
        );
        expect(screen.getAllByText(/off$|light$/, { selector: 'button' }).map((name) => name.textContent)).toEqual([
            'Far too light',
            'A little off',
        ]);
        expect(screen.getByText('one step too dark')).toBeTruthy();
    });

    it('says what to do first', () => {
        show(
            <Around of={piece([])} selected={null}>
                <CompareStage />
            </Around>,
        );
        expect(screen.getByText('Nothing to compare yet')).toBeTruthy();
    });
});
