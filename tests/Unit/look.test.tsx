import { act, render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { ThemeProvider } from 'styled-components';
import { describe, expect, it, vi } from 'vitest';
import type { Look, Piece, Reserves, Zone } from '../../resources/js/api/client';
import { CropFrame, cropOf } from '../../resources/js/desk/CropFrame';
import { CentreLines, squareOf } from '../../resources/js/desk/Grid';
import { rungTable, stepTable } from '../../resources/js/desk/PictureFilters';
import { useZoomed, Zoom, ZoomContext } from '../../resources/js/desk/zoom';
import { middleCrop } from '../../resources/js/look/FormatPanel';
import { LookStage } from '../../resources/js/look/LookStage';
import { daylight } from '../../resources/js/ui/theme';
import { Around } from './desk';
import { colour, piece, recipe, reference, show, target, zone } from './fixtures';
import { Answer, serve } from './server';

const scale = (steps: number) => ({
    steps,
    limits: Array.from({ length: steps - 1 }, (_, i) => Math.round((255 * (i + 1)) / steps)),
    rungs: Array.from({ length: steps }, (_, i) => Math.round((255 * i) / (steps - 1))),
});

const looked: Look = {
    fewestZones: 4,
    mostZones: 40,
    values: {
        histogram: Array.from({ length: 50 }, () => 0.02),
        dark: 8,
        middle: 50,
        light: 97,
        lightest: [{ x: 0.2, y: 0.3, L: 97, step: 9 }],
        darkest: [{ x: 0.8, y: 0.9, L: 8, step: 1 }],
    },
    reach: { dark: 22, light: 95 },
    tones: [
        { id: 'as-is', sentence: 'As in the photo: targets beyond reach stay.' },
        { id: 'compress', sentence: 'Compressed: every step stays a step.' },
        { id: 'clip', sentence: 'Clipped.' },
    ],
    scales: [3, 4, 5, 6, 7, 8, 9, 10].map(scale),
    light: { degrees: 140, words: 'upper left', agreement: 0.4, corrected: false },
    lamps: [
        { id: 'daylight', name: 'Daylight', matrix: [] },
        { id: 'warm-lamp', name: 'Warm lamp', matrix: [] },
    ],
};

const reserved: Reserves = {
    paperShare: 0.012,
    paleShare: 0.04,
    mask: 'data:image/png;base64,',
    places: Array.from({ length: 10 }, (_, i) => ({
        kind: 'paper' as const,
        share: 0.001,
        widthMm: 2,
        rim: i === 0,
        x: 0.5,
        y: 0.5,
        zone: 'Float',
        advice: `${i} mm: draw round it.`,
    })),
};

const float = zone('z', 'Float', {
    touching: [{ zone: 'y', share: 1 }],
    targets: [
        target('z-light', 'Float: light', { role: 'light', share: 0.4 }),
        target('z-middle', 'Float: middle', { share: 0.6, recipe: recipe() }),
    ],
});
const wall = zone('y', 'Wall');

function put(
    of: Piece,
    selected: Zone | null,
    part: string,
    more: Parameters<typeof serve>[0] = {},
    look: Partial<Look> = {},
) {
    const asked = serve({
        'GET /api/pieces/p1/look': () => ({ ...looked, ...look }),
        'GET /api/works': () => ({ work: null }),
        'GET /api/pieces/p1/reserves': () => ({ reserves: reserved }),
        'GET /api/papers': () => [of.paper],
        'PATCH /api/pieces/p1': () => of,
        ...more,
    });
    show(
        <Around of={of} selected={selected}>
            <LookStage />
        </Around>,
        `/?look=${part}`,
    );

    return asked;
}

const bodies = (asked: ReturnType<typeof serve>, method: string) =>
    asked.filter((one) => one.method === method).map(({ path, body }) => [path, body]);

describe('centre lines', () => {
    it('cross in the middle of what is drawn, not of the photo', () => {
        show(
            <CentreLines
                format={{ crop: { x: 0.2, y: 0.1, width: 0.4, height: 0.6 }, widthMm: 200, heightMm: 300, unit: 'mm' }}
            />,
        );
        const at = [...screen.getByTestId('centre-lines').querySelectorAll('line')].map((line) =>
            ['x1', 'x2', 'y1', 'y2'].map((name) => Number(line.getAttribute(name))),
        );
        const middle = (one = 0, other = 0) => (one + other) / 2;
        for (const [x1, x2, y1, y2] of at) {
            expect(middle(x1, x2)).toBeCloseTo(0.4);
            expect(middle(y1, y2)).toBeCloseTo(0.4);
        }
        expect(at).toHaveLength(8);
    });
});

describe('zones', () => {
    const of = piece([float, wall], { undo: 'Float split' });

    it('are listed with number, light and value, and what can be undone', async () => {
        put(of, float, 'zones');
        expect(await screen.findByText('2 zones')).toBeTruthy();
        expect(screen.getByText('Float split')).toBeTruthy();
        expect(screen.getByText(/Touches 2/)).toBeTruthy();
        expect(screen.getAllByText('light side').length).toBeGreaterThan(1);
    });

    it('show where more of them would part, and are cut at the end', async () => {
        const asked = put(of, null, 'zones', {
            'GET /api/pieces/p1/cut': () => ({ zones: 5, borders: 'M1 1L2 2' }),
            'POST /api/pieces/p1/zones/find': () => of,
        });
        const slider = await screen.findByRole('slider', { name: 'Zones, fewer or more' });
        act(() => slider.focus());
        await userEvent.keyboard('{ArrowRight}');
        await waitFor(() => expect(bodies(asked, 'POST')).toEqual([['/api/pieces/p1/zones/find', { count: 5 }]]));
    });

    it('wait until the photo is read, which can be asked for and cancelled', async () => {
        const work = (state: string) => ({
            id: 'w',
            kind: 'look',
            state,
            doing: 'Following the edges',
            progress: 0.4,
            problem: '',
            startedAt: '2026-11-24T10:00:00Z',
            result: null,
        });
        const asked = put(
            of,
            null,
            'zones',
            {
                'POST /api/works': () => work('running'),
                'GET /api/works/w': () => work('running'),
                'DELETE /api/works/w': () => work('cancelled'),
            },
            { mostZones: null },
        );
        await userEvent.click(await screen.findByRole('button', { name: 'Read the photo' }));
        expect(bodies(asked, 'POST')).toEqual([['/api/works', { kind: 'look', piece: 'p1' }]]);
        expect(await screen.findByText('Following the edges')).toBeTruthy();
        await userEvent.click(screen.getByRole('button', { name: 'Cancel' }));
        await waitFor(() => expect(asked.some(({ method }) => method === 'DELETE')).toBe(true));
    });

    it('are merged, split, drawn and taken back by their tools', async () => {
        const asked = put(of, float, 'zones', {
            'POST /api/pieces/p1/zones/merge': () => of,
            'POST /api/pieces/p1/zones/lasso': () => of,
            'POST /api/pieces/p1/zones/undo': () => of,
            'POST /api/zones/z/split': () => new Answer(422, { message: '"Float" is too small to be split.' }),
        });
        const use = screen.getByRole('button', { name: 'Use the tool' });
        await userEvent.click(await screen.findByRole('button', { name: 'Merge with' }));
        expect(screen.getByTestId('tool').textContent).toContain('become part of Float');
        await userEvent.click(use);
        for (const name of ['Draw a zone', 'Add by lasso', 'Take by lasso']) {
            await userEvent.click(screen.getByRole('button', { name }));
            await userEvent.click(use);
        }
        await userEvent.click(screen.getByRole('button', { name: 'Undo' }));
        await userEvent.click(screen.getByRole('button', { name: 'Split' }));
        expect(await screen.findByText('"Float" is too small to be split.')).toBeTruthy();
        const said = bodies(asked, 'POST');
        expect(said[0]).toEqual(['/api/pieces/p1/zones/merge', { into: 'z', gone: 'y' }]);
        expect(said.slice(1, 4).map(([, body]) => (body as { how: string }).how)).toEqual(['new', 'add', 'take']);
        expect(said[4]?.[0]).toBe('/api/pieces/p1/zones/undo');
    });

    it('are corrected where the estimate is wrong', async () => {
        const asked = put(of, float, 'zones', { 'PATCH /api/zones/z': () => float });
        await userEvent.click(await screen.findByRole('button', { name: /Surface \(estimated\)/ }));
        await userEvent.click(await screen.findByRole('option', { name: 'Rough' }));
        await waitFor(() =>
            expect(bodies(asked, 'PATCH')).toEqual([
                ['/api/zones/z', { version: 1, corrections: { surface: 'rough' } }],
            ]),
        );
    });

    it('that another photo no longer shows are marked in words', async () => {
        const gone = { ...float, fits: false };
        put(piece([gone]), gone, 'zones');
        expect(await screen.findByText(/shows something else here/)).toBeTruthy();
    });

    it('have colours that are set by number, sampled, and removed but for the last', async () => {
        const asked = put(of, float, 'zones', {
            'PATCH /api/targets/z-light': () => float.targets[0],
            'POST /api/zones/z/targets': () => target('new', 'Float: accent', { role: 'accent' }),
            'DELETE /api/targets/z-light': () => null,
        });
        await userEvent.click(await screen.findByRole('button', { name: 'Set light' }));
        const form = within(screen.getByRole('form', { name: 'Set Float: light' }));
        await userEvent.clear(form.getByLabelText('L'));
        await userEvent.type(form.getByLabelText('L'), 'dark');
        await userEvent.click(form.getByRole('button', { name: 'Set' }));
        expect(form.getByText(/are numbers/)).toBeTruthy();
        await userEvent.clear(form.getByLabelText('L'));
        await userEvent.type(form.getByLabelText('L'), '61,5');
        await userEvent.click(form.getByRole('button', { name: 'Set' }));
        await waitFor(() =>
            expect(bodies(asked, 'PATCH')[0]).toEqual([
                '/api/targets/z-light',
                { version: 1, colour: { L: 61.5, a: -16.9, b: 7.1 } },
            ]),
        );
        await userEvent.click(screen.getByRole('button', { name: 'Sample it' }));
        await userEvent.click(screen.getByRole('button', { name: 'Use the tool' }));
        await waitFor(() =>
            expect(bodies(asked, 'POST')[0]).toEqual([
                '/api/zones/z/targets',
                { role: 'accent', x: 0.5, y: 0.5, radius: 0.01 },
            ]),
        );
        await userEvent.click(screen.getByRole('button', { name: 'Remove light' }));
        expect(await screen.findByText('Float: light removed')).toBeTruthy();
    });
});

describe('values', () => {
    it('tell what is out of reach, and are brought within it', async () => {
        const asked = put(piece([]), null, 'values');
        expect(await screen.findByText(/Its darkest darks are out of reach/)).toBeTruthy();
        expect(screen.getByRole('img', { name: /L 8 to 97; paper and box reach L 22 to 95/ })).toBeTruthy();
        await userEvent.click(screen.getByRole('radio', { name: 'Compress' }));
        await waitFor(() => expect(bodies(asked, 'PATCH')).toEqual([['/api/pieces/p1', { tone: 'compress' }]]));
    });

    it('are unknown with an empty box', async () => {
        put(piece([]), null, 'values', {}, { reach: null });
        expect(await screen.findByText(/Put pencils in the box/)).toBeTruthy();
    });

    it('are cut into the rungs of a scale, each grey into the nearest', () => {
        const five = scale(5);
        const table = rungTable(five);
        expect(table).toHaveLength(256);
        expect(new Set(table).size).toBe(5);
        expect(table[0]).toBe(0);
        expect(table[255]).toBe(1);
        for (let step = 1; step <= 5; step++) {
            const only = stepTable(five, step);
            only.forEach((on, code) => expect(on === 1).toBe(table[code] === (five.rungs[step - 1] ?? 0) / 255));
        }
    });
});

describe('light', () => {
    const balanceWork = {
        id: 'w',
        kind: 'balance',
        doing: 'Setting the light',
        progress: 0.3,
        problem: '',
        startedAt: '',
        result: null,
    };

    it('takes its time to be set, and can be left as it was', async () => {
        const of = piece([float]);
        const asked = put(of, null, 'light', {
            'PUT /api/references/r1/balance': () => ({ ...balanceWork, state: 'running' }),
            'GET /api/works': ({ query }) => ({
                work: query.includes('balance') ? { ...balanceWork, state: 'running' } : null,
            }),
            'DELETE /api/works/w': () => ({ ...balanceWork, state: 'cancelled' }),
        });
        expect(await screen.findByText('Setting the light')).toBeTruthy();
        expect(screen.getByRole('button', { name: 'By a neutral' })).toHaveProperty('disabled', true);
        await userEvent.click(screen.getByRole('button', { name: 'Cancel' }));
        await waitFor(() => expect(bodies(asked, 'DELETE')).toHaveLength(1));
    });

    it('leaves what stays paper to be found, by itself once and then by hand', async () => {
        const asked = put(piece([float]), null, 'light', {
            'GET /api/pieces/p1/reserves': () => ({ reserves: null }),
            'POST /api/works': () => ({ ...balanceWork, kind: 'reserves', state: 'cancelled' }),
        });
        await userEvent.click(await screen.findByRole('button', { name: 'Find what stays paper' }));
        await waitFor(() =>
            expect(bodies(asked, 'POST')).toEqual([
                ['/api/works', { kind: 'reserves', piece: 'p1' }],
                ['/api/works', { kind: 'reserves', piece: 'p1' }],
            ]),
        );
    });

    it('of the photo is told by a patch or a lamp', async () => {
        const of = piece([float]);
        const asked = put(of, null, 'light', {
            'PUT /api/references/r1/balance': () => ({ ...balanceWork, state: 'done' }),
        });
        expect((await screen.findByTestId('balance')).textContent).toBe('As the camera saw it.');
        await userEvent.click(screen.getByRole('button', { name: 'By a grey card' }));
        await userEvent.click(screen.getByRole('button', { name: 'Use the tool' }));
        await userEvent.click(screen.getByRole('button', { name: /Photographed under/ }));
        await userEvent.click(await screen.findByRole('option', { name: 'Warm lamp' }));
        await waitFor(() =>
            expect(bodies(asked, 'PUT').map(([, body]) => body)).toEqual([
                { balance: { by: 'grey-card', x: 0.5, y: 0.5, radius: 0.01 } },
                { balance: { by: 'lamp', lamp: 'warm-lamp' } },
            ]),
        );
    });

    it('comes from somewhere: an estimate that says how sure it is', async () => {
        put(
            piece([float]),
            null,
            'light',
            {},
            { light: { degrees: 140, words: 'upper left', agreement: 0.2, corrected: false } },
        );
        expect((await screen.findByTestId('light')).textContent).toBe('From upper left; an estimate, not sure.');
        expect(screen.getByText(/light side: 1/)).toBeTruthy();
    });

    it('leaves what stays paper, the largest first and the rest by number', async () => {
        put(piece([float]), null, 'light');
        expect(await screen.findByText(/1.2 % must stay paper/)).toBeTruthy();
        expect(screen.getByText('And 2 smaller ones.')).toBeTruthy();
        expect(screen.getByRole('button', { name: 'Paper rim, Float' })).toBeTruthy();
    });
});

describe('references', () => {
    const of = piece([float], {
        references: [
            reference('r1', 'Photo'),
            reference('r2', 'Evening', { role: 'light', pairs: [[0.1, 0.1, 0.2, 0.2]] }),
        ],
    });

    it('show the same spot, and are named and given a role', async () => {
        const asked = put(of, float, 'references', {
            'POST /api/pieces/p1/same-spot': () => [
                { reference: of.references[0], x: 0.5, y: 0.5, sample: { colour: colour(), spread: 1, pixels: 9 } },
                { reference: of.references[1], x: 1.5, y: 0.5, sample: null },
            ],
            'PATCH /api/references/r2': () => of,
            'DELETE /api/references/r2': () => null,
        });
        expect((await screen.findByTestId('same-spot')).textContent).toContain('lies outside');
        const evening = within(screen.getAllByTestId('reference')[1] as HTMLElement);
        await userEvent.clear(evening.getByLabelText('Name'));
        await userEvent.type(evening.getByLabelText('Name'), 'Dusk');
        await userEvent.tab();
        await userEvent.click(evening.getByRole('button', { name: 'Take the last pair away' }));
        await waitFor(() =>
            expect(bodies(asked, 'PATCH').map(([, body]) => body)).toEqual([{ name: 'Dusk' }, { pairs: [] }]),
        );
        await userEvent.click(evening.getByRole('button', { name: 'Remove' }));
        expect(await screen.findByText('Evening removed')).toBeTruthy();
        // The first holds the zones: it can be replaced, not removed.
        const first = within(screen.getAllByTestId('reference')[0] as HTMLElement);
        expect(first.queryByRole('button', { name: 'Remove' })).toBeNull();
    });
});

describe('the sheet', () => {
    it('keeps its shape: a width is sent, the height follows', async () => {
        const asked = put(piece([]), null, 'format');
        const width = await screen.findByLabelText('Width, mm');
        await userEvent.clear(width);
        await userEvent.type(width, '320');
        expect((screen.getByLabelText('Height, mm') as HTMLInputElement).value).toBe('240');
        await userEvent.click(screen.getByRole('button', { name: 'Set' }));
        await waitFor(() => expect(bodies(asked, 'PATCH')).toEqual([['/api/pieces/p1', { widthMm: 320 }]]));
    });

    it('crops to a format in the middle of the photo', () => {
        const crop = middleCrop({ width: 1600, height: 1200 }, 1);
        expect(crop).toEqual({ x: 0.125, y: 0, width: 0.75, height: 1 });
        const wide = middleCrop({ width: 1600, height: 1200 }, 2);
        expect(wide.width).toBe(1);
        expect(wide.height).toBeCloseTo(2 / 3);
        expect(wide.y).toBeCloseTo(1 / 6);
    });

    it('keeps a crop within the photo and in its ratio', () => {
        for (const [x, y, w, h] of [
            [-1, -1, 0.5, 0.5],
            [0.9, 0.9, 0.5, 0.5],
            [0.2, 0.2, 9, 9],
            [0.5, 0.5, 0, 0],
        ] as const) {
            for (const ratio of [null, 0.75, 1, 2]) {
                const crop = cropOf(x, y, w, h, ratio);
                expect(crop.x).toBeGreaterThanOrEqual(0);
                expect(crop.y).toBeGreaterThanOrEqual(0);
                expect(crop.x + crop.width).toBeLessThanOrEqual(1.000001);
                if (ratio !== null) expect(crop.width / crop.height).toBeCloseTo(ratio);
                else expect(crop.y + crop.height).toBeLessThanOrEqual(1.000001);
            }
        }
    });

    it('is cropped from the keyboard', async () => {
        const moved = vi.fn();
        render(
            <ThemeProvider theme={daylight}>
                <CropFrame crop={{ x: 0.2, y: 0.2, width: 0.5, height: 0.5 }} ratio={1} onChange={moved} />
            </ThemeProvider>,
        );
        screen.getByTestId('crop').focus();
        await userEvent.keyboard('{ArrowRight}{Shift>}{ArrowRight}{/Shift}');
        expect(moved.mock.calls[0]?.[0].x).toBeCloseTo(0.21);
        expect(moved.mock.calls[1]?.[0].width).toBeCloseTo(0.51);
    });

    it('has a grid of about eight squares, in round measures', () => {
        const of = (widthMm: number, unit: 'mm' | 'in') =>
            squareOf({ crop: null, widthMm, heightMm: widthMm / 2, unit });
        expect(of(240, 'mm')).toBe(25);
        expect(of(594, 'mm')).toBe(100);
        expect(of(100, 'mm')).toBe(10);
        expect(of(254, 'in')).toBe(1);
    });
});

describe('zoom', () => {
    const region = { x: 0.2, y: 0.1, width: 0.5, height: 0.8 };

    it('keeps the place under the pointer, and never leaves the region', () => {
        const zoom = new Zoom();
        zoom.showWithin(region);
        expect(zoom.at(0, 0)[0]).toBeCloseTo(0.2);
        expect(zoom.at(1, 1)[1]).toBeCloseTo(0.9);
        zoom.by(2, 0, 0);
        expect(zoom.now().scale).toBe(2);
        expect(zoom.at(0, 0)[0]).toBeCloseTo(0.2);
        zoom.pan(-5, -5);
        expect(zoom.at(1, 1)[0]).toBeCloseTo(0.7);
        expect(zoom.at(1, 1)[1]).toBeCloseTo(0.9);
        zoom.fit();
        expect(zoom.now().scale).toBe(1);
    });

    it('moves and stretches the sheet while a gesture lasts to where it is laid out after', () => {
        vi.useFakeTimers();
        const zoom = new Zoom();
        zoom.showWithin(region);
        zoom.by(2, 0.3, 0.6);
        zoom.pan(0.1, -0.05);
        const moving = zoom.sheet();
        const [across, down, stretched] = /translate\((.+)%, (.+)%\) scale\((.+)\)/
            .exec(moving.transform ?? '')
            ?.slice(1)
            .map(Number) as [number, number, number];
        vi.advanceTimersByTime(1000);
        const after = zoom.sheet();
        vi.useRealTimers();
        const percent = (text: string) => Number.parseFloat(text);
        expect(after.transform).toBeUndefined();
        expect(percent(moving.width) * stretched).toBeCloseTo(percent(after.width), 2);
        expect(percent(moving.left) + (across / 100) * percent(moving.width)).toBeCloseTo(percent(after.left), 2);
        expect(percent(moving.top) + (down / 100) * percent(moving.height)).toBeCloseTo(percent(after.top), 2);
    });

    it('draws nobody anew but who listens to it', () => {
        const zoom = new Zoom();
        let frames = 0;
        let texts = 0;
        const Beside = () => {
            texts++;

            return null;
        };
        const Listening = () => {
            frames++;

            return <p>{useZoomed(({ scale }) => scale)}</p>;
        };
        render(
            <ZoomContext value={zoom}>
                <Beside />
                <Listening />
            </ZoomContext>,
        );
        for (let i = 0; i < 5; i++) act(() => zoom.by(1.1));
        expect([frames, texts]).toEqual([6, 1]);
    });
});
