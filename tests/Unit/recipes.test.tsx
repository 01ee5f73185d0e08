import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import type { KeptRecipe } from '../../resources/js/api/client';
import { ladders } from '../../resources/js/recipes/FamilyLadders';
import { KeepSheet } from '../../resources/js/recipes/KeepSheet';
import { RecipesPage } from '../../resources/js/recipes/RecipesPage';
import { Notices } from '../../resources/js/ui/Notices';
import { cartridge, colour, piece, recipe, restsOn, show, target, zone } from './fixtures';
import { Answer, serve } from './server';

function keptRecipe(id: string, name: string, changes: Partial<KeptRecipe> = {}): KeptRecipe {
    return {
        id,
        version: 3,
        name,
        purpose: 'rope',
        tags: ['rope', 'warm'],
        note: '',
        stack: 'QW:404@40',
        paper: { id: cartridge.id, name: cartridge.name },
        colour: colour(),
        family: 'green',
        recipe: recipe({ difference: { dE00: 0.1, dL: 0, dC: 0, dH: 0, valueSteps: 0, words: 'on target' } }),
        missing: [],
        from: null,
        cameOut: null,
        ladder: null,
        rung: null,
        keptAt: '2026-06-02T10:00:00Z',
        ...changes,
    };
}

const book = (...recipes: KeptRecipe[]) => ({
    recipes,
    count: recipes.length,
    tags: [{ tag: 'warm', count: 2 }],
    calibration: restsOn,
});

function put(recipes: KeptRecipe[], more: Parameters<typeof serve>[0] = {}) {
    const asked = serve({
        'GET /api/recipes': () => book(...recipes),
        'GET /api/papers': () => [cartridge],
        'GET /api/pieces': () => [],
        ...more,
    });
    show(
        <>
            <RecipesPage />
            <Notices />
        </>,
        '/recipes',
    );

    return asked;
}

describe('the book of recipes', () => {
    it('says what each is for, how it came out, and what has changed since', async () => {
        put([
            keptRecipe('a', 'Rope in shade', {
                from: { piece: 'p1', title: 'Floats', zone: 'coil' },
                cameOut: { words: 'a step too light', dE00: 6.2, at: '2026-09-01T10:00:00Z' },
                missing: ['QW:404'],
            }),
            keptRecipe('b', 'Sea', {
                recipe: recipe({ difference: { dE00: 2.4, dL: 2, dC: 0, dH: 0, valueSteps: 0.2, words: 'lighter' } }),
            }),
            keptRecipe('c', 'Lost', { recipe: null }),
        ]);
        const [rope, sea, lost] = await screen.findAllByTestId('kept-recipe');
        expect(rope?.textContent).toContain('rope · warm · Harbour Cartridge · value step');
        expect(rope?.textContent).toContain('Drawn, seen on 1 September 2026: a step too light, dE00 6.2.');
        expect(rope?.textContent).toContain('Not in your box: QW:404.');
        expect(within(rope as HTMLElement).getByRole('link', { name: 'Floats' })).toBeTruthy();
        expect(rope?.textContent).not.toContain('taught better');
        expect(sea?.textContent).toContain('lighter now, dE00 2.4');
        expect(lost?.textContent).toContain('in no range any more');
    });

    it('is searched by words, nearness, tag and value, at once', async () => {
        const asked = put([keptRecipe('a', 'Rope')]);
        await screen.findByText('1 recipe');
        await userEvent.type(screen.getByLabelText('Name, purpose, note, pencil'), 'rope');
        await userEvent.type(screen.getByLabelText(/Nearest to/), '#7a5230');
        await userEvent.click(screen.getByRole('button', { name: /Tag/ }));
        await userEvent.click(screen.getByRole('option', { name: 'warm (2)' }));
        await waitFor(() =>
            expect(asked.some(({ query }) => query.includes('words=rope') && query.includes('near=#7a5230'))).toBe(
                true,
            ),
        );
        expect(asked.at(-1)?.query).toContain('tag=warm');
    });

    it('is changed, removed and taken back', async () => {
        const asked = put([keptRecipe('a', 'Rope')], {
            'PUT /api/recipes/a': () => keptRecipe('a', 'Rope, shade'),
            'DELETE /api/recipes/a': () => ({}),
            'POST /api/recipes/a/restore': () => ({}),
        });
        await userEvent.click(await screen.findByRole('button', { name: 'More of Rope' }));
        await userEvent.click(screen.getByRole('menuitem', { name: 'Change' }));
        const name = screen.getByLabelText('Name');
        await userEvent.clear(name);
        await userEvent.type(name, 'Rope, shade');
        await userEvent.click(screen.getByRole('button', { name: 'Save' }));
        await waitFor(() =>
            expect(asked.find(({ method }) => method === 'PUT')?.body).toMatchObject({
                name: 'Rope, shade',
                version: 3,
                tags: ['rope', 'warm'],
            }),
        );
        await userEvent.click(await screen.findByRole('button', { name: 'More of Rope' }));
        await userEvent.click(screen.getByRole('menuitem', { name: 'Remove' }));
        await userEvent.click(await screen.findByRole('button', { name: 'Take back' }));
        await waitFor(() => expect(asked.some(({ path }) => path === '/api/recipes/a/restore')).toBe(true));
    });

    it('lays a recipe into a zone, the nearest first', async () => {
        const far = zone('far', 'wall', {
            targets: [target('t-far', 'wall', { colour: colour({ L: 90, a: 0, b: 0 }) })],
        });
        const near = zone('near', 'coil', { targets: [target('t-near', 'coil')] });
        const of = piece([far, near]);
        const asked = put([keptRecipe('a', 'Rope', { recipe: recipe({ predicted: colour() }) })], {
            'GET /api/pieces': () => [
                {
                    id: 'p1',
                    title: 'Floats',
                    zoneCount: 2,
                    recipeCount: 0,
                    progress: null,
                    paperName: '',
                    photo: of.photo,
                },
            ],
            'GET /api/pieces/p1': () => of,
            'PATCH /api/targets/t-near': () => near.targets[0],
        });
        await userEvent.click(await screen.findByRole('button', { name: 'Use Rope in a piece' }));
        await userEvent.click(await screen.findByRole('button', { name: 'Lay it there' }));
        await waitFor(() => expect(asked.find(({ method }) => method === 'PATCH')?.path).toBe('/api/targets/t-near'));
    });

    it('finds a ladder, and keeps it together', async () => {
        const rungs = ['QW:1@20', 'QW:2@40', 'QW:3@80'].map((stack) => ({
            wanted: colour(),
            recipe: recipe({ stack }),
        }));
        const asked = put([], { 'POST /api/ladders': () => rungs, 'POST /api/recipes/ladder': () => [] });
        await userEvent.click((await screen.findAllByRole('button', { name: 'Find a ladder' }))[0] as HTMLElement);
        await userEvent.type(screen.getByLabelText(/Colour: a pencil/), '#7a5230');
        await userEvent.click(screen.getByText('All of the same pencils, in other shares'));
        await userEvent.click(screen.getByRole('button', { name: 'Find it' }));
        await screen.findByRole('list', { name: 'The ladder, palest first' });
        expect(asked.find(({ path }) => path === '/api/ladders')?.body).toEqual({
            colour: '#7a5230',
            paper: 'harbour-cartridge',
            rungs: 5,
            same: true,
        });
        await userEvent.type(screen.getByLabelText('Name'), 'Old wood');
        await userEvent.click(screen.getByRole('button', { name: 'Keep the ladder' }));
        await waitFor(() =>
            expect(asked.find(({ path }) => path === '/api/recipes/ladder')?.body).toMatchObject({
                name: 'Old wood',
                stacks: ['QW:1@20', 'QW:2@40', 'QW:3@80'],
            }),
        );
    });

    it('takes in what is new of a table, and shows every bad row', async () => {
        let bad = true;
        const asked = put([], {
            'POST /api/recipes/preview': () =>
                bad
                    ? new Answer(422, {
                          message: 'Not taken in.',
                          rows: [{ row: 3, column: 'paper', value: 'moon', right: 'There is no such paper.' }],
                      })
                    : [
                          { row: 2, name: 'Rope', stack: 'QW:1@20', paper: 'harbour-cartridge', known: null },
                          { row: 3, name: 'Sea', stack: 'QW:2@20', paper: 'harbour-cartridge', known: 'Water' },
                      ],
            'POST /api/recipes/import': () => ({ written: 1 }),
        });
        await userEvent.click(await screen.findByRole('button', { name: 'Take in a file' }));
        const choose = async () => {
            const input = document.querySelector<HTMLInputElement>('input[type=file]');
            if (!input) throw new Error('There is no file input.');
            await userEvent.upload(input, new File(['name,paper,steps'], 'r.csv', { type: 'text/csv' }));
        };
        await choose();
        expect(await screen.findByText('There is no such paper.')).toBeTruthy();
        bad = false;
        await choose();
        expect(await screen.findByText('known as Water')).toBeTruthy();
        await userEvent.click(screen.getByRole('button', { name: 'Take in 1 recipe' }));
        await waitFor(() => expect(asked.some(({ path }) => path === '/api/recipes/import')).toBe(true));
    });

    it('lies in ladders, then by family from pale to dark, greys last', () => {
        const of = (
            id: string,
            L: number,
            family: string,
            wheelPosition: number,
            chroma = 30,
            more: Partial<KeptRecipe> = {},
        ) => keptRecipe(id, id, { colour: colour({ L }, { wheelPosition, chroma }), family, recipe: null, ...more });
        const rows = ladders([
            of('grey', 50, 'grey', 3, 2),
            of('deep blue', 20, 'blue', 11),
            of('red', 40, 'red', 1),
            of('pale blue', 80, 'blue', 11),
            of('wood 2', 40, 'brown', 3, 30, { ladder: 'x', rung: 2 }),
            of('wood 1', 70, 'brown', 3, 30, { ladder: 'x', rung: 1 }),
        ]);
        expect(rows.map(({ name, recipes }) => [name, recipes.map(({ id }) => id)])).toEqual([
            ['wood 1 to wood 2', ['wood 1', 'wood 2']],
            ['red', ['red']],
            ['blue', ['pale blue', 'deep blue']],
            ['grey', ['grey']],
        ]);
    });
});

describe('keeping a recipe', () => {
    it('asks for a name, and says where the book has it already', async () => {
        const asked = serve({
            'POST /api/recipes': () =>
                new Answer(422, {
                    message: 'Refused.',
                    errors: { stack: ['Your book has this recipe already: Rope.'] },
                }),
        });
        show(
            <KeepSheet
                stack="QW:404@40"
                paper="harbour-cartridge"
                target={{ id: 't', name: 'coil' }}
                onClose={() => undefined}
            />,
        );
        expect((screen.getByLabelText('Name') as HTMLInputElement).value).toBe('coil');
        await userEvent.type(screen.getByLabelText('Tags, with commas between'), 'warm, , shade');
        await userEvent.click(screen.getByRole('button', { name: 'Keep' }));
        expect(await screen.findByText(/already: Rope/)).toBeTruthy();
        expect(asked.at(-1)?.body).toEqual({
            name: 'coil',
            purpose: '',
            tags: ['warm', 'shade'],
            note: '',
            stack: 'QW:404@40',
            paper: 'harbour-cartridge',
            target: 't',
        });
    });
});
