import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { Route, Routes } from 'react-router';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { CalibrationReview, Chart, ChartReading, Work } from '../../resources/js/api/client';
import { BookPage } from '../../resources/js/swatches/BookPage';
import { CalibrationPage } from '../../resources/js/swatches/CalibrationPage';
import { ChartPage } from '../../resources/js/swatches/ChartPage';
import { ChartsPage } from '../../resources/js/swatches/ChartsPage';
import { ReadingView } from '../../resources/js/swatches/ReadingView';
import { SwatchFileSheet } from '../../resources/js/swatches/SwatchFileSheet';
import { SwatchSheet } from '../../resources/js/swatches/SwatchSheet';
import { Notices } from '../../resources/js/ui/Notices';
import { colour, papers, pencil, show, swatch, workOf } from './fixtures';
import { Answer, serve } from './server';

const book = (swatches = [swatch(1, 'QW:404@60'), swatch(2, '', { source: 'simulated' })], changes = {}) => ({
    swatches,
    count: swatches.length,
    page: 1,
    pages: 1,
    techniques: [{ id: 'single', name: 'one pencil' }],
    ...changes,
});

const chart: Chart = {
    id: 'c1',
    title: 'Every pencil at three pressures',
    kind: 'singles',
    page: 'a4',
    paper: 'harbour-cartridge',
    paperName: 'Harbour Cartridge',
    madeAt: '2026-11-24T10:00:00Z',
    sheets: 2,
    fields: ['', 'QW:404@30', 'QW:404@60'],
    read: 0,
};

const field = (number: number, stack: string, doubts: string[] = []): ChartReading['fields'][number] => ({
    number,
    stack,
    colour: colour(),
    over: null,
    opacity: null,
    spread: 1.2,
    doubts,
    outline: [
        [0, 0],
        [10, 0],
        [10, 5],
        [0, 5],
    ],
});

const reading: ChartReading = {
    sheet: 1,
    width: 1180,
    height: 1669,
    light: 1.32,
    corners: [],
    fields: [field(1, ''), field(2, 'QW:404@30', ['it seems to be empty']), field(3, 'QW:404@60')],
};

const newer = { id: 8, number: 2, swatches: 368, before: 2.4, after: 1.29, weight: 1, madeAt: '2026-11-24T11:00:00Z' };
const older = { id: 7, number: 1, swatches: 346, before: 2.04, after: 1.17, weight: 1, madeAt: '2026-11-24T10:00:00Z' };
const calibrations = [newer, older];

const review: CalibrationReview = {
    calibration: newer,
    against: older,
    noticed: 2,
    shifted: 1,
    pencils: [{ pencil: pencil('404'), before: 3.6, after: 2.2, swatches: 7 }],
    outliers: [{ swatch: swatch(5, 'QW:404@65'), predicted: colour(), dE00: 14.2 }],
    recipes: [
        {
            zone: 'z1',
            target: 't1',
            name: 'Float, light',
            piece: 'p1',
            title: 'Floats',
            stack: 'QW:404@40',
            old: colour(),
            new: colour(),
            shift: 3.3,
            oldMiss: 5.9,
            newMiss: 3.3,
        },
        {
            zone: 'z2',
            target: 't2',
            name: 'Plank',
            piece: 'p1',
            title: 'Floats',
            stack: '',
            old: colour(),
            new: colour(),
            shift: 0.2,
            oldMiss: 2.8,
            newMiss: 2.8,
        },
    ],
};

beforeEach(() => {
    vi.stubGlobal(
        'URL',
        Object.assign(URL, { createObjectURL: () => 'blob:picture', revokeObjectURL: () => undefined }),
    );
});

describe('the swatch book', () => {
    const around = { 'GET /api/papers': () => papers };

    it('says what to do first when it is empty, and when nothing is found', async () => {
        serve({ ...around, 'GET /api/swatches': () => book([]) });
        const first = show(<BookPage />, '/swatches');
        expect(await screen.findByRole('heading', { name: 'The book is empty' })).toBeTruthy();
        first.unmount();
        show(<BookPage />, '/swatches?paper=fog-toned');
        expect(await screen.findByText('No swatch answers to that.')).toBeTruthy();
    });

    it('shows what was laid, on what, how it was read', async () => {
        const asked = serve({ ...around, 'GET /api/swatches': () => book() });
        show(<BookPage />, '/swatches?pencil=404&technique=single&source=typed');
        expect((await screen.findByTestId('count')).textContent).toBe('2 swatches found');
        expect(screen.getAllByRole('listitem').map((item) => item.textContent)).toContainEqual(
            expect.stringMatching(/^404 60 % medium/),
        );
        expect(document.body.textContent).not.toContain('QW:404@');
        const onPaper = screen.getByRole('region', { name: 'On Harbour Cartridge' });
        expect(within(onPaper).getAllByText('simulated', { exact: false }).length).toBeGreaterThan(0);
        expect(asked.find(({ path }) => path === '/api/swatches')?.query).toBe(
            '?pencil=404&technique=single&source=typed&page=1',
        );
    });

    it('goes through pages, and back to the first when a filter changes', async () => {
        const asked = serve({
            ...around,
            'GET /api/swatches': () => book(undefined, { count: 130, page: 2, pages: 3 }),
        });
        show(<BookPage />, '/swatches?page=2');
        await userEvent.click(await screen.findByRole('button', { name: 'Older' }));
        await waitFor(() => expect(asked.at(-1)?.query).toContain('page=3'));
        await userEvent.type(screen.getByLabelText('With pencil'), '4');
        await waitFor(() => expect(asked.at(-1)?.query).toBe('?pencil=4&page=1'));
    });

    it('notes, takes out and puts back, page by page', async () => {
        const asked = serve({
            ...around,
            'GET /api/swatches': () => book([swatch(1, 'QW:404@60', { spread: 1.4 })]),
            'PATCH /api/swatches/1': () => swatch(1, 'QW:404@60'),
            'DELETE /api/swatches/1': () => ({}),
            'POST /api/swatches/1/restore': () => ({}),
        });
        show(
            <>
                <BookPage />
                <Notices />
            </>,
            '/swatches?view=page',
        );
        await userEvent.type(await screen.findByLabelText('Note to 404 60 % medium'), 'streaky');
        await userEvent.tab();
        await waitFor(() => expect(asked.find(({ method }) => method === 'PATCH')?.body).toEqual({ note: 'streaky' }));
        expect(screen.getByText(/spread 1.4/)).toBeTruthy();
        await userEvent.click(screen.getByRole('button', { name: 'Take out 404 60 % medium' }));
        await userEvent.click(await screen.findByRole('button', { name: 'Take back' }));
        await waitFor(() => expect(asked.some(({ path }) => path === '/api/swatches/1/restore')).toBe(true));
    });
});

describe('a new swatch', () => {
    it('is written down, and the sheet is ready for the next', async () => {
        const asked = serve({ 'POST /api/swatches': () => swatch(9, 'QW:404@40') });
        show(<SwatchSheet papers={papers} onClose={() => undefined} />);
        await userEvent.type(screen.getByLabelText(/What was laid/), 'QW:404@40');
        await userEvent.type(screen.getByLabelText(/Colour that was read/), '62 -8 20');
        await userEvent.click(screen.getByRole('button', { name: 'Save' }));
        await waitFor(() => expect(screen.getByLabelText<HTMLInputElement>(/What was laid/).value).toBe(''));
        expect(asked[0]?.body).toEqual({
            paper: 'harbour-cartridge',
            stack: 'QW:404@40',
            colour: '62 -8 20',
            note: '',
            drawnOn: null,
            simulated: false,
        });
    });

    it('can be drawn and read by the simulated studio', async () => {
        const asked = serve({ 'POST /api/swatches': () => swatch(9, 'QW:404@40', { source: 'simulated' }) });
        show(<SwatchSheet papers={papers} onClose={() => undefined} />);
        await userEvent.type(screen.getByLabelText(/What was laid/), 'QW:404@40');
        await userEvent.click(screen.getByRole('button', { name: /simulated studio draw/ }));
        await waitFor(() => expect(asked[0]?.body).toMatchObject({ simulated: true, colour: null }));
    });

    it('says what is wrong with it', async () => {
        serve({
            'POST /api/swatches': () =>
                new Answer(422, {
                    message: 'Position 8: the pressure is 400; it goes from 1 to 100 percent.',
                    position: 8,
                }),
        });
        show(<SwatchSheet papers={papers} onClose={() => undefined} />);
        await userEvent.click(screen.getByRole('button', { name: 'Save' }));
        expect(await screen.findByText(/the pressure is 400/)).toBeTruthy();
    });
});

describe('swatches from a file', () => {
    const choose = async () => {
        const input = document.querySelector<HTMLInputElement>('input[type=file]');
        if (!input) throw new Error('There is no file input.');
        await userEvent.upload(input, new File(['CGATS.17'], 'readings.txt', { type: 'text/plain' }));
    };

    it('are looked at, then taken in', async () => {
        const closed = vi.fn();
        const rows = Array.from({ length: 10 }, (_, i) => ({
            row: i + 6,
            paper: 'fog-toned',
            stack: i === 0 ? '' : `QW:404@${20 + i}`,
            hex: '#808080',
            L: 50,
            a: 0,
            b: 0,
        }));
        const asked = serve({
            'POST /api/swatches/preview': () => ({ count: 12, rows }),
            'POST /api/swatches/import': () => ({ written: 12 }),
        });
        show(<SwatchFileSheet papers={papers} onClose={closed} />);
        await choose();
        expect(await screen.findByText('and 4 more')).toBeTruthy();
        expect(screen.getByText('bare paper')).toBeTruthy();
        await userEvent.click(screen.getByRole('button', { name: 'Take in 12 swatches' }));
        await waitFor(() => expect(closed).toHaveBeenCalled());
        expect(asked[1]?.body).toEqual({ text: 'CGATS.17', paper: null });
    });

    it('are refused row by row', async () => {
        serve({
            'POST /api/swatches/preview': () =>
                new Answer(422, {
                    message: 'One thing.',
                    rows: [
                        {
                            row: 7,
                            column: 'SAMPLE_NAME',
                            value: 'QW:1',
                            right: 'There is no pencil QW:1 in your ranges.',
                        },
                    ],
                }),
        });
        show(<SwatchFileSheet papers={papers} onClose={() => undefined} />);
        await choose();
        expect(
            within(await screen.findByTestId('bad-rows')).getByText('There is no pencil QW:1 in your ranges.'),
        ).toBeTruthy();
    });
});

describe('charts', () => {
    const around = {
        'GET /api/papers': () => papers,
        'GET /api/pencils': () => ({ pencils: [pencil('404'), pencil('119'), pencil('201')] }),
        'GET /api/charts': () => [{ ...chart, read: 3 }],
        'GET /api/lessons': () => [
            {
                stack: 'QW:404@45 > QW:119@55',
                why: '119 over 404 is in 1 of your recipes and was never swatched',
                worth: 0.7,
            },
        ],
    };

    it('tell how many fields they will have, before they are laid out', async () => {
        show(<ChartsPage />, '/swatches/charts');
        serve(around);
        const first = show(<ChartsPage />, '/swatches/charts');
        expect(await screen.findAllByText('10 fields')).toBeTruthy();
        first.unmount();
    });

    it('are of the box as it is: nothing is laid out before it is known which pencils have no colour', async () => {
        let bring: (box: unknown) => void = () => undefined;
        const box = new Promise((done) => (bring = done));
        const asked = serve({ ...around, 'GET /api/pencils': () => box, 'POST /api/charts': () => chart });
        show(<ChartsPage />, '/swatches/charts');
        await screen.findByRole('button', { name: /Harbour Cartridge Drawn on/ });
        expect(screen.getByRole('button', { name: 'Lay it out' }).hasAttribute('disabled')).toBe(true);
        bring({ pencils: [pencil('404'), { ...pencil('101'), hex: null }] });
        await userEvent.click(await screen.findByLabelText(/the 1 pencil without a colour if empty/));
        await userEvent.click(screen.getByRole('button', { name: 'Lay it out' }));
        await waitFor(() =>
            expect(asked.find(({ method }) => method === 'POST')?.body).toMatchObject({
                kind: 'card',
                pencils: ['QW:101'],
            }),
        );
    });

    it('list what would teach most, and what was laid out', async () => {
        serve(around);
        show(<ChartsPage />, '/swatches/charts');
        expect(await screen.findByText(/was never swatched/)).toBeTruthy();
        expect(await screen.findByRole('link', { name: chart.title })).toBeTruthy();
        expect(screen.getByText('3 read')).toBeTruthy();
        expect(screen.getByText(/3 fields, 2 sheets of A4/)).toBeTruthy();
    });

    it('are laid out of chosen pencils; of pasted stacks that cannot be read, no', async () => {
        const asked = serve({
            ...around,
            'POST /api/charts': ({ body }) =>
                (body as Chart).kind === 'stacks'
                    ? new Answer(422, {
                          message: 'One thing.',
                          rows: [{ row: 1, column: '-', value: 'red', right: 'Write RANGE:NUMBER.' }],
                      })
                    : chart,
        });
        const first = show(
            <Routes>
                <Route path="/swatches/charts" element={<ChartsPage />} />
                <Route path="/swatches/charts/:chart" element={<p>The chart</p>} />
            </Routes>,
            '/swatches/charts',
        );
        await userEvent.type(await screen.findByLabelText(/Pencils; the whole box/), 'QW:404, QW:119');
        expect(screen.getByText('7 fields')).toBeTruthy();
        await userEvent.click(screen.getByRole('button', { name: 'Lay it out' }));
        expect(await screen.findByText('The chart')).toBeTruthy();
        expect(asked.find(({ method }) => method === 'POST')?.body).toMatchObject({
            kind: 'singles',
            pencils: ['QW:404', 'QW:119'],
            page: 'a4',
        });
        first.unmount();
        show(<ChartsPage />, '/swatches/charts?text=red');
        await waitFor(() =>
            expect(screen.getByRole('button', { name: 'Lay it out' }).hasAttribute('disabled')).toBe(false),
        );
        await userEvent.click(screen.getByRole('button', { name: 'Lay it out' }));
        expect(await screen.findByText('Write RANGE:NUMBER.')).toBeTruthy();
    });

    const onChart = (
        <Routes>
            <Route path="/swatches/charts/:chart" element={<ChartPage />} />
        </Routes>
    );

    it('show every sheet as it is printed, and the way to paper', async () => {
        serve({ 'GET /api/charts/c1': () => chart, 'GET /api/works': () => ({ work: null }) });
        show(onChart, '/swatches/charts/c1');
        expect(await screen.findByRole('img', { name: 'Sheet 2 as it is printed' })).toBeTruthy();
        expect(screen.getByRole('link', { name: 'Print (PDF)' }).getAttribute('href')).toBe('/api/charts/c1/chart.pdf');
    });

    it('read a picture, or say why they cannot', async () => {
        let answer = workOf('reading', { state: 'failed', problem: 'Of the four corner marks only two can be seen.' });
        serve({
            'GET /api/charts/c1': () => chart,
            'GET /api/works': () => ({ work: null }),
            'POST /api/charts/c1/readings': () => ({ ...answer, state: 'waiting' }),
            'GET /api/works/w1': () => answer,
        });
        show(onChart, '/swatches/charts/c1');
        await screen.findByRole('button', { name: 'Read a picture of it' });
        const input = document.querySelector<HTMLInputElement>('input[type=file]');
        if (!input) throw new Error('There is no file input.');
        const picture = new File(['jpeg'], 'chart.jpg', { type: 'image/jpeg' });
        await userEvent.upload(input, picture);
        expect((await screen.findByRole('alert')).textContent).toContain('only two can be seen');
        answer = workOf('reading', { result: reading });
        await userEvent.upload(input, new File(['jpeg'], 'better.jpg', { type: 'image/jpeg' }));
        expect(await screen.findByTestId('reading')).toBeTruthy();
        expect(screen.queryByText(/This picture is simulated/)).toBeNull();
    });

    it('have the simulated studio fill a sheet, and offer its picture', async () => {
        let state: Work | null = null;
        const asked = serve({
            'GET /api/charts/c1': () => chart,
            'GET /api/works': () => ({ work: state }),
            'POST /api/works': () =>
                (state = workOf('filling', { result: { chart: 'c1', sheet: 1, picture: '/api/charts/c1/filled/1' } })),
        });
        show(onChart, '/swatches/charts/c1');
        await userEvent.click(await screen.findByRole('button', { name: /Have the simulated studio fill sheet 1/ }));
        expect(await screen.findByRole('button', { name: 'Read the simulated picture of sheet 1' })).toBeTruthy();
        expect(asked.find(({ method }) => method === 'POST')?.body).toEqual({ kind: 'filling', chart: 'c1', sheet: 1 });
    });
});

describe('a reading', () => {
    it('leaves doubtful fields out, unless they are wanted', async () => {
        const asked = serve({ 'POST /api/charts/c1/swatches': () => ({ written: 3 }) });
        const done = vi.fn();
        const { container } = show(
            <ReadingView chart="c1" reading={reading} picture="blob:picture" simulated onDone={done} />,
        );
        expect(screen.getByText(/3 fields read/).textContent).toContain('1 doubtful');
        expect(screen.getByText('! it seems to be empty')).toBeTruthy();
        expect(screen.getByRole('button', { name: 'Write 2 swatches' })).toBeTruthy();
        // What is read aloud stands beside it, and may be a 2 of the test before.
        await userEvent.click(within(container).getByText('2'));
        await userEvent.click(screen.getByRole('button', { name: 'Write 3 swatches' }));
        await waitFor(() => expect(done).toHaveBeenCalled());
        const body = asked[0]?.body as { simulated: boolean; fields: { number: number }[] };
        expect(body.simulated).toBe(true);
        expect(body.fields.map(({ number }) => number)).toEqual([1, 2, 3]);
    });

    it('outlines every field on the picture, doubtful ones by dashes', () => {
        const { container } = show(
            <ReadingView
                chart="c1"
                reading={reading}
                picture="blob:picture"
                simulated={false}
                onDone={() => undefined}
            />,
        );
        expect(container.querySelectorAll('polygon')).toHaveLength(3);
        expect(container.querySelectorAll('polygon[stroke-dasharray]')).toHaveLength(1);
        expect(screen.getByRole('img', { name: 'Your picture of the chart' })).toBeTruthy();
    });
});

describe('calibration', () => {
    const index = (inForce: number | null, newer = 0) => ({ inForce, swatches: 368, newer, calibrations });

    it('says that nothing is calibrated, and what to do', async () => {
        serve({
            'GET /api/calibrations': () => ({ inForce: null, swatches: 0, newer: 0, calibrations: [] }),
            'GET /api/works': () => ({ work: null }),
        });
        show(<CalibrationPage />, '/swatches/calibration');
        expect((await screen.findByTestId('in-force')).textContent).toContain('Not calibrated yet');
        expect(screen.getByRole('link', { name: 'Lay out a chart' })).toBeTruthy();
    });

    it('compares old and new on the own recipes, and searches those that shift', async () => {
        const asked = serve({
            'GET /api/calibrations': () => index(8, 22),
            'GET /api/calibrations/8': () => review,
            'GET /api/works': () => ({ work: null }),
            'POST /api/works': () =>
                workOf('search-again', {
                    result: { searched: 1, changed: [{ target: 't1', name: 'Float, light', had: 'a', has: 'b' }] },
                }),
        });
        show(<CalibrationPage />, '/swatches/calibration');
        expect((await screen.findByTestId('shifted')).textContent).toBe(
            '1 of your 2 recipes shifts by more than dE00 2. Search for them again?',
        );
        expect(screen.getByText(/22 swatches were written since/)).toBeTruthy();
        expect(screen.getByText('! 3.3')).toBeTruthy();
        expect(screen.getByRole('img', { name: 'QW:404: 3.6 before, 2.2 after' })).toBeTruthy();
        await userEvent.click(screen.getByRole('button', { name: 'Search 1 again' }));
        expect(await screen.findByText(/Searched 1; 1 have another recipe now: Float, light/)).toBeTruthy();
        expect(asked.find(({ method }) => method === 'POST')?.body).toEqual({ kind: 'search-again', targets: ['t1'] });
    });

    it('goes back to an earlier one, and that can be taken back', async () => {
        let inForce: number | null = 8;
        const asked = serve({
            'GET /api/calibrations': () => index(inForce),
            'GET /api/calibrations/8': () => review,
            'GET /api/calibrations/7': () => review,
            'GET /api/works': () => ({ work: null }),
            'PUT /api/calibrations/in-force': ({ body }) => {
                inForce = (body as { calibration: number | null }).calibration;

                return {};
            },
        });
        show(
            <>
                <CalibrationPage />
                <Notices />
            </>,
            '/swatches/calibration',
        );
        await userEvent.click(await screen.findByRole('button', { name: 'Go back to 1' }));
        await waitFor(() => expect(screen.getByTestId('in-force').textContent).toBe('Calibration 1 is in use'));
        await userEvent.click(await screen.findByRole('button', { name: 'Take back' }));
        await waitFor(() => expect(screen.getByTestId('in-force').textContent).toBe('Calibration 2 is in use'));
        expect(asked.filter(({ method }) => method === 'PUT').map(({ body }) => body)).toEqual([
            { calibration: 7 },
            { calibration: 8 },
        ]);
    });

    it('names swatches to do again, lays out a chart of them, takes them out', async () => {
        const asked = serve({
            'GET /api/calibrations': () => index(8),
            'GET /api/calibrations/8': () => review,
            'GET /api/works': () => ({ work: null }),
            'DELETE /api/swatches/5': () => ({}),
        });
        show(<CalibrationPage />, '/swatches/calibration');
        expect((await screen.findByRole('link', { name: 'Lay out a chart of them' })).getAttribute('href')).toBe(
            '/swatches/charts?text=QW%3A404%4065',
        );
        await userEvent.click(screen.getByRole('button', { name: 'Take out' }));
        await waitFor(() => expect(asked.some(({ method }) => method === 'DELETE')).toBe(true));
    });

    it('takes in the new swatches alone where there are some', async () => {
        const asked = serve({
            'GET /api/calibrations': () => index(8, 12),
            'GET /api/calibrations/8': () => review,
            'GET /api/works': () => ({ work: null }),
            'POST /api/works': () => workOf('calibration', { state: 'waiting' }),
        });
        show(<CalibrationPage />, '/swatches/calibration');
        await userEvent.click(await screen.findByRole('button', { name: 'Take in the 12 new ones' }));
        await waitFor(() =>
            expect(asked.find(({ method }) => method === 'POST')?.body).toEqual({ kind: 'calibration', onlyNew: true }),
        );
    });

    it('shows progress, cancels, and says that nothing was changed', async () => {
        let state: Work | null = null;
        serve({
            'GET /api/calibrations': () => index(8),
            'GET /api/calibrations/8': () => review,
            'GET /api/works': ({ query }) => ({ work: query.includes('calibration') ? state : null }),
            'POST /api/works': () =>
                (state = workOf('calibration', {
                    state: 'running',
                    doing: 'Fitting hand, papers and pencils',
                    progress: 0.4,
                })),
            'DELETE /api/works/w1': () => (state = workOf('calibration', { state: 'cancelled' })),
        });
        show(<CalibrationPage />, '/swatches/calibration');
        await userEvent.click(await screen.findByRole('button', { name: 'Calibrate on 368 swatches' }));
        expect(await screen.findByText('Fitting hand, papers and pencils')).toBeTruthy();
        await userEvent.click(screen.getByRole('button', { name: 'Cancel' }));
        expect(await screen.findByText('Cancelled; nothing was changed.')).toBeTruthy();
    });

    it('asks anew for everything once it is done, and does not ask without end', async () => {
        let polls = 0;
        let started = false;
        const asked = serve({
            'GET /api/calibrations': () => index(8),
            'GET /api/calibrations/8': () => review,
            'GET /api/works': ({ query }) => {
                if (!query.includes('kind=calibration') || !started) return { work: null };
                polls++;

                return {
                    work: workOf(
                        'calibration',
                        polls < 2
                            ? { state: 'running', progress: 0.5, doing: 'Fitting' }
                            : { result: { calibration: 8 } },
                    ),
                };
            },
            'POST /api/works': () => {
                started = true;

                return workOf('calibration', { state: 'running', doing: 'Fitting', progress: 0.1 });
            },
        });
        show(<CalibrationPage />, '/swatches/calibration');
        await userEvent.click(await screen.findByRole('button', { name: /Calibrate on/ }));
        await screen.findByText('Fitting');
        await waitFor(() => expect(screen.queryByText('Fitting')).toBeNull(), { timeout: 4000 });
        const before = asked.filter(({ path }) => path === '/api/calibrations').length;
        expect(before).toBeGreaterThan(1);
        await new Promise((resolve) => setTimeout(resolve, 1200));
        expect(asked.filter(({ path }) => path === '/api/calibrations')).toHaveLength(before);
    });
});
