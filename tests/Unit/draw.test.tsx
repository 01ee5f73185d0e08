import { onlineManager } from '@tanstack/react-query';
import { act, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, describe, expect, it } from 'vitest';
import { asDrawn, marked, unmarked } from '../../resources/js/api/marking';
import type { DrawingEntry, Plan, PlanStep, Step, Turn } from '../../resources/js/api/client';
import { saidOf } from '../../resources/js/draw/Diary';
import { SessionClock } from '../../resources/js/draw/SessionClock';
import { DrawStage } from '../../resources/js/draw/DrawStage';
import { Around } from './desk';
import { colour, piece, planOf, planStep, show, step, turnOf, wash, zone } from './fixtures';
import { Answer, serve } from './server';

const zones = [zone('z1', 'Float', { share: 0.1 }), zone('z2', 'Rope', { share: 0.1 })];

/** Two places with one pencil, then a wash. */
function plan(states: PlanStep['state'][] = ['open', 'open', 'open'], more: Partial<Turn> = {}): Plan {
    const [first, second, third] = [
        planStep(1, { turn: 1, state: states[0] }),
        planStep(2, { turn: 1, state: states[1] }),
        planStep(3, { turn: 2, role: 'wash', step: wash, state: states[2] }),
    ];
    const of = turnOf(first);
    const other = turnOf(second).places[0];
    const both = states[0] === 'open' || states[1] === 'open' ? 'open' : (states[0] ?? 'open');

    return planOf([first, second, third], {
        turns: [
            { ...of, number: 1, places: other ? [...of.places, other] : of.places, state: both, ...more },
            { ...turnOf(third), number: 2, dryingMinutes: 10, point: null },
        ],
    });
}

/** A server whose plan and log agree: what it answers to a press is the plan from then on. */
const put = (of: Plan, more: Parameters<typeof serve>[0] = {}) => {
    let now = of;
    const answers = Object.entries(more).map(([what, answer]): [string, typeof answer] => [
        what,
        (asked) => {
            const given = answer(asked);
            if (typeof given !== 'object' || given === null || !('turns' in given)) return given;
            const { mark } = (asked.body ?? {}) as { mark?: string };
            now = { ...(given as Plan), ...(mark !== undefined && { lastMarked: mark }) };

            return now;
        },
    ]);
    const asked = serve({
        'GET /api/pieces/p1/plan': () => now,
        'GET /api/pieces/p1/drawing': () =>
            now.lastMarked === null
                ? []
                : [
                      {
                          mark: now.lastMarked,
                          kind: 'done',
                          turn: 1,
                          keys: [],
                          did: null,
                          note: null,
                          zone: null,
                          photo: null,
                          undone: false,
                          madeAt: '2026-11-28T10:05:00Z',
                      },
                  ],
        ...Object.fromEntries(answers),
    });
    show(
        <Around of={piece(zones)} selected={null}>
            <DrawStage />
        </Around>,
    );

    return { asked, then: (next: Plan) => (now = next) };
};

const sent = (asked: { method: string; body: unknown }[]) =>
    asked.filter(({ method }) => method === 'POST').map(({ body }) => body as Record<string, unknown>);

afterEach(() => act(() => onlineManager.setOnline(true)));

describe('a turn in the hand', () => {
    it('calls out number, pressure and point, and lights all the places it goes to', async () => {
        put(plan(undefined, { reminders: ['Hold it far back.'] }));
        const now = await screen.findByTestId('turn-now');
        expect(within(now).getByText('401')).toBeTruthy();
        expect(now.textContent).toContain('40 % light');
        expect(screen.getByTestId('point').textContent).toBe('Sharp point. Hold it far back.');
        expect(screen.getByTestId('turn-of').textContent).toContain('Turn 1 of 2');
        await waitFor(() => expect(screen.getByTestId('lit').textContent).toBe('z1,z2'));
        expect(screen.getByText(/^Next:/).textContent).toContain('Wash, 1 place');
    });

    it.each([
        ['d', 'done'],
        ['s', 'skipped'],
    ] as const)('goes on by the key %s at once, with all its places in one press', async (key, state) => {
        const { asked } = put(plan(), { 'POST /api/pieces/p1/drawing': () => plan([state, state, 'open']) });
        await screen.findByTestId('turn-now');
        await userEvent.keyboard(key);
        expect(screen.getByTestId('turn-of').textContent).toContain('Turn 2 of 2');
        await waitFor(() => expect(sent(asked)).toHaveLength(1));
        expect(sent(asked)[0]).toMatchObject({ keys: ['key-1', 'key-2'], state, was: 'open' });
        expect(sent(asked)[0]?.mark).toMatch(/^[0-9A-Z]{26}$/);
    });

    it('is ticked place by place, and a tick is taken off again', async () => {
        const { asked } = put(plan(), { 'POST /api/pieces/p1/drawing': () => plan(['done', 'open', 'open']) });
        await userEvent.click(await screen.findByRole('checkbox', { name: /^1 Zone 1/ }));
        await waitFor(() => expect(sent(asked)).toHaveLength(1));
        expect(sent(asked)[0]).toMatchObject({ keys: ['key-1'], state: 'done' });
        expect(screen.getByRole('button', { name: /^Done/ }).textContent).not.toContain('all');
        await waitFor(() => expect(screen.getByTestId('lit').textContent).toBe('z2'));
        await userEvent.click(screen.getByRole('checkbox', { name: /^1 Zone 1/ }));
        await waitFor(() => expect(sent(asked)[1]).toMatchObject({ keys: ['key-1'], state: 'open' }));
    });

    it('does not wait for the network, and is sent in order when it is back', async () => {
        const { asked } = put(plan(), { 'POST /api/pieces/p1/drawing': () => plan(['done', 'done', 'done']) });
        await screen.findByTestId('turn-now');
        act(() => onlineManager.setOnline(false));
        await userEvent.keyboard('d');
        expect(screen.getByTestId('turn-of').textContent).toContain('Turn 2 of 2');
        await userEvent.keyboard('d');
        expect(screen.getByText('The plan is drawn.')).toBeTruthy();
        expect(sent(asked)).toEqual([]);
        act(() => onlineManager.setOnline(true));
        await waitFor(() => expect(sent(asked).map(({ keys }) => keys)).toEqual([['key-1', 'key-2'], ['key-3']]));
    });

    it('stays where it is and says why when a press is refused', async () => {
        put(plan(), {
            'POST /api/pieces/p1/drawing': () => new Answer(422, { message: 'This step is no longer in the plan.' }),
        });
        await screen.findByTestId('turn-now');
        await userEvent.click(screen.getByRole('button', { name: /^Done/ }));
        expect(await screen.findByText('This step is no longer in the plan.')).toBeTruthy();
        await waitFor(() => expect(screen.getByTestId('turn-of').textContent).toContain('Turn 1 of 2'));
    });

    it('takes a press back and lays it again', async () => {
        const { asked } = put(plan(), {
            'POST /api/pieces/p1/drawing': () => plan(['done', 'done', 'open']),
            'DELETE /api/pieces/p1/drawing/last': () => ({ ...plan(), lastMarked: null }),
        });
        await screen.findByTestId('turn-now');
        await userEvent.keyboard('d');
        await waitFor(() => expect(sent(asked)).toHaveLength(1));
        await userEvent.click(screen.getByRole('button', { name: /Undo/ }));
        expect(await screen.findByText('401')).toBeTruthy();
        await waitFor(() =>
            expect(asked.find(({ method }) => method === 'DELETE')?.query).toBe(
                `?mark=${String(sent(asked)[0]?.mark)}`,
            ),
        );
        await userEvent.keyboard('{Control>}{Shift>}z{/Shift}{/Control}');
        await waitFor(() => expect(sent(asked)).toHaveLength(2));
        expect(sent(asked)[1]).toMatchObject({ keys: ['key-1', 'key-2'], state: 'done' });
        expect(sent(asked)[1]?.mark).not.toBe(sent(asked)[0]?.mark);
    });

    it('lays again what was pressed here, and not what another screen pressed meanwhile', async () => {
        const { asked, then } = put(plan(), {
            'POST /api/pieces/p1/drawing': () => plan(['done', 'done', 'open']),
            'DELETE /api/pieces/p1/drawing/last': () => ({ ...plan(['done', 'done', 'open']), lastMarked: null }),
        });
        await screen.findByTestId('turn-now');
        await userEvent.keyboard('d');
        await waitFor(() => expect(sent(asked)).toHaveLength(1));
        // Another screen goes on; this one follows.
        then({ ...plan(['done', 'done', 'done']), lastMarked: 'ELSEWHERE' });
        expect(await screen.findByText('The plan is drawn.', {}, { timeout: 5000 })).toBeTruthy();
        await userEvent.click(screen.getByRole('button', { name: /Undo/ }));
        await waitFor(() => expect(asked.find(({ method }) => method === 'DELETE')?.query).toBe('?mark=ELSEWHERE'));
        await userEvent.keyboard('{Control>}{Shift>}z{/Shift}{/Control}');
        await new Promise((wake) => setTimeout(wake, 50));
        expect(sent(asked)).toHaveLength(1);
    });

    it('says what must be seen for it to be laid', async () => {
        const of = plan();
        const places = of.turns[0]?.places.map((place, i) =>
            i === 0 ? { ...place, onlyIf: 'half a step too light' } : place,
        );
        put({ ...of, turns: of.turns.map((turn, i) => (i === 0 && places ? { ...turn, places } : turn)) });
        expect((await screen.findByTestId('turn-places')).textContent).toContain('Look first.');
        expect(screen.getByTestId('turn-places').textContent).toContain('half a step too light');
    });

    it('ends with a look from across the room', async () => {
        put(plan(['done', 'done', 'done']));
        expect(await screen.findByText('The plan is drawn.')).toBeTruthy();
        expect(screen.getByRole('button', { name: /^Done/ }).hasAttribute('disabled')).toBe(true);
    });

    it('has nothing to draw without recipes', async () => {
        put(planOf([], { pullList: [], cautions: [], turns: [] }));
        expect(await screen.findByText('Nothing to draw yet')).toBeTruthy();
    });
});

describe('time', () => {
    it('a wash dries with a clock for each place, until it is dry already', async () => {
        put(plan(['done', 'done', 'open']), {
            'POST /api/pieces/p1/drawing': () => plan(['done', 'done', 'done']),
        });
        await screen.findByText('Wash');
        await userEvent.keyboard('d');
        expect((await screen.findByTestId('drying')).textContent).toMatch(/: dry in (10:0\d|9:5\d)/);
        await userEvent.click(screen.getByRole('button', { name: /is dry already/ }));
        expect(screen.queryByTestId('drying')).toBeNull();
    });

    it('a session is counted from its beginning until it is ended', async () => {
        put(plan());
        await userEvent.click(await screen.findByRole('button', { name: /Begin a session of/ }));
        expect(screen.getByTestId('session').textContent).toContain('Session: 0 min of');
        await userEvent.click(screen.getByRole('button', { name: 'End it' }));
        expect(screen.getByRole('button', { name: /Begin a session of/ })).toBeTruthy();
    });

    it('eyes and hand are asked to rest after a while, and a session that is over is said to be', () => {
        const began = (minutes: number) =>
            JSON.stringify({
                startedAt: Date.now() - minutes * 60_000,
                restedAt: Date.now() - minutes * 60_000,
            });
        localStorage.setItem('prism.session.p1', began(30));
        const { unmount } = show(<SessionClock piece="p1" minutes={90} cautions={[]} />);
        expect(screen.getByTestId('session').textContent).toContain('Session: 30 min of 1 h 30 min');
        expect(screen.getByText(/Look far away/)).toBeTruthy();
        unmount();
        localStorage.setItem('prism.session.p1', began(95));
        show(<SessionClock piece="p1" minutes={90} cautions={[]} />);
        expect(screen.getByText(/This session is over/)).toBeTruthy();
    });

    const endingAt = (at: number): Plan => {
        const of = plan(['done', 'done', 'open']);

        return { ...of, turns: of.turns.map((turn, i) => ({ ...turn, endsRound: i === at })) };
    };

    it('one does not step back where no round has ended', async () => {
        put(endingAt(1));
        await screen.findByTestId('turn-now');
        expect(screen.queryByTestId('step-back')).toBeNull();
    });

    it('at the end of a round one steps back, once', async () => {
        put(endingAt(0));
        const card = await screen.findByTestId('step-back');
        expect(card.textContent).toContain('A round is done.');
        await userEvent.click(within(card).getByRole('button', { name: 'Go on' }));
        expect(screen.queryByTestId('step-back')).toBeNull();
    });
});

describe('what went otherwise', () => {
    const box = {
        'GET /api/pencils': () => ({
            pencils: [
                { id: 'QW:401', range: 'QW', number: '401', name: 'Made up', hex: '#305090' },
                { id: 'QW:522', range: 'QW', number: '522', name: 'Another', hex: '#905030' },
            ],
        }),
    };
    const open = async () => userEvent.click(await screen.findByRole('button', { name: /It went otherwise/ }));

    it('another pencil, pressure and coats are told for the places one says', async () => {
        const { asked } = put(plan(), { ...box, 'POST /api/pieces/p1/drawing': () => plan(['done', 'open', 'open']) });
        await open();
        const done = screen.getByRole('button', { name: 'Done like this' });
        // As long as nothing is otherwise there is nothing to tell.
        expect(done.hasAttribute('disabled')).toBe(true);
        await userEvent.type(await screen.findByRole('combobox', { name: 'Pencil' }), '522');
        await userEvent.click(await screen.findByRole('option', { name: /522/ }));
        await userEvent.click(screen.getByRole('button', { name: /Increase Pressure/ }));
        await userEvent.click(screen.getByRole('button', { name: /Increase Coats/ }));
        await userEvent.click(screen.getByRole('button', { name: /Where/ }));
        await userEvent.click(await screen.findByRole('option', { name: /Zone 1/ }));
        await userEvent.click(done);
        await waitFor(() =>
            expect(sent(asked)[0]).toMatchObject({
                keys: ['key-1'],
                state: 'done',
                otherwise: { pencil: 'QW:522', pressurePercent: 45, coats: 2 },
            }),
        );
        expect(screen.queryByTestId('otherwise')).toBeNull();
    });

    it('what lies there already is dabbed off', async () => {
        const { asked } = put(plan(['done', 'open', 'open']), { ...box, 'POST /api/pieces/p1/drawing': () => plan() });
        await open();
        await userEvent.click(screen.getByRole('radio', { name: 'Took it off' }));
        await userEvent.click(screen.getByRole('button', { name: /Increase Dabs/ }));
        await userEvent.click(screen.getByRole('button', { name: 'Taken off' }));
        await waitFor(() => expect(sent(asked)[0]).toMatchObject({ keys: ['key-1'], otherwise: { dabs: 2 } }));
    });

    it('colour on a place that stays paper is told with its pencil', async () => {
        const of = plan();
        const bare = turnOf(planStep(3, { turn: 2, role: 'reserve', step: null }));
        const { asked } = put(
            { ...of, turns: [...of.turns.slice(0, 1), { ...bare, number: 2, role: 'reserve', step: null }] },
            { ...box, 'POST /api/pieces/p1/drawing': () => of },
        );
        await open();
        await userEvent.click(screen.getByRole('radio', { name: 'Colour on bare paper' }));
        await userEvent.click(screen.getByRole('button', { name: 'That happened' }));
        await waitFor(() =>
            expect(sent(asked)[0]).toMatchObject({
                keys: ['key-3'],
                otherwise: { pencil: 'QW:401', pressurePercent: 20 },
            }),
        );
    });

    it('what follows is taken anew or left, old beside new', async () => {
        const ending = (dE00: number, words: string, steps: Step[]) => ({ steps, colour: colour(), dE00, words });
        const replan = {
            target: 'z1-middle',
            zone: 'z1',
            name: 'Float: middle',
            wanted: colour(),
            present: [step('522')],
            old: ending(6.2, 'a step too dark', [step('401')]),
            new: ending(1.4, 'a good match', []),
            rest: '',
            sentence: '',
        };
        const { asked } = put(plan(), {
            ...box,
            'GET /api/pieces/p1/drawing/replans': () => [replan],
            'POST /api/pieces/p1/drawing/replans': () => plan(),
        });
        const card = await screen.findByTestId('replan');
        expect(card.textContent).toContain('a step too dark dE00 6.2');
        expect(card.textContent).toContain('a good match dE00 1.4Nothing more here.');
        await userEvent.click(within(card).getByRole('button', { name: 'Take the new plan' }));
        await userEvent.click(within(card).getByRole('button', { name: 'Leave it as it was' }));
        await waitFor(() => expect(sent(asked).map(({ take }) => take)).toEqual([true, false]));
    });

    it('a new plan that was taken back is taken again by redo', async () => {
        const replan = {
            target: 'z1-middle',
            zone: 'z1',
            name: 'Float: middle',
            wanted: colour(),
            present: [],
            old: { steps: [], colour: colour(), dE00: 6, words: 'too dark' },
            new: { steps: [], colour: colour(), dE00: 1, words: 'a good match' },
            rest: 'QW:522@40',
            sentence: '',
        };
        const { asked } = put(plan(), {
            ...box,
            'GET /api/pieces/p1/drawing/replans': () => [replan],
            'POST /api/pieces/p1/drawing/replans': () => plan(),
            'DELETE /api/pieces/p1/drawing/last': () => plan(),
        });
        await userEvent.click(await screen.findByRole('button', { name: 'Take the new plan' }));
        await waitFor(() => expect(screen.getByRole('button', { name: /Undo/ }).hasAttribute('disabled')).toBe(false));
        await userEvent.keyboard('u');
        await waitFor(() => expect(asked.some(({ method }) => method === 'DELETE')).toBe(true));
        await userEvent.keyboard('{Control>}{Shift>}z{/Shift}{/Control}');
        await waitFor(() => expect(sent(asked)).toHaveLength(2));
        expect(sent(asked)[1]).toMatchObject({ target: 'z1-middle', take: true, rest: 'QW:522@40' });
        expect(sent(asked)[1]?.mark).not.toBe(sent(asked)[0]?.mark);
    });
});

describe('the diary', () => {
    const entry = (more: Partial<DrawingEntry> = {}): DrawingEntry => ({
        mark: 'M1',
        kind: 'done',
        turn: 1,
        keys: ['key-1', 'key-2'],
        did: null,
        note: null,
        zone: null,
        photo: null,
        undone: false,
        madeAt: '2026-11-28T10:05:00Z',
        ...more,
    });

    it('tells presses and notes in words', () => {
        expect(saidOf(entry(), plan())).toBe('Turn 1: 401 40 % light laid in 2 places');
        expect(saidOf(entry({ kind: 'skipped', keys: ['key-3'], turn: 2 }), plan())).toBe(
            'Turn 2: a wash skipped in 1 place',
        );
        expect(saidOf(entry({ keys: ['gone'] }), plan())).toBe('1 step laid, of a plan that has changed since');
        expect(saidOf(entry({ kind: 'note', note: 'Less on the rope.' }), plan())).toBe('Less on the rope.');
    });

    it('tells what was laid instead of what, and what was planned anew', () => {
        const did = { laid: [step('522', 60, 3)], planned: [step('401', 40, 1)], places: ['Float', 'Rope'] };
        const said = (more: Partial<DrawingEntry>) => saidOf(entry({ did, ...more }), plan());
        expect(said({})).toBe('Turn 1: 522 60 % medium, 3 coats laid, instead of 401 40 % light in Float, Rope');
        expect(said({ did: { ...did, laid: did.planned, places: ['A', 'B', 'C', 'D'] } })).toBe(
            'Turn 1: 401 40 % light laid in 4 places',
        );
        expect(said({ did: { ...did, planned: [], places: ['Glint'] } })).toBe(
            'Turn 1: 522 60 % medium, 3 coats laid on bare paper in Glint',
        );
        const dab = { ...wash, kind: 'lift' as const, notation: 'lift' };
        expect(said({ did: { ...did, laid: [...did.planned, dab, dab] } })).toContain(
            '401 40 % light, then a dab, then a dab laid, instead of',
        );
        expect(said({ kind: 'skipped' })).toBe('Turn 1: 401 40 % light skipped in Float, Rope');
        expect(said({ kind: 'replanned', did: { ...did, laid: [] } })).toBe(
            'Planned anew: Float, Rope; from here nothing more',
        );
        expect(said({ kind: 'left' })).toBe('Left as it was planned: Float, Rope');
    });

    it('takes a note for the turn at hand', async () => {
        const written: DrawingEntry[] = [];
        const { asked } = put(plan(), {
            'GET /api/pieces/p1/drawing': () => written,
            'POST /api/pieces/p1/drawing/notes': ({ body }) => {
                written.push(entry({ kind: 'note', note: (body as { note: string }).note }));

                return written[0];
            },
        });
        await userEvent.click(await screen.findByRole('button', { name: /Diary/ }));
        await userEvent.type(screen.getByLabelText('A note on turn 1'), 'Less on the rope.');
        await userEvent.click(screen.getByRole('button', { name: 'Write it down' }));
        await waitFor(() => expect(sent(asked)[0]).toMatchObject({ note: 'Less on the rope.', turn: 1 }));
        expect(await within(screen.getByTestId('diary')).findByText('Less on the rope.')).toBeTruthy();
    });

    it('a note that was taken back is said to be, struck out, and written again by redo', async () => {
        let log: DrawingEntry[] = [];
        const { asked } = put(plan(), {
            'GET /api/pieces/p1/drawing': () => log,
            'POST /api/pieces/p1/drawing/notes': ({ body }) => {
                const { mark, note } = body as { mark: string; note: string };
                log = [entry({ mark, kind: 'note', note }), ...log];

                return log[0];
            },
            'DELETE /api/pieces/p1/drawing/last': () => {
                log = log.map((one) => ({ ...one, undone: true }));

                return { ...plan(), lastMarked: null };
            },
        });
        await userEvent.click(await screen.findByRole('button', { name: /Diary/ }));
        expect(screen.getByRole('button', { name: 'Redo' }).hasAttribute('disabled')).toBe(true);
        await userEvent.type(screen.getByLabelText('A note on turn 1'), 'Less on the rope.');
        await userEvent.click(screen.getByRole('button', { name: 'Write it down' }));
        await waitFor(() => expect(log).toHaveLength(1));
        await userEvent.click(screen.getByRole('button', { name: /Undo/ }));
        expect(await screen.findByText('The note is taken back.')).toBeTruthy();
        await waitFor(() =>
            expect(asked.find(({ method }) => method === 'DELETE')?.query).toBe(`?mark=${String(log[0]?.mark)}`),
        );
        expect(within(screen.getByTestId('diary')).getByText(', taken back')).toBeTruthy();
        await userEvent.click(screen.getByRole('button', { name: 'Redo' }));
        await waitFor(() => expect(log).toHaveLength(2));
        expect(log[0]).toMatchObject({ note: 'Less on the rope.', undone: false });
    });
});

describe('marks before the answer', () => {
    const press = (keys: string[], state: 'done' | 'skipped' | 'open' = 'done', mark = 'M1') => ({
        mark,
        keys,
        state,
        madeAt: '2026-11-28T10:05:00Z',
    });

    it('leave a turn open as long as one of its places is', () => {
        const [half] = marked(plan(), press(['key-1']));
        expect(half.turns[0]).toMatchObject({ state: 'open', places: [{ state: 'done' }, { state: 'open' }] });
        expect(half).toMatchObject({ currentKey: 'key-2', done: 1, lastMarked: 'M1' });
        const [whole] = marked(half, press(['key-2'], 'skipped', 'M2'));
        expect(whole.turns[0]?.state).toBe('done');
        expect(whole.currentKey).toBe('key-3');
    });

    it('are as the server tells them, whatever was pressed elsewhere', () => {
        const [pressed] = marked(plan(), press(['key-1']));
        const [entry] = pressed.pullList;
        const told = asDrawn(pressed, {
            version: pressed.version,
            states: { 'key-2': 'done', 'key-3': 'skipped' },
            begunRecipes: 1,
            pace: { pace: 200, steps: 7 },
            lastMarked: 'M9',
            pencils: [{ id: entry?.id ?? '', needsMm: 12, leftMm: 8, short: true }],
        });
        expect(told.steps.map(({ state }) => state)).toEqual(['open', 'done', 'skipped']);
        expect(told).toMatchObject({ currentKey: 'key-1', done: 2, begunRecipes: 1, lastMarked: 'M9' });
        expect(told.pullList[0]).toEqual({ ...entry, needsMm: 12, leftMm: 8, short: true });
    });

    it('come back as they were before', () => {
        const [one, log] = marked(plan(), press(['key-1'], 'skipped', 'M1'));
        const [two, more] = marked(one, press(['key-1', 'key-2'], 'done', 'M2'), log);
        const [back, rest] = unmarked(two, more, 'M2');
        expect(back.steps.map(({ state }) => state)).toEqual(['skipped', 'open', 'open']);
        expect(back.lastMarked).toBe('M1');
        expect(rest.find(({ mark }) => mark === 'M2')?.undone).toBe(true);
        expect(unmarked(back, rest, 'M1')[0].steps.every(({ state }) => state === 'open')).toBe(true);
    });
});
