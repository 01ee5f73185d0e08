import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import type { Piece, Plan, Turn, Zone } from '../../resources/js/api/client';
import { drawingUrl } from '../../resources/js/desk/drawing';
import { useView } from '../../resources/js/desk/address';
import { MatchStage } from '../../resources/js/match/MatchStage';
import { BeginningsPanel } from '../../resources/js/plan/BeginningsPanel';
import { DrawingPanel } from '../../resources/js/plan/DrawingPanel';
import { GroundPanel } from '../../resources/js/plan/GroundPanel';
import { InterpretationPanel } from '../../resources/js/plan/InterpretationPanel';
import { JoinsPanel } from '../../resources/js/plan/JoinsPanel';
import { LimitedPanel } from '../../resources/js/plan/LimitedPanel';
import { PalettePanel } from '../../resources/js/plan/PalettePanel';
import { SchedulePanel } from '../../resources/js/plan/SchedulePanel';
import { SchoolsPanel } from '../../resources/js/plan/SchoolsPanel';
import { TurnList } from '../../resources/js/plan/TurnList';
import { Around } from './desk';
import {
    colour,
    pencil,
    piece,
    planOf,
    planStep,
    recipe,
    schoolQuestions,
    show,
    step,
    target,
    toned,
    zone,
} from './fixtures';
import { Answer, serve } from './server';

const plan = planOf([], { total: 60, apartMinutes: 97 });

const address = () => new URLSearchParams(window.location.search);

/** The address is written a moment after. */
const written = (name: string, value: string | null) => waitFor(() => expect(address().get(name)).toBe(value));

describe('turns', () => {
    it('show where they go on the picture, one at a time, and not when pressed again', async () => {
        const zones = [zone('z1', 'Float')];
        const steps = [planStep(1), planStep(2)];
        const chosen: [string, string][] = [];
        const Shown = () => {
            const { places, showPlaces } = useView();

            return (
                <TurnList
                    turns={planOf(steps).turns}
                    zones={zones}
                    sessions={1}
                    shown={places}
                    onShow={showPlaces}
                    onChoose={(...place) => chosen.push(place)}
                />
            );
        };
        show(
            <Around of={piece(zones)} selected={null}>
                <Shown />
            </Around>,
        );
        const [first, second] = [1, 2].map((turn) =>
            screen.getByRole('button', { name: `Show where turn ${turn} goes` }),
        ) as [HTMLElement, HTMLElement];
        await userEvent.click(first);
        await written('places', '1');
        expect(first.getAttribute('aria-pressed')).toBe('true');
        await userEvent.click(second);
        await written('places', '2');
        expect(first.getAttribute('aria-pressed')).toBe('false');
        await userEvent.click(second);
        await written('places', null);
    });
});

describe('a place of a turn', () => {
    const put = (changes: Partial<Turn['places'][number]>, ofTurn: Partial<Turn> = {}) => {
        const [turn] = planOf([planStep(1)]).turns;
        if (!turn) throw new Error('A plan of one step has one turn.');
        const places = turn.places.map((place) => ({ ...place, ...changes }));
        show(
            <TurnList
                turns={[{ ...turn, places, ...ofTurn }]}
                zones={[zone('z1', 'Float')]}
                sessions={1}
                shown={null}
                onShow={() => undefined}
                onChoose={() => undefined}
            />,
        );

        return screen.getByTestId('turn').textContent;
    };

    it('says how the pressure falls over it', () => {
        expect(put({ fade: { from: 45, to: 20, towards: 'light' } })).toContain('45 falling to 20 % towards the light');
    });

    it('says how many coats, if more than one, and in which round, if there was one before', () => {
        const plain = put({});
        expect(plain).not.toMatch(/coats|round/);
    });

    it('says two coats, and the second round', () => {
        const said = put({ coats: 2 }, { round: 2 });
        expect(said).toContain('2 coats');
        expect(said).toContain('round 2');
    });

    it('says what to look for before it is laid', () => {
        expect(put({ onlyIf: 'half a step too light' })).toContain('only if it is still off (half a step too light)');
    });

    it('says neither where neither holds', () => {
        expect(put({})).not.toMatch(/falling|only if/);
    });
});

describe('how zones are begun', () => {
    it('is folded away, told by zone, and leads to the zone', async () => {
        const chosen: string[] = [];
        const beginnings = [{ zone: 'z2', name: 'Planks', sentence: '7527 first, under all of it.' }];
        show(
            <BeginningsPanel
                beginnings={beginnings}
                zones={[zone('z1', 'Float'), zone('z2', 'Planks')]}
                onChoose={(id) => chosen.push(id)}
            />,
        );
        const fold = screen.getByRole('button', { name: 'How each zone is begun' });
        expect(fold.getAttribute('aria-expanded')).toBe('false');
        await userEvent.click(fold);
        expect(screen.getByTestId('beginning').textContent).toContain('7527 first, under all of it.');
        await userEvent.click(screen.getByRole('button', { name: '2 Planks' }));
        expect(chosen).toEqual(['z2']);
    });

    it('is nothing where nothing is planned', () => {
        show(<BeginningsPanel beginnings={[]} zones={[]} onChoose={() => undefined} />);
        expect(screen.queryByRole('button', { name: 'How each zone is begun' })).toBeNull();
    });
});

describe('wishes for a recipe', () => {
    const float = zone('z', 'Float');
    const put = async (changes: Partial<Piece> = {}, selected = float) => {
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
            <Around of={piece([selected], changes)} selected={selected}>
                <MatchStage />
            </Around>,
        );
        await screen.findAllByTestId('recipe');
        await userEvent.click(screen.getByRole('button', { name: 'More conditions' }));

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

    it('use black and white freely on toned paper, and only there', async () => {
        const last = await put({ paper: toned });
        await userEvent.click(screen.getByRole('checkbox', { name: 'Black and white freely' }));
        await waitFor(() => expect(last()).toMatchObject({ toned: true }));
    });

    it('know no black and white on white paper', async () => {
        await put();
        expect(screen.queryByRole('checkbox', { name: 'Black and white freely' })).toBeNull();
    });

    it('are fewer for lines, until one wants it otherwise', async () => {
        const seam = zone('s', 'Planks', { targets: [target('t', 'Planks: lines', { role: 'line', lineMm: 0.9 })] });
        const last = await put({}, seam);
        expect(last()).toMatchObject({ maxLayers: 2, maxPencils: 2 });
        await userEvent.click(screen.getByRole('button', { name: /Layers, at most/ }));
        await userEvent.click(await screen.findByRole('option', { name: '4' }));
        await waitFor(() => expect(last()).toMatchObject({ maxLayers: 4 }));
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
        // The card goes out of sight: what takes it back is at hand, and once it has, what was above it.
        const again = screen.getByRole('button', { name: 'Use QW:404 again' });
        expect(document.activeElement).toBe(again);
        await userEvent.click(again);
        await waitFor(() => expect(screen.queryByRole('button', { name: 'Use QW:404 again' })).toBeNull());
        expect(document.activeElement).toBe(screen.getByRole('button', { name: /conditions$/ }));
    });

    it('never leave out what the nearest single pencil is', async () => {
        await put();
        const nearest = within(await screen.findByRole('article', { name: 'Recipe Nearest single' }));
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
        await written('view', 'drawing');
        expect(screen.getByRole('slider', { name: 'Stage' })).toBeTruthy();
        await userEvent.click(screen.getByRole('button', { name: /in the photo's place/ }));
        await written('view', null);
    });

    it('goes from bare paper to finished', async () => {
        put('/?view=drawing');
        const stage = screen.getByRole('slider', { name: 'Stage' });
        expect(screen.getByText('finished')).toBeTruthy();
        stage.focus();
        await userEvent.keyboard('{ArrowLeft}');
        await written('stage', '50');
        expect(screen.getByText('after step 50 of 60')).toBeTruthy();
        await userEvent.keyboard('{Home}');
        await written('stage', '0');
        expect(screen.getByText('bare paper')).toBeTruthy();
        await userEvent.keyboard('{End}');
        await written('stage', null);
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
            'About 1 h 35 min in one session. Finishing one zone after the other would take 30 min longer.',
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

    it('show the zone’s own pencils as a gradient in millimetres along its form, finished as one likes', async () => {
        const float = zone('z', 'Float');
        const asked = serve({
            'POST /api/pieces/p1/gradient': () => ({
                gradient: {
                    rounds: 5,
                    steps: [
                        { stack: 'QW:404@30x5', from: 0, to: 0.5, apart: null, toldApart: true, colour: colour() },
                        { stack: 'QW:519@60x5', from: 0.5, to: 1, apart: 9, toldApart: true, colour: colour() },
                    ],
                },
                lengthMm: 40,
                towards: 'lower right',
            }),
        });
        show(
            <Around of={piece([float])} selected={float}>
                <JoinsPanel
                    zone={float}
                    plan={{ ...plan, joins: [{ zone: 'z', towards: null, lengthMm: 40, steps: 2, spans: [] }] }}
                />
            </Around>,
        );
        expect((await screen.findByTestId('gradient')).textContent).toContain('0 to 20 mm, 0 to 50 %: 404 30 %');
        expect(screen.getByText(/2 steps, 5 rounds/)).toBeTruthy();
        await userEvent.click(screen.getByRole('radio', { name: 'Blender' }));
        await waitFor(() => expect(asked.at(-1)?.body).toEqual({ zone: 'z', finish: 'blender' }));
    });
});

describe('schools of a picture', () => {
    const put = (planned: boolean, selected: Zone | null = null) => {
        const asked = serve({
            'GET /api/works': () => ({ work: null }),
            'GET /api/schools': () => schoolQuestions,
            'PATCH /api/pieces/p1': () => piece([]),
            'PATCH /api/zones/z': () => zone('z', 'Float'),
            'POST /api/works': () => ({ id: 'w', kind: 'planning', state: 'waiting', progress: 0, doing: '' }),
        });
        const float = zone('z', 'Float');
        show(
            <Around of={piece([float])} selected={selected}>
                <SchoolsPanel planned={planned} />
            </Around>,
        );
        const choose = async (question: string, school: string) => {
            await userEvent.click(await screen.findByRole('button', { name: 'All questions' }));
            await userEvent.click(await screen.findByRole('button', { name: new RegExp(`${question}$`) }));
            await userEvent.click(await screen.findByRole('option', { name: school }));
            await waitFor(() => expect(asked.some(({ method }) => method === 'PATCH')).toBe(true));
        };

        return { choose, works: () => asked.filter(({ method }) => method === 'POST'), asked };
    };

    it('plan it anew where they bear on recipes', async () => {
        const { choose, works } = put(true);
        await choose('Shadows', 'Black, last');
        await waitFor(() => expect(works().map(({ body }) => body)).toEqual([{ kind: 'planning', piece: 'p1' }]));
    });

    it('plan it anew for the exception of one zone', async () => {
        const { choose, works, asked } = put(true, zone('z', 'Float'));
        await userEvent.click(screen.getByRole('radio', { name: 'Float' }));
        await choose('Shadows', 'Black, last');
        await waitFor(() => expect(works()).toHaveLength(1));
        expect(asked.find(({ method }) => method === 'PATCH')).toMatchObject({
            path: '/api/zones/z',
            body: { schools: { shadows: 'black' } },
        });
    });

    const running = { id: 'w1', kind: 'planning', state: 'running', progress: 0.4, doing: 'Choosing' };
    /** Another school is chosen while the picture is being planned. */
    const chooseAnother = async (answers: Parameters<typeof serve>[0]) => {
        const asked = serve({
            'GET /api/works': () => ({ work: running }),
            'GET /api/schools': () => schoolQuestions,
            ...answers,
        });
        show(
            <Around of={piece([])} selected={null}>
                <SchoolsPanel planned />
            </Around>,
        );
        await userEvent.click(await screen.findByRole('button', { name: /Which value first$/ }));
        await userEvent.click(await screen.findByRole('option', { name: 'Form first' }));

        return () => asked.filter(({ method }) => method !== 'GET').map(({ method, path }) => [method, path]);
    };

    it('leave the planning that runs alone where they cannot be kept', async () => {
        const changes = await chooseAnother({
            'PATCH /api/pieces/p1': () => new Answer(422, { message: 'That is no school.' }),
        });
        expect(await screen.findByText('That is no school.')).toBeTruthy();
        expect(changes()).toEqual([['PATCH', '/api/pieces/p1']]);
    });

    it('start it over where it is being planned already', async () => {
        const changes = await chooseAnother({
            'PATCH /api/pieces/p1': () => piece([]),
            'DELETE /api/works/w1': () => ({ ...running, state: 'cancelled' }),
            'POST /api/works': () => ({ ...running, id: 'w2', state: 'waiting' }),
        });
        await waitFor(() =>
            expect(changes()).toEqual([
                ['PATCH', '/api/pieces/p1'],
                ['DELETE', '/api/works/w1'],
                ['POST', '/api/works'],
            ]),
        );
        // Who chose it by keyboard is still where it was chosen.
        await waitFor(() =>
            expect(document.activeElement).toBe(screen.getByRole('button', { name: /Which value first$/ })),
        );
    });

    it.each([
        ['only order it anew where no recipe follows from them', true, 'Highlights', 'Lift out with the eraser'],
        ['leave a picture alone that was never planned', false, 'Shadows', 'Black, last'],
    ])('%s', async (_, planned, question, school) => {
        const { choose, works } = put(planned);
        await choose(question, school);
        expect(works()).toEqual([]);
    });
});

describe('a few given pencils on toned paper', () => {
    const put = (changes: Partial<Piece>) => {
        const asked = serve({
            'GET /api/works': () => ({ work: null }),
            'GET /api/pencils': () => ({ pencils: [pencil('404'), pencil('519')] }),
            'POST /api/pieces/p1/toned': () => piece([], changes),
            'POST /api/works': () => ({ id: 'w', kind: 'planning', state: 'waiting', progress: 0, doing: '' }),
        });
        show(
            <Around of={piece([], changes)} selected={null}>
                <LimitedPanel />
            </Around>,
        );

        return asked;
    };

    it('are black, white and the colour that serves best', async () => {
        const asked = put({ paper: toned });
        await userEvent.click(await screen.findByRole('button', { name: 'Plan with black, white and one colour' }));
        await waitFor(() => expect(asked.some(({ path }) => path === '/api/works')).toBe(true));
        expect(asked.find(({ path }) => path.endsWith('/toned'))?.body).toEqual({ colour: null });
    });

    it('are not offered on white paper', async () => {
        put({});
        expect(await screen.findByText(/Two to five, of any hue/)).toBeTruthy();
        expect(screen.queryByRole('button', { name: 'Plan with black, white and one colour' })).toBeNull();
    });
});

describe('a palette that must include a pencil', () => {
    const put = (pinned: string[]) => {
        const asked = serve({
            'GET /api/works': () => ({ work: null }),
            'GET /api/pencils': () => ({ pencils: [pencil('404'), pencil('519')] }),
            'PATCH /api/pieces/p1': () => piece([]),
            'POST /api/works': () => ({ id: 'w', kind: 'planning', state: 'waiting', progress: 0, doing: '' }),
        });
        const of = piece([], { planning: { ...piece([]).planning, pinned, banned: ['QW:519'] } });
        show(
            <Around of={of} selected={null}>
                <PalettePanel plan={planOf([])} />
            </Around>,
        );

        return () => asked.find(({ method }) => method === 'PATCH')?.body;
    };

    it('is planned with it, though it was to be done without before', async () => {
        const changed = put(['QW:101']);
        await new Promise((settled) => setTimeout(settled, 100));
        await userEvent.click(await screen.findByRole('combobox', { name: /Must include/ }));
        await userEvent.click(await screen.findByRole('option', { name: /519/ }));
        await waitFor(() => expect(changed()).toEqual({ pinned: ['QW:101', 'QW:519'], banned: [], version: 1 }));
    });

    it('shows it though no recipe uses it, and lets it go', async () => {
        const changed = put(['QW:101']);
        await userEvent.click(await screen.findByRole('button', { name: 'Include QW:101 only if it helps' }));
        await waitFor(() => expect(changed()).toEqual({ pinned: [], version: 1 }));
    });
});

describe('the ground of a zone', () => {
    const put = (ground: Zone['ground']) => {
        const planks = zone('z', 'Planks', { ground });
        const asked = serve({ 'PATCH /api/zones/z': () => planks });
        show(
            <Around of={piece([planks])} selected={planks}>
                <GroundPanel planned={false} />
            </Around>,
        );

        return () => asked.find(({ method }) => method === 'PATCH')?.body;
    };

    it('is a typed colour, with how it takes pencil', async () => {
        const last = put(null);
        await userEvent.click(screen.getByRole('radio', { name: 'Smoother' }));
        await userEvent.type(screen.getByLabelText('Colour of the ground'), '#c9a57a');
        await userEvent.click(screen.getByRole('button', { name: 'Set' }));
        await waitFor(() => expect(last()).toEqual({ version: 1, ground: { colour: '#c9a57a', tooth: 'smoother' } }));
    });

    it('is taken off again', async () => {
        const last = put({ colour: colour(), tooth: 'little' });
        await userEvent.click(screen.getByRole('button', { name: 'Clear' }));
        await waitFor(() => expect(last()).toEqual({ version: 1, ground: null }));
    });
});

describe('an interpretation', () => {
    const float = zone('z1', 'Float');
    const put = (planned: boolean) => {
        const asked = serve({
            'GET /api/works': () => ({ work: null }),
            'PATCH /api/pieces/p1': () => piece([float]),
            'PATCH /api/zones/z1': () => ({ ...float, version: 2 }),
            'POST /api/works': () => ({ id: 'w1', kind: 'planning', state: 'waiting', progress: 0, doing: '' }),
        });
        show(
            <Around of={piece([float])} selected={float}>
                <InterpretationPanel planned={planned} />
            </Around>,
        );

        return asked;
    };

    it('of the picture is chosen, and the picture planned anew', async () => {
        const asked = put(true);
        const lights = screen.getByRole('radiogroup', { name: 'Lights' });
        await userEvent.click(within(lights).getByRole('radio', { name: 'Warmer' }));
        await waitFor(() =>
            expect(asked.find(({ path }) => path === '/api/pieces/p1')?.body).toEqual({
                interpretation: { lights: 7 },
            }),
        );
        await waitFor(() => expect(asked.some(({ path }) => path === '/api/works')).toBe(true));
    });

    it('of the chosen zone is another local colour, as typed', async () => {
        const asked = put(false);
        await userEvent.click(screen.getByRole('radio', { name: 'Float' }));
        await userEvent.type(screen.getByLabelText('Another local colour, its values kept'), 'QW:404');
        await userEvent.click(screen.getByRole('button', { name: 'Set' }));
        await waitFor(() =>
            expect(asked.find(({ path }) => path === '/api/zones/z1')?.body).toEqual({
                version: 1,
                interpretation: { local: 'QW:404' },
            }),
        );
        expect(asked.filter(({ path, method }) => path === '/api/works' && method === 'POST')).toHaveLength(0);
    });
});
