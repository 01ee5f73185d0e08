import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { Route, Routes } from 'react-router';
import { describe, expect, it } from 'vitest';
import type { DrillRound, Skill, WeekPalette } from '../../resources/js/api/client';
import { PracticePage } from '../../resources/js/practice/PracticePage';
import { WeekPage } from '../../resources/js/practice/WeekPage';
import { setSingleKeys } from '../../resources/js/ui/keys';
import { Notices } from '../../resources/js/ui/Notices';
import { colour, recipe, show } from './fixtures';
import { Answer, serve } from './server';

type Question = DrillRound['questions'][number];

const skill = (kind: Skill['kind'], name: string, changes: Partial<Skill> = {}): Skill => ({
    kind,
    name,
    says: `What ${name} is.`,
    level: 1,
    isDue: true,
    dueAt: null,
    rounds: [],
    ...changes,
});

const asks = (asked: string, changes: Partial<Question> = {}): Question => ({
    asks: asked,
    patches: [{ label: 'The patch', hex: '#3f6fb0', ground: null, words: 'blue' }],
    options: ['a', 'b', 'c'].map((id) => ({ id, label: `Pencil ${id}`, hex: '#3f6fb0', words: 'blue, step 4' })),
    picks: 1,
    picture: null,
    answered: null,
    ...changes,
});

const answered = (question: Question, answer: string[], right: string[]): Question => ({
    ...question,
    answered: { answer, right, isRight: answer.join() === right.join(), because: 'It lies opposite.' },
});

const round = (questions: Question[], changes: Partial<DrillRound> = {}): DrillRound => ({
    id: 'r1',
    kind: 'complement',
    name: 'The complement',
    level: 2,
    isOrder: false,
    right: 0,
    isDone: false,
    questions,
    ...changes,
});

function put(address: string, answers: Parameters<typeof serve>[0]) {
    const asked = serve(answers);
    show(
        <>
            <Routes>
                <Route path="/practice" element={<PracticePage />} />
                <Route path="/practice/week" element={<WeekPage />} />
                <Route path="/practice/:round" element={<PracticePage />} />
            </Routes>
            <Notices />
        </>,
        address,
    );

    return asked;
}

describe('practice', () => {
    const skills = [
        skill('value', 'Value of a patch', {
            level: 3,
            dueAt: '2026-11-20T00:00:00Z',
            rounds: [
                { at: '2026-11-01T10:00:00Z', level: 2, right: 5, of: 5 },
                { at: '2026-11-16T10:00:00Z', level: 3, right: 3, of: 5 },
            ],
        }),
        skill('order', 'Which was laid first', { isDue: false, dueAt: '2026-12-02T00:00:00Z', level: 2 }),
        skill('muddy', 'Which two turn muddy'),
    ];

    it('says of each skill how far one is, and when it is due', async () => {
        put('/practice', { 'GET /api/practice': () => ({ streak: 4, skills }) });
        const [value, order, muddy] = await screen.findAllByTestId('skill');
        const of = (row?: HTMLElement) => within(row as HTMLElement);
        expect(of(value).getByRole('img', { name: 'level 3 of 5' })).toBeTruthy();
        expect(of(value).getByRole('img', { name: /2 rounds, levels 2, 3; the last 3 of 5 right/ })).toBeTruthy();
        expect(of(value).getByText('due')).toBeTruthy();
        expect(of(order).getByText('again on 2 December')).toBeTruthy();
        expect(of(muddy).getByText('not practised yet')).toBeTruthy();
        expect(screen.getByText('4 days on end')).toBeTruthy();
        expect(screen.getByRole('button', { name: 'Begin with what is due: Value of a patch' })).toBeTruthy();
    });

    it('begins with the drill that a drawing has led to', async () => {
        put('/practice?drill=muddy', { 'GET /api/practice': () => ({ streak: 0, skills }) });
        expect(await screen.findByRole('button', { name: 'Begin: Which two turn muddy' })).toBeTruthy();
    });

    it('says why a drill cannot begin', async () => {
        put('/practice', {
            'GET /api/practice': () => ({ streak: 0, skills }),
            'POST /api/practice/rounds': () => new Answer(422, { message: 'Your box has 3 pencils.' }),
        });
        await userEvent.click(await screen.findByRole('button', { name: 'Practise: Which two turn muddy' }));
        expect(await screen.findByText('Your box has 3 pencils.')).toBeTruthy();
    });
});

describe('a round', () => {
    const first = asks('Which lies opposite?');
    const second = asks('And of this?');

    it('is answered by a key, told why, and gone on with', async () => {
        const asked = put('/practice/r1', {
            'GET /api/practice/rounds/r1': () => round([first, second]),
            'POST /api/practice/rounds/r1/answers': () => round([answered(first, ['b'], ['c']), second]),
        });
        expect(await screen.findByRole('heading', { name: 'Which lies opposite?' })).toBeTruthy();
        await userEvent.keyboard('2');
        expect((await screen.findByTestId('told')).textContent).toContain('No: Pencil c.It lies opposite.');
        expect(asked.at(-1)?.body).toEqual({ question: 0, answer: ['b'] });
        // What is told is read before the next comes; Enter goes on.
        expect(document.activeElement?.textContent).toBe('Next');
        await userEvent.keyboard('{Enter}');
        expect(await screen.findByRole('heading', { name: 'And of this?' })).toBeTruthy();
    });

    it('takes an order one after the other, and the last one back', async () => {
        const three = { ...first, picks: 3 };
        const asked = put('/practice/r1', {
            'GET /api/practice/rounds/r1': () => round([three], { isOrder: true }),
            'POST /api/practice/rounds/r1/answers': () =>
                round([answered(three, ['c', 'b', 'a'], ['c', 'b', 'a'])], { isOrder: true }),
        });
        await screen.findByRole('heading', { name: 'Which lies opposite?' });
        await userEvent.keyboard('31');
        await userEvent.click(screen.getByRole('button', { name: 'Take the last one back' }));
        expect(asked.filter(({ method }) => method === 'POST')).toHaveLength(0);
        await userEvent.keyboard('21');
        await waitFor(() => expect(asked.at(-1)?.body).toEqual({ question: 0, answer: ['c', 'b', 'a'] }));
        expect((await screen.findByTestId('told')).textContent).toContain('Right.');
    });

    it('tells colours in words to who wants that, and always to a screen reader', async () => {
        put('/practice/r1', { 'GET /api/practice/rounds/r1': () => round([first]) });
        expect(await screen.findByRole('img', { name: 'The patch: blue' })).toBeTruthy();
        expect(screen.getAllByText(': blue, step 4')[0]?.className).toContain('visually-hidden');
        await userEvent.click(screen.getByText('Tell colours in words, too'));
        expect(screen.getAllByText(': blue, step 4')[0]?.className).not.toContain('visually-hidden');
        await userEvent.click(screen.getByText('Tell colours in words, too'));
    });

    it('leaves keys alone where they are switched off', async () => {
        setSingleKeys(false);
        const asked = put('/practice/r1', { 'GET /api/practice/rounds/r1': () => round([first]) });
        await screen.findByRole('heading', { name: 'Which lies opposite?' });
        await userEvent.keyboard('1');
        expect(asked.some(({ method }) => method === 'POST')).toBe(false);
        setSingleKeys(true);
    });

    it('ends with what came of it, and another at a press', async () => {
        put('/practice/r1', {
            'GET /api/practice/rounds/r1': () =>
                round([answered(first, ['b'], ['b']), answered(second, ['a'], ['a'])], { isDone: true, right: 2 }),
        });
        expect(await screen.findByRole('heading', { name: '2 of 2 right' })).toBeTruthy();
        expect(screen.getByText(/gets harder/)).toBeTruthy();
        expect(document.activeElement?.textContent).toBe('Another round');
    });

    it('is fetched anew where another window has answered', async () => {
        let times = 0;
        put('/practice/r1', {
            'GET /api/practice/rounds/r1': () =>
                round(times++ === 0 ? [first, second] : [answered(first, ['a'], ['a']), second]),
            'POST /api/practice/rounds/r1/answers': () =>
                new Answer(409, { message: 'This question was changed elsewhere.' }),
        });
        await screen.findByRole('heading', { name: 'Which lies opposite?' });
        await userEvent.keyboard('1');
        expect(await screen.findByText('This question was changed elsewhere.')).toBeTruthy();
        expect((await screen.findByTestId('told')).textContent).toContain('Right.');
    });
});

describe('a question of a photo', () => {
    const photo = asks('Half close your eyes.', {
        patches: [],
        options: ['a', 'b', 'c'].map((id) => ({ id, label: id.toUpperCase(), hex: null, words: 'blue' })),
        picks: 3,
        picture: {
            url: '/photo.jpg',
            spots: [
                [0.25, 0.5],
                [0.5, 0.5],
                [0.75, 0.5],
            ],
        },
    });

    it('shows its places by letters, where they lie', async () => {
        put('/practice/r1', { 'GET /api/practice/rounds/r1': () => round([photo], { isOrder: true, kind: 'squint' }) });
        await screen.findByRole('heading', { name: 'Half close your eyes.' });
        const image = screen.getByRole('img', { name: 'What it is asked of, with its places' });
        expect(image.getAttribute('src')).toBe('/photo.jpg');
        const places = [...(image.parentElement?.querySelectorAll('b') ?? [])];
        expect(places.map(({ textContent, style }) => [textContent, style.left, style.top])).toEqual([
            ['A', '25%', '50%'],
            ['B', '50%', '50%'],
            ['C', '75%', '50%'],
        ]);
        // In words, too, for who does not see it.
        expect(screen.getByRole('button', { name: /A.*blue/ })).toBeTruthy();
    });

    it('of one place has a ring and no letter, and takes as many answers as it asks for', async () => {
        const zone = { ...photo, picks: 2, picture: { url: '/photo.jpg', spots: [[0.4, 0.6]] } };
        const asked = put('/practice/r1', {
            'GET /api/practice/rounds/r1': () => round([zone], { isOrder: true, kind: 'zone' }),
            'POST /api/practice/rounds/r1/answers': () =>
                round([answered(zone, ['c', 'a'], ['c', 'b'])], { isOrder: true }),
        });
        await screen.findByRole('heading', { name: 'Half close your eyes.' });
        expect(screen.getByRole('img').parentElement?.querySelector('b')?.textContent).toBe('');
        await userEvent.keyboard('31');
        expect((await screen.findByTestId('told')).textContent).toContain('No: C, B.');
        expect(asked.at(-1)?.body).toEqual({ question: 0, answer: ['c', 'a'] });
    });
});

describe('the palette of the week', () => {
    const week: WeekPalette = {
        says: 'No green this week: mix it.',
        zone: 'Float',
        picture: { url: '/photo.jpg', spots: [[0.4, 0.6]] },
        pencils: [
            { id: 'QW:1', range: 'QW', number: '1', name: 'Pale', hex: '#eeeeee' },
            { id: 'QW:2', range: 'QW', number: '2', name: 'Yellow', hex: '#eecc00' },
        ],
        isDone: false,
        right: 0,
        parts: (['light', 'middle', 'dark'] as const).map((role) => ({
            role,
            colour: colour(),
            mine: null,
            engine: null,
        })),
    };

    it('is planned with its pencils alone, before anything is told', async () => {
        const done: WeekPalette = {
            ...week,
            isDone: true,
            right: 2,
            parts: week.parts.map((part) => ({ ...part, mine: recipe(), engine: recipe() })),
        };
        const asked = put('/practice/week', {
            'GET /api/practice/week': () => week,
            'POST /api/practice/week': () => done,
        });
        await screen.findByRole('heading', { name: 'No green this week: mix it.' });
        const compare = screen.getByRole('button', { name: 'Compare with the engine' });
        expect(compare.hasAttribute('disabled')).toBe(true);
        expect(screen.queryByText(/The engine/)).toBeNull();
        for (const role of ['light', 'middle', 'dark'])
            await userEvent.click(screen.getByRole('button', { name: `Add layer to the ${role}` }));
        await userEvent.click(compare);
        expect(await screen.findByRole('heading', { name: '2 of 3 as near as the engine' })).toBeTruthy();
        expect(asked.at(-1)?.body).toEqual({ light: 'QW:1@35', middle: 'QW:1@35', dark: 'QW:1@35' });
        expect(screen.getAllByText('The engine')).toHaveLength(3);
    });

    it('says what is missing for one', async () => {
        put('/practice/week', {
            'GET /api/practice/week': () => new Answer(422, { message: 'Read one in Look first.' }),
        });
        expect(await screen.findByText(/Read one in Look first/)).toBeTruthy();
    });
});
