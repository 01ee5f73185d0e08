import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { Route, Routes } from 'react-router';
import { describe, expect, it, vi } from 'vitest';
import type { AuditResult, PencilPage as PageData, Substitutes, Work } from '../../resources/js/api/client';
import { AuditPage } from '../../resources/js/pencils/AuditPage';
import { FilesPage } from '../../resources/js/pencils/FilesPage';
import { NumbersPage } from '../../resources/js/pencils/NumbersPage';
import { InsteadPage } from '../../resources/js/pencils/InsteadPage';
import { PencilPage } from '../../resources/js/pencils/PencilPage';
import { PencilSheet } from '../../resources/js/pencils/PencilSheet';
import { PencilsPage } from '../../resources/js/pencils/PencilsPage';
import { FilterField } from '../../resources/js/ui/FilterField';
import { GrainSwatch } from '../../resources/js/ui/GrainSwatch';
import { Notices } from '../../resources/js/ui/Notices';
import { PencilTag } from '../../resources/js/ui/PencilTag';
import { CurvePlot } from '../../resources/js/ui/plots/CurvePlot';
import { ErrorPlot } from '../../resources/js/ui/plots/ErrorPlot';
import { LadderPlot } from '../../resources/js/ui/plots/LadderPlot';
import { WheelPlot } from '../../resources/js/ui/plots/WheelPlot';
import { RestsOnLine } from '../../resources/js/ui/RestsOnLine';
import { BadRows } from '../../resources/js/ui/States';
import { WorkProgress } from '../../resources/js/ui/WorkProgress';
import { cartridge, colour, papers, pencil, recipe, restsOn, section, show, swatch, workOf } from './fixtures';
import { Answer, serve } from './server';

const work = (changes: Partial<Work> = {}) => workOf('audit', changes);

const gap = (cells: number) => ({
    family: 'green',
    character: 'clean',
    valueStep: 5,
    cells,
    hex: '#20a050',
    buy: 'QW:516',
    brings: cells,
    mix: { stack: 'QW:404@50x2 > QW:722@60', hex: '#409060', dE00: 5.2, words: 'too dull' },
});

const audit: AuditResult = {
    paper: 'Harbour Cartridge',
    calibration: null,
    box: 15,
    compared: 79,
    cover: [
        { family: 'red', counts: { light: 1, middle: 0, dark: 2 }, missing: [] },
        { family: 'brown', counts: { 'red-leaning': 0, dark: 1 }, missing: [{ kind: 'red-leaning', gap: gap(1) }] },
    ],
    reached: 300,
    reachable: 500,
    cells: [
        [3, 40, 5, 1],
        [9, 60, 4, 0],
        [9, 60, 6, 0],
    ],
    ladder: [
        { step: 5, reached: 12, missing: 3 },
        { step: 4, reached: 9, missing: 0 },
    ],
    holes: [gap(17)],
    nextInGeneral: [
        {
            pencil: 'QW:516',
            gained: 31,
            fills: [{ family: 'green', character: 'clean', valueStep: 5, cells: 9, hex: '#20a050' }],
        },
    ],
    nextForPieces: [],
    targets: 1,
    curve: [
        { size: 6, dE00: 3.2, pencils: ['QW:101', 'QW:113'] },
        { size: 12, dE00: 2.1, pencils: ['QW:101', 'QW:113', 'QW:404'] },
        { size: 15, dE00: 1.9, pencils: ['QW:101', 'QW:113', 'QW:404', 'QW:722'] },
    ],
    ownCurve: [],
};

const listOf = (...pencils: ReturnType<typeof pencil>[]) => ({
    pencils,
    total: 120,
    owned: pencils.filter(({ owned }) => owned).length,
    ranges: [{ code: 'QW', maker: 'Saltmarket Works', name: 'Quayside Wax', own: false, count: 60, owned: 1 }],
    families: ['blue', 'green'],
});

const page = (changes: Partial<PageData> = {}): PageData => ({
    pencil: pencil('404', true, { aliases: ['Flag Blue'] }),
    rangeName: 'Quayside Wax',
    maker: 'Saltmarket Works',
    own: false,
    opacity: 'semi',
    core: 'hard',
    stains: true,
    lightfastness: 'I',
    colour: colour(),
    measured: 'spectrum',
    paper: cartridge,
    strengths: (['light', 'medium', 'heavy'] as const).map((strength, i) => ({
        strength,
        stack: ['QW:404@30', 'QW:404@60', 'QW:404@90x2'][i] ?? '',
        colour: colour(),
        sigma: 1 + i,
        toothLeft: 0.9 - 0.3 * i,
        section,
    })),
    partners: [{ pencil: pencil('119'), gained: 19, stack: 'QW:404@25 > QW:119@92', colour: colour(), sigma: 2 }],
    usedIn: [{ piece: 'p1', title: 'Floats', zone: 'z1', target: 't1', name: 'Float, light', stack: 'QW:404@40' }],
    swatches: [swatch(1, 'QW:404@60')],
    swatchCount: 1,
    error: { before: 2.4, after: 0.81, swatches: 4 },
    calibration: restsOn,
    spare: 1,
    usedMm: 0,
    leftMm: null,
    lengthMm: 60,
    ...changes,
});

const pencilPage = (
    <>
        <Routes>
            <Route path="/pencils/:pencil" element={<PencilPage />} />
            <Route path="/pencils" element={<p>The roll</p>} />
        </Routes>
        <Notices />
    </>
);

describe('the roll', () => {
    it('says what to do with an empty box, and when nothing answers', async () => {
        serve({ 'GET /api/pencils': () => listOf() });
        show(<PencilsPage />, '/pencils');
        expect(await screen.findByRole('heading', { name: /Your box is empty: tick/ })).toBeTruthy();
        expect(screen.getByText(/No pencil answers to that/)).toBeTruthy();
    });

    it('asks for what the address says, and keeps in it what is typed', async () => {
        const asked = serve({ 'GET /api/pencils': () => listOf(pencil('404')) });
        show(<PencilsPage />, '/pencils?range=QW&box=1&value=4');
        await screen.findByRole('heading', { name: /1 pencil in your box/ });
        expect(asked[0]?.query).toContain('scope=box');
        expect(asked[0]?.query).toContain('range=QW');
        expect(asked[0]?.query).toContain('value=4');
        expect(asked[0]?.query).toContain('order=roll');
        await userEvent.type(screen.getByLabelText(/Number, name/), 'flag');
        await waitFor(() => expect(asked.at(-1)?.query).toContain('q=flag'));
        expect(window.location.search).toContain('q=flag');
        await userEvent.clear(screen.getByLabelText(/Number, name/));
        expect(window.location.search).not.toContain('q=');
    });

    it('puts all that is shown in the box, and takes it back', async () => {
        const asked = serve({
            'GET /api/pencils': () => listOf(pencil('404'), pencil('119', false), pencil('201', false)),
            'PUT /api/box': () => ({}),
        });
        show(
            <>
                <PencilsPage />
                <Notices />
            </>,
            '/pencils',
        );
        await userEvent.click(await screen.findByRole('button', { name: 'Put all shown in the box' }));
        expect(asked.find(({ method }) => method === 'PUT')?.body).toEqual({ add: ['QW:119', 'QW:201'] });
        await userEvent.click(await screen.findByRole('button', { name: 'Take back' }));
        expect(asked.filter(({ method }) => method === 'PUT').at(-1)?.body).toEqual({
            add: [],
            remove: ['QW:119', 'QW:201'],
        });
    });
});

describe('a pencil', () => {
    it('shows its strengths with doubt, what it is, what goes with it, where it is used, how well it is known', async () => {
        serve({ 'GET /api/pencils/QW:404': () => page(), 'GET /api/papers': () => papers });
        show(pencilPage, '/pencils/QW:404');
        expect(await screen.findByRole('heading', { level: 1, name: /404.*Pencil 404/ })).toBeTruthy();
        expect(screen.getByText('30 % light')).toBeTruthy();
        expect(screen.getByText('90 % burnish, 2 coats')).toBeTruthy();
        expect(screen.getByText(/L 46 ± 3.0 dE00/)).toBeTruthy();
        expect(screen.getByText('Flag Blue')).toBeTruthy();
        expect(screen.getByRole('row', { name: /404 25 % whisper, then 119 92 % burnish/ })).toBeTruthy();
        expect(screen.getByRole('link', { name: 'Floats: Float, light' }).getAttribute('href')).toBe(
            '/pieces/p1/match?zone=z1&target=t1',
        );
        expect(screen.getByText('0.81')).toBeTruthy();
        expect(screen.getByTestId('rests-on').textContent).toContain('calibration 3');
        // It ships with the studio: nothing to change.
        expect(screen.queryByRole('button', { name: 'Change' })).toBeNull();
    });

    it('names its successor and what to take instead', async () => {
        serve({
            'GET /api/pencils/QW:122': () =>
                page({
                    pencil: pencil('122', false, { status: 'discontinued', replacedBy: 'QW:119' }),
                    error: null,
                    partners: [],
                    usedIn: [],
                }),
            'GET /api/papers': () => papers,
        });
        show(pencilPage, '/pencils/QW:122');
        expect((await screen.findByRole('link', { name: 'QW:119' })).getAttribute('href')).toBe('/pencils/QW:119');
        expect(screen.getByRole('link', { name: 'What to take instead' }).getAttribute('href')).toBe(
            '/pencils/instead?text=QW:122',
        );
        expect(screen.getByText(/It has not been calibrated/)).toBeTruthy();
        expect(screen.getByText('No recipe of yours has it.')).toBeTruthy();
    });

    it('says so when no colour is known', async () => {
        serve({
            'GET /api/pencils/QW:9': () =>
                page({
                    pencil: pencil('9', true, { hex: null, family: null }),
                    colour: null,
                    measured: 'none',
                    strengths: [],
                    calibration: null,
                }),
            'GET /api/papers': () => papers,
        });
        show(pencilPage, '/pencils/QW:9');
        expect(await screen.findByText(/No colour is known of it yet/)).toBeTruthy();
        expect(screen.getByText('not known')).toBeTruthy();
        expect(screen.getByTestId('rests-on').textContent).toContain('own colours');
    });

    it('notes stub and spare ones, and says what it cannot take', async () => {
        const asked = serve({
            'GET /api/pencils/QW:404': () => page(),
            'GET /api/papers': () => papers,
            'PATCH /api/box/QW:404': ({ body }) =>
                (body as { lengthMm?: number }).lengthMm === 900
                    ? new Answer(422, { message: 'A stub is 5 to 180 mm long.' })
                    : {},
        });
        show(pencilPage, '/pencils/QW:404');
        const stub = await screen.findByLabelText('Stub');
        await userEvent.clear(stub);
        await userEvent.type(stub, '900 mm');
        await userEvent.tab();
        expect(asked.find(({ method }) => method === 'PATCH')?.body).toEqual({ lengthMm: 900 });
        expect(await screen.findByText(/A stub is 5 to 180 mm long/)).toBeTruthy();
        await userEvent.click(screen.getByText('Favourite'));
        await waitFor(() =>
            expect(asked.filter(({ method }) => method === 'PATCH').at(-1)?.body).toEqual({ favourite: true }),
        );
    });

    it('is taken away from an own range, and written down again when that is taken back', async () => {
        const asked = serve({
            'GET /api/pencils/QW:404': () => page({ own: true }),
            'GET /api/papers': () => papers,
            'DELETE /api/pencils/QW:404': () => ({}),
            'POST /api/pencils': () => pencil('404'),
        });
        show(pencilPage, '/pencils/QW:404');
        await userEvent.click(await screen.findByRole('button', { name: 'Take away' }));
        expect(await screen.findByText('The roll')).toBeTruthy();
        await userEvent.click(await screen.findByRole('button', { name: 'Take back' }));
        expect(asked.find(({ method }) => method === 'POST')?.body).toMatchObject({
            range: 'QW',
            number: '404',
            aliases: ['Flag Blue'],
            colour: '46.4 -16.9 7.1',
        });
    });

    it('stays when it is in use, and says why', async () => {
        serve({
            'GET /api/pencils/QW:404': () => page({ own: true }),
            'GET /api/papers': () => papers,
            'DELETE /api/pencils/QW:404': () => new Answer(422, { message: 'Pencil QW:404 is in 3 of your recipes.' }),
        });
        show(pencilPage, '/pencils/QW:404');
        await userEvent.click(await screen.findByRole('button', { name: 'Take away' }));
        expect(await screen.findByText('Pencil QW:404 is in 3 of your recipes.')).toBeTruthy();
    });
});

describe('writing a pencil down', () => {
    it('sends what was typed, former names apart, puts it into the box, and waits for the next of its range', async () => {
        const asked = serve({ 'POST /api/pencils': () => pencil('12'), 'PUT /api/box': () => ({}) });
        show(<PencilSheet onClose={() => undefined} onWritten={() => undefined} />);
        await userEvent.type(screen.getByLabelText('Range code'), 'HS');
        await userEvent.type(screen.getByLabelText('Number on the barrel'), '12');
        await userEvent.type(screen.getByLabelText('Name'), 'Rope');
        await userEvent.type(screen.getByLabelText(/Former names/), 'Old Rope | Cord |');
        await userEvent.type(screen.getByLabelText(/Colour of a heavy coat/), '60 5 22');
        await userEvent.click(screen.getByRole('button', { name: 'Save, and the next one' }));
        expect(await screen.findByText(/12 is in your box/)).toBeTruthy();
        expect(screen.getByLabelText('Range code').getAttribute('value')).toBe('HS');
        expect(screen.getByLabelText('Number on the barrel').getAttribute('value')).toBe('');
        expect(document.activeElement).toBe(screen.getByLabelText('Number on the barrel'));
        await waitFor(() => expect(asked.find(({ method }) => method === 'PUT')?.body).toEqual({ add: ['QW:12'] }));
        expect(asked[0]?.body).toMatchObject({
            range: 'HS',
            number: '12',
            name: 'Rope',
            aliases: ['Old Rope', 'Cord'],
            colour: '60 5 22',
            binder: 'wax',
            status: 'current',
        });
    });

    it('shows each refusal at its field', async () => {
        serve({
            'POST /api/pencils': () =>
                new Answer(422, {
                    message: 'x',
                    errors: { colour: ['"mauve" is not a colour.'], number: ['Give the number.'] },
                }),
        });
        show(<PencilSheet onClose={() => undefined} onWritten={() => undefined} />);
        await userEvent.click(screen.getByRole('button', { name: /^Save/ }));
        expect(await screen.findByText('"mauve" is not a colour.')).toBeTruthy();
        expect(screen.getByText('Give the number.')).toBeTruthy();
    });

    it('sends the colour only when it was changed, so that a spectrum stays', async () => {
        const asked = serve({ 'PUT /api/pencils/QW:404': () => pencil('404') });
        show(<PencilSheet page={page({ own: true })} onClose={() => undefined} onWritten={() => undefined} />);
        await userEvent.type(screen.getByLabelText('Name'), '!');
        await userEvent.click(screen.getByRole('button', { name: 'Save' }));
        await waitFor(() => expect(asked).toHaveLength(1));
        expect(asked[0]?.body).toMatchObject({ name: 'Pencil 404!', rangeName: 'Quayside Wax' });
        expect(asked[0]?.body).not.toHaveProperty('colour');
    });
});

describe('the audit', () => {
    const around = {
        'GET /api/papers': () => papers,
        'GET /api/pencils': () => listOf(pencil('404'), pencil('516', false)),
    };

    it('says first what it will do, then how far it is, and can be cancelled', async () => {
        let state: Work | null = null;
        const asked = serve({
            ...around,
            'GET /api/works': () => ({ work: state }),
            'POST /api/works': () => (state = work({ state: 'running', doing: 'Mixing every pair', progress: 0.25 })),
            'DELETE /api/works/w1': () => (state = work({ state: 'cancelled' })),
        });
        show(<AuditPage />, '/pencils/audit');
        expect(await screen.findByText(/Every pair of your pencils is mixed/)).toBeTruthy();
        await userEvent.click(await screen.findByRole('button', { name: 'Check the box' }));
        expect(await screen.findByText('Mixing every pair')).toBeTruthy();
        expect(screen.getByRole('progressbar').getAttribute('aria-valuenow')).toBe('25');
        expect(asked.find(({ method }) => method === 'POST')?.body).toEqual({
            kind: 'audit',
            paper: 'harbour-cartridge',
        });
        await userEvent.click(screen.getByRole('button', { name: 'Cancel' }));
        expect(await screen.findByText('Cancelled.')).toBeTruthy();
    });

    it('draws holes, names what is missing, what to buy, and how few would do', async () => {
        serve({ ...around, 'GET /api/works': () => ({ work: work({ result: audit }) }) });
        show(<AuditPage />, '/pencils/audit');
        expect((await screen.findByTestId('reached')).textContent).toBe('300');
        expect(screen.getByText(/all ranges make: 60 %/)).toBeTruthy();
        expect(screen.getByRole('img', { name: /200 colours missing/ })).toBeTruthy();
        const lacks = screen.getByText('! no red-leaning').closest('p');
        expect(lacks?.textContent).toMatch(/buy .*516.*, or mix 404 50 % easy, 2 coats, then 722 60 % medium too dull/);
        expect(screen.getByTestId('holes').textContent).toMatch(
            /green, clean, step 5.*Buy .*516.*brings 17 of the 17.*Meanwhile mix 404/,
        );
        expect(screen.getByText('31 colours more')).toBeTruthy();
        expect(screen.getByText(/Mark zones in a piece/)).toBeTruthy();
        expect(within(screen.getByTestId('best')).getAllByRole('link')).toHaveLength(3);
        expect(screen.getByText(/Costs dE00 0.20 against all 15/)).toBeTruthy();
    });

    it('takes another size of the curve by the address', async () => {
        serve({ ...around, 'GET /api/works': () => ({ work: work({ result: { ...audit, ownCurve: audit.curve } }) }) });
        show(<AuditPage />, '/pencils/audit?best=6');
        expect(await screen.findByText(/Costs dE00 1.30 against all 15/)).toBeTruthy();
        expect(screen.getByRole('heading', { name: 'For your own pieces' })).toBeTruthy();
    });

    it('says why it failed, and what an empty box wants', async () => {
        serve({
            ...around,
            'GET /api/works': () => ({ work: work({ state: 'failed', problem: 'This went wrong in the studio.' }) }),
        });
        const first = show(<AuditPage />, '/pencils/audit');
        expect(await screen.findByText(/This went wrong in the studio/)).toBeTruthy();
        first.unmount();
        serve({ ...around, 'GET /api/pencils': () => listOf(), 'GET /api/works': () => ({ work: null }) });
        show(<AuditPage />, '/pencils/audit');
        expect(await screen.findByRole('heading', { name: 'Your box is empty' })).toBeTruthy();
    });
});

describe('instead of', () => {
    const around = { 'GET /api/papers': () => papers, 'GET /api/pencils': () => listOf() };
    const differing = (words: string) => recipe({ difference: { ...recipe().difference, words } });

    it('asks for what is pasted, and shows pencil and mix in words', async () => {
        const found: Substitutes = {
            calibration: null,
            pencils: [
                {
                    pencil: pencil('122', false, { status: 'discontinued' }),
                    replacedBy: 'QW:119',
                    nearest: pencil('128'),
                    strengths: [
                        {
                            strength: 'heavy',
                            wanted: recipe(),
                            pencil: differing('half a step too light'),
                            mix: differing('very close'),
                        },
                    ],
                },
            ],
            recipes: [{ wanted: recipe({ stack: 'QW:404@40' }), swapped: null, mix: differing('a little dull') }],
        };
        const asked = serve({ ...around, 'POST /api/substitutes': () => found });
        show(<InsteadPage />, '/pencils/instead?text=QW:122');
        await waitFor(() => expect(screen.getByRole('button', { name: 'Find' }).hasAttribute('disabled')).toBe(false));
        await userEvent.click(screen.getByRole('button', { name: 'Find' }));
        expect(await screen.findByText('half a step too light')).toBeTruthy();
        expect(screen.getByText('very close')).toBeTruthy();
        expect(screen.getByText(/its maker names QW:119/)).toBeTruthy();
        expect(screen.getByText('All of its pencils are at hand.')).toBeTruthy();
        expect(asked.find(({ method }) => method === 'POST')?.body).toEqual({
            text: 'QW:122',
            paper: 'harbour-cartridge',
            into: '',
        });
    });

    it('names the lines that it cannot read', async () => {
        serve({
            ...around,
            'POST /api/substitutes': () =>
                new Answer(422, {
                    message: 'One thing in this file cannot be taken in.',
                    rows: [{ row: 2, column: '-', value: 'blue', right: 'Write RANGE:NUMBER.' }],
                }),
        });
        show(<InsteadPage />, '/pencils/instead?text=x');
        await waitFor(() => expect(screen.getByRole('button', { name: 'Find' }).hasAttribute('disabled')).toBe(false));
        await userEvent.click(screen.getByRole('button', { name: 'Find' }));
        const row = within(await screen.findByTestId('bad-rows')).getAllByRole('row')[1];
        expect(row?.textContent).toBe('2-blueWrite RANGE:NUMBER.');
    });
});

describe('files of pencils', () => {
    const choose = async (text: string) => {
        const input = document.querySelector<HTMLInputElement>('input[type=file]');
        if (!input) throw new Error('There is no file input.');
        await userEvent.upload(input, new File([text], 'harbour.csv', { type: 'text/csv' }));
    };

    it('looks before it takes, and tells what came of it', async () => {
        const asked = serve({
            'GET /api/pencils': () => listOf(),
            'POST /api/pencils/preview': () => ({
                new: 1,
                changed: 1,
                unchanged: 3,
                columns: [
                    { header: 'number', means: 'number' },
                    { header: 'price', means: null },
                ],
                missing: [],
                rows: [{ row: 2, id: 'HS:1', name: 'Hawser', binder: 'oil', hex: null, change: 'new' }],
            }),
            'POST /api/pencils/import': () => ({ written: 2 }),
        });
        show(<FilesPage />, '/pencils/files');
        await choose('range,number,name,binder');
        expect(
            await screen.findByRole('heading', { name: 'harbour.csv: 1 new, 1 changed, 3 as they are' }),
        ).toBeTruthy();
        expect(screen.getByRole('button', { name: /not read price is/ })).toBeTruthy();
        await userEvent.click(screen.getByText('Into my box too'));
        await userEvent.click(screen.getByRole('button', { name: 'Take in 2 pencils' }));
        expect(await screen.findByText('2 pencils were taken in.')).toBeTruthy();
        expect(
            asked.at(-1)?.path === '/api/pencils/import' ||
                asked.some(
                    ({ path, body }) => path === '/api/pencils/import' && (body as { intoBox: boolean }).intoBox,
                ),
        ).toBe(true);
    });

    it('asks which column is what, and reads it so', async () => {
        const headers = ['Farbe', 'Nr'];
        const asked = serve({
            'GET /api/pencils': () => listOf(),
            'POST /api/pencils/preview': ({ body }) => {
                const said = (body as { columns?: { header: string; means: string | null }[] }).columns ?? [];

                return {
                    new: said.length,
                    changed: 0,
                    unchanged: 0,
                    columns: headers.map((header) => ({
                        header,
                        means: said.find((one) => one.header === header)?.means ?? null,
                    })),
                    missing: said.length === 0 ? ['range', 'number'] : [],
                    rows: [],
                };
            },
        });
        show(<FilesPage />, '/pencils/files');
        await choose('Farbe,Nr');
        expect((await screen.findByText(/Say which column is the/)).textContent).toContain(
            'the range code and the number',
        );
        expect(screen.queryByRole('button', { name: /Take in/ })).toBeNull();
        await userEvent.click(screen.getByRole('button', { name: /Nr is/ }));
        await userEvent.click(screen.getByRole('option', { name: 'number' }));
        await userEvent.type(screen.getByLabelText('Range code of all rows'), 'HS');
        await userEvent.click(screen.getByRole('button', { name: 'Read it so' }));
        expect(await screen.findByRole('button', { name: 'Take in 1 pencils' })).toBeTruthy();
        expect(asked.at(-1)?.body).toMatchObject({
            columns: [{ header: 'Nr', means: 'number' }],
            rangeOfAll: 'HS',
        });
        expect(screen.getByText(/all are taken as wax/)).toBeTruthy();
    });

    it('has nothing to take in when rows are bad', async () => {
        serve({
            'GET /api/pencils': () => listOf(),
            'POST /api/pencils/preview': () =>
                new Answer(422, {
                    message: 'One thing cannot be taken in.',
                    rows: [{ row: 3, column: 'binder', value: 'tar', right: 'Write wax or oil.' }],
                }),
        });
        show(<FilesPage />, '/pencils/files');
        await choose('x');
        expect(await screen.findByText('Write wax or oil.')).toBeTruthy();
        expect(screen.queryByRole('button', { name: /Take in/ })).toBeNull();
    });
});

describe('pencils by number', () => {
    const found = (hex: string | null, change: string) => ({
        row: 1,
        id: 'HB:101',
        name: '',
        binder: 'wax',
        hex,
        change,
    });
    const look = async (text: string) => {
        await userEvent.type(await screen.findByLabelText('Numbers, as they stand on the barrels'), text);
        await userEvent.click(screen.getByRole('button', { name: 'Look them up' }));
    };

    it('go into the box as they are written; of a range of one’s own without a colour, and what to do about it', async () => {
        const asked = serve({
            'GET /api/pencils': () => listOf(),
            'POST /api/pencils/preview': () => ({
                new: 1,
                changed: 0,
                unchanged: 0,
                columns: [],
                missing: [],
                rows: [found(null, 'new')],
            }),
            'POST /api/pencils/import': () => ({ written: 1 }),
        });
        show(<NumbersPage />, '/pencils/numbers');
        await userEvent.click(await screen.findByRole('button', { name: /Range/ }));
        await userEvent.click(screen.getByRole('option', { name: 'another one, my own' }));
        await userEvent.type(screen.getByLabelText('Short code for it'), ' HB');
        await look('101');
        await userEvent.click(await screen.findByRole('button', { name: 'Put it into my box' }));
        expect((await screen.findByRole('status')).textContent).toContain(
            '1 pencil in your box. They have no colour yet',
        );
        expect(screen.getByRole('link', { name: 'print a swatch card' }).getAttribute('href')).toBe('/swatches/charts');
        expect(asked.find(({ path }) => path === '/api/pencils/import')?.body).toEqual({
            text: '101',
            range: 'HB',
            binder: 'wax',
            intoBox: true,
        });
    });

    it('are looked up anew when they are changed, and named line by line where the range has none', async () => {
        serve({
            'GET /api/pencils': () => listOf(),
            'POST /api/pencils/preview': ({ body }) =>
                (body as { text: string }).text === '101'
                    ? {
                          new: 0,
                          changed: 0,
                          unchanged: 1,
                          columns: [],
                          missing: [],
                          rows: [found('#336699', 'unchanged')],
                      }
                    : new Answer(422, {
                          message: 'One thing cannot be taken in.',
                          rows: [{ row: 2, column: 'number', value: '9', right: 'QW has no pencil 9.' }],
                      }),
        });
        show(<NumbersPage />, '/pencils/numbers');
        await look('101');
        expect(await screen.findByRole('heading', { name: '1 pencil' })).toBeTruthy();
        await userEvent.type(screen.getByLabelText('Numbers, as they stand on the barrels'), '{enter}9');
        expect(screen.queryByRole('heading', { name: '1 pencil' })).toBeNull();
        await userEvent.click(screen.getByRole('button', { name: 'Look them up' }));
        expect(await screen.findByText('QW has no pencil 9.')).toBeTruthy();
        expect(screen.queryByRole('button', { name: /into my box/ })).toBeNull();
    });
});

describe('plots', () => {
    it('say in each part of the wheel how many colours are missing, the denser the larger their share', () => {
        const cell = (position: number, chroma: number, reached: boolean) => ({ position, chroma, step: 5, reached });
        const { container } = show(
            <WheelPlot
                label="Holes"
                cells={[
                    ...Array.from({ length: 4 }, () => cell(3, 20, true)),
                    ...Array.from({ length: 3 }, () => cell(9.2, 60, false)),
                    cell(8.7, 60, true),
                    // Past the last part is the first.
                    cell(17.8, 60, true),
                    cell(0.1, 60, false),
                ]}
            />,
        );
        expect([...container.querySelectorAll('text[font-weight="700"]')].map((text) => text.textContent)).toEqual([
            '1',
            '3',
        ]);
        const filled = [...container.querySelectorAll('path[fill^="url"]')].map((path) => path.getAttribute('fill'));
        expect(filled.map((fill) => /-(\d)\)$/.exec(fill ?? '')?.[1])).toEqual(['2', '0', '3']);
    });

    it('draw the ladder with full and hatched bars that add up', () => {
        const { container } = show(<LadderPlot label="Ladder" rungs={[{ step: 5, reached: 12, missing: 4 }]} />);
        const hatched = container.querySelector('rect[fill="url(#missing)"]');
        const full = hatched?.previousElementSibling;
        expect(Number(hatched?.getAttribute('width')) * 3).toBeCloseTo(Number(full?.getAttribute('width')));
        expect(screen.getByText('4 missing')).toBeTruthy();
    });

    it('draw a curve through its points, the second one told by its dashes', () => {
        const points = [
            { x: 6, y: 3 },
            { x: 12, y: 2 },
        ];
        const { container } = show(
            <CurvePlot
                label="Curve"
                x="pencils"
                y="dE00"
                marked={12}
                curves={[
                    { name: 'one', points },
                    { name: 'two', points },
                ]}
            />,
        );
        expect(container.querySelectorAll('path[stroke-dasharray]')).toHaveLength(1);
        expect(screen.getByText('one')).toBeTruthy();
        expect(screen.getByText('two')).toBeTruthy();
    });

    it('draw errors before as rings and after as dots, further right where larger', () => {
        const { container } = show(
            <ErrorPlot label="Errors" rows={[{ name: 'QW:404', before: 3, after: 1, count: 4 }]} />,
        );
        const [before, after] = [...container.querySelectorAll('circle')].map((circle) =>
            Number(circle.getAttribute('cx')),
        );
        expect(before).toBeGreaterThan(after ?? 0);
        expect(screen.getByText('QW:404')).toBeTruthy();
    });
});

describe('small parts', () => {
    it('calls a pencil by its number, and leads to it', () => {
        show(<PencilTag pencil={pencil('404')} />);
        const link = screen.getByRole('link');
        expect(link.getAttribute('href')).toBe('/pencils/QW:404');
        expect(link.textContent).toMatch(/^404/);
    });

    it('names the calibration, or that there is none', () => {
        show(
            <>
                <RestsOnLine calibration={restsOn} />
                <RestsOnLine calibration={null} />
            </>,
        );
        const [some, none] = screen.getAllByTestId('rests-on');
        expect(some?.textContent).toBe('Predicted by calibration 3, from 346 swatches, 2026-11-24.');
        expect(none?.textContent).toContain('nothing is calibrated yet');
    });

    it('keeps what is typed while the address follows', async () => {
        const typed: string[] = [];
        show(<FilterField label="Find" value="" onChange={(text) => typed.push(text)} />);
        await userEvent.type(screen.getByLabelText('Find'), 'buoy');
        expect(screen.getByLabelText<HTMLInputElement>('Find').value).toBe('buoy');
        expect(typed.at(-1)).toBe('buoy');
    });

    it.each([
        [0, 'Waiting for its turn'],
        [3, 'Busy: 3 before yours'],
    ])('says that work waits, and how many are before it: %i', (before, said) => {
        show(<WorkProgress work={work({ state: 'waiting', doing: '', progress: 0, before })} onCancel={vi.fn()} />);
        expect(screen.getByRole('status').textContent).toBe(said);
        expect(screen.getByRole('progressbar', { name: said })).toBeTruthy();
    });

    it('lists bad rows with what would be right', () => {
        show(
            <BadRows
                message="Two things."
                what="Row"
                rows={[
                    { row: 2, column: 'L', value: 'x', right: 'Write a number.' },
                    { row: 3, column: 'b', value: 'y', right: 'Another.' },
                ]}
            />,
        );
        expect(screen.getByRole('alert').textContent).toContain('Two things.');
        expect(within(screen.getByTestId('bad-rows')).getAllByRole('row')).toHaveLength(3);
    });

    it('paints grain in the shares that the engine gives', () => {
        const painted: Uint8ClampedArray[] = [];
        const context = {
            createImageData: (width: number, height: number) => ({ data: new Uint8ClampedArray(4 * width * height) }),
            putImageData: (image: { data: Uint8ClampedArray }) => painted.push(image.data),
        };
        vi.spyOn(HTMLCanvasElement.prototype, 'getContext').mockReturnValue(context as never);
        const bin = (depth: number, share: number, looks: string) => ({ depth, share, capacity: 1, looks, films: [] });
        show(<GrainSwatch label="Light coat" section={[bin(0.9, 0.75, '#ffffff'), bin(0.1, 0.25, '#203040')]} />);
        const data = painted[0] ?? new Uint8ClampedArray();
        let dark = 0;
        for (let i = 0; i < data.length; i += 4) dark += data[i] === 0x20 ? 1 : 0;
        expect(dark / (data.length / 4)).toBeCloseTo(0.25, 3);
        expect(screen.getByRole('img', { name: 'Light coat' })).toBeTruthy();
    });
});
