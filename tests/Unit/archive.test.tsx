import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { Route, Routes } from 'react-router';
import { describe, expect, it, vi } from 'vitest';
import type { Brought, Share, Shared, Work } from '../../resources/js/api/client';
import { SaveArchive } from '../../resources/js/archive/SaveArchive';
import { TakeIn } from '../../resources/js/archive/TakeIn';
import { SharedPage } from '../../resources/js/share/SharedPage';
import { ShareSheet } from '../../resources/js/share/ShareSheet';
import { Notices } from '../../resources/js/ui/Notices';
import { show } from './fixtures';
import { Answer, serve } from './server';

const work = (changes: Partial<Work>): Work => ({
    id: 'w1',
    kind: 'archive',
    state: 'done',
    before: 0,
    doing: '',
    progress: 1,
    problem: '',
    startedAt: '2026-11-29T20:00:00Z',
    result: null,
    ...changes,
});

const made = (of: string | null) =>
    work({ result: { archive: 'a1', name: 'studio-2026-11-29.zip', bytes: 12_480_000, of } });

describe('saving an archive', () => {
    it('asks for the whole studio, shows how far it is, and hands the file over', async () => {
        let now: Work | null = null;
        const asked = serve({
            'GET /api/works': () => ({ work: now }),
            'POST /api/works': () => {
                now = made(null);

                return new Answer(202, work({ state: 'running', doing: 'Writing Floats', progress: 0.4 }));
            },
        });
        show(<SaveArchive>Save the whole studio</SaveArchive>);
        await userEvent.click(screen.getByRole('button', { name: 'Save the whole studio' }));
        expect(await screen.findByText('Writing Floats')).toBeTruthy();
        const link = await screen.findByRole('link', { name: 'Fetch studio-2026-11-29.zip, 12.5 MB' });
        expect(link.getAttribute('href')).toBe('/api/archives/a1');
        expect(link.getAttribute('download')).toBe('studio-2026-11-29.zip');
        expect(asked.find(({ method }) => method === 'POST')?.body).toEqual({ kind: 'archive' });
    });

    it('does not hand over what was saved of something else', async () => {
        serve({ 'GET /api/works': () => ({ work: made('p1') }) });
        show(<SaveArchive>Save the whole studio</SaveArchive>);
        await new Promise((then) => setTimeout(then, 50));
        expect(screen.queryByRole('link')).toBeNull();
    });

    it('says what went wrong', async () => {
        serve({ 'GET /api/works': () => ({ work: work({ state: 'failed', problem: 'There is no room.' }) }) });
        show(<SaveArchive piece="p1">Save as archive</SaveArchive>);
        expect(await screen.findByText(/There is no room\./)).toBeTruthy();
    });
});

const brought: Brought = {
    file: '7-f1',
    isStudio: true,
    isFirst: false,
    counts: { box: 48, swatches: 430, recipes: 1, calibrations: 1, practice: 0, charts: 0 },
    pieces: [
        {
            folder: 'pieces/1/',
            title: 'Floats',
            zones: 22,
            done: 12,
            photos: 2,
            here: { id: 'p1', title: 'Floats, old', done: 0 },
        },
        { folder: 'pieces/2/', title: 'Jugs', zones: 20, done: 0, photos: 0, here: null },
    ],
    notes: ['BX:1 is Bilge here, Keel in the archive: what is here stays.'],
};

const archive = new File(['zip'], 'studio.zip', { type: 'application/zip' });

function takeIn(answers: Parameters<typeof serve>[0]) {
    const asked = serve({
        'GET /api/works': () => ({ work: null }),
        'GET /api/restores/latest': () => ({ restore: null }),
        ...answers,
    });
    show(
        <>
            <TakeIn />
            <Notices />
        </>,
    );
    const field = document.querySelector<HTMLInputElement>('input[type=file]');
    if (!field) throw new Error('There is no field for a file.');

    return { asked, field };
}

describe('taking an archive in', () => {
    it('shows what it brings before it is taken in, and leaves what is here unless told otherwise', async () => {
        const { asked, field } = takeIn({
            'POST /api/archives': () => brought,
            'POST /api/works': () =>
                new Answer(202, work({ kind: 'restore', result: { restore: 'r1', pieces: ['p9'] } })),
        });
        await userEvent.upload(field, archive);
        const shown = await screen.findByTestId('brought');
        expect(shown.textContent).toContain(
            'A whole studio: 2 pieces, 48 pencils in the box, 430 swatches, 1 calibration, 1 recipe.',
        );
        expect(shown.textContent).toContain('BX:1 is Bilge here');
        expect(within(shown).getByRole('row', { name: /^Floats/ }).textContent).toContain(
            '12 turns, 2 photosis here as Floats, old, not drawn on',
        );
        expect(within(shown).getByRole('row', { name: /^Jugs/ }).textContent).toContain('not hereComes in');
        expect(shown.textContent).toContain('What is here already stays.');
        // Habits of another day come only where one asks for them.
        expect(within(shown).getByRole('checkbox').getAttribute('checked')).toBeNull();
        await userEvent.click(within(shown).getByRole('button', { name: /What becomes of Floats/ }));
        await userEvent.click(await screen.findByRole('option', { name: 'Put it in its place' }));
        expect(shown.textContent).toContain('stays, but for the pieces whose place is taken.');
        await userEvent.click(within(shown).getByRole('button', { name: 'Take it in' }));
        await waitFor(() =>
            expect(asked.find(({ method, path }) => method === 'POST' && path === '/api/works')?.body).toEqual({
                kind: 'restore',
                file: '7-f1',
                ways: { 'pieces/1/': 'replace' },
                habits: false,
            }),
        );
    });

    it('takes habits along into a studio with nothing in it', async () => {
        const { field } = takeIn({ 'POST /api/archives': () => ({ ...brought, isFirst: true }) });
        await userEvent.upload(field, archive);
        const habits = await screen.findByRole<HTMLInputElement>('checkbox', { name: /Its habits/ });
        await waitFor(() => expect(habits.checked).toBe(true));
    });

    it('says why one is refused, and takes another', async () => {
        const { field } = takeIn({
            'POST /api/archives': () => new Answer(422, { message: 'This is no whole zip file.' }),
        });
        await userEvent.upload(field, archive);
        expect(await screen.findByText(/This is no whole zip file/)).toBeTruthy();
        expect(screen.queryByTestId('brought')).toBeNull();
        expect(screen.getByRole('button', { name: 'Choose an archive' })).toBeTruthy();
    });

    it('takes back out what was taken in', async () => {
        let restore: object | null = { id: 'r1', title: 'A studio', pieces: 4, at: '2026-11-29T20:00:00Z' };
        const { asked } = takeIn({
            'GET /api/restores/latest': () => ({ restore }),
            'DELETE /api/restores/r1': () => {
                restore = null;

                return { message: 'Taken back: the studio is as it was before.' };
            },
        });
        expect((await screen.findByTestId('taken-in')).textContent).toContain('A studio, 4 pieces.');
        await userEvent.click(screen.getByRole('button', { name: 'Take it back out' }));
        expect(await screen.findByText('Taken back: the studio is as it was before.')).toBeTruthy();
        await waitFor(() => expect(screen.queryByTestId('taken-in')).toBeNull());
        expect(asked.some(({ method }) => method === 'DELETE')).toBe(true);
    });
});

const share = (id: string, changes: Partial<Share> = {}): Share => ({
    id,
    kind: 'plan',
    withPhoto: false,
    path: `/shared/${id}`,
    until: '2026-12-29T20:00:00Z',
    madeAt: '2026-11-29T20:00:00Z',
    ...changes,
});

describe('a link', () => {
    it('is made for so long, with the photo only where one says so, copied and ended', async () => {
        const user = userEvent.setup();
        const links: Share[] = [];
        const asked = serve({
            'GET /api/pieces/p1/shares': () => links,
            'POST /api/pieces/p1/shares': () => {
                links.push(share('s1', { withPhoto: true }));

                return new Answer(201, links[0]);
            },
            'DELETE /api/shares/s1': () => {
                links.pop();

                return null;
            },
        });
        show(
            <>
                <ShareSheet piece="p1" title="Floats" kind="plan" onClose={() => undefined} />
                <Notices />
            </>,
        );
        await user.click(screen.getByText('The reference photo too'));
        await user.click(screen.getByRole('button', { name: /It holds for/ }));
        await user.click(await screen.findByRole('option', { name: '7 days' }));
        await user.click(screen.getByRole('button', { name: 'Make a link' }));
        const line = await screen.findByTestId('share');
        expect(line.textContent).toContain('The plan, with the photo');
        expect(asked.find(({ method }) => method === 'POST')?.body).toEqual({ kind: 'plan', withPhoto: true, days: 7 });
        const writeText = vi.spyOn(navigator.clipboard, 'writeText').mockResolvedValue();
        await user.click(within(line).getByRole('button', { name: 'Copy the link' }));
        expect(writeText).toHaveBeenCalledWith(`${window.location.origin}/shared/s1`);
        await user.click(within(line).getByRole('button', { name: 'End it' }));
        await waitFor(() => expect(screen.queryByTestId('share')).toBeNull());
    });
});

const shared: Shared = {
    kind: 'plan',
    title: 'Floats',
    paper: 'Harbour Cartridge',
    widthMm: 254,
    heightMm: 127,
    unit: 'in',
    withPhoto: false,
    until: '2026-12-29T20:00:00Z',
    record: null,
    plan: {
        minutes: 75,
        sessions: 1,
        pencils: [{ number: '5892', name: 'Beacon', hex: '#ccaa33', share: '62 %' }],
        turns: [
            {
                number: 1,
                stage: 'build',
                role: 'layer',
                session: 1,
                minutes: 8,
                why: 'First coat.',
                pencil: { number: '5892', name: 'Beacon', hex: '#ccaa33' },
                pressurePercent: 35,
                pressureWord: 'light',
                places: [
                    { name: 'Buoy', part: 'light', coats: 2 },
                    { name: 'Rope', part: 'all', coats: 1 },
                ],
            },
            {
                number: 2,
                stage: 'finish',
                role: 'lift',
                session: 1,
                minutes: 2,
                why: 'A light.',
                pencil: null,
                pressurePercent: null,
                pressureWord: null,
                places: [{ name: 'Buoy', part: 'light', coats: 1 }],
            },
        ],
    },
};

const see = (answer: unknown) => {
    serve({ 'GET /api/shared/t1': () => answer });
    show(
        <Routes>
            <Route path="/shared/:token" element={<SharedPage />} />
        </Routes>,
        '/shared/t1',
    );
};

describe('what a link shows', () => {
    it('is the plan: pencils, and turn by turn what to take and where', async () => {
        see(shared);
        expect(await screen.findByRole('heading', { level: 1, name: 'Floats' })).toBeTruthy();
        expect(document.body.textContent).toContain(
            'Coloured pencil on Harbour Cartridge, 10.0 × 5.0 in. 1 pencil, 2 turns, about 1 h 15 min.',
        );
        const [first, second] = screen.getAllByTestId('turn');
        expect(first?.textContent).toContain('5892 Beacon35 % lightBuoy, light, 2 coats; RopeFirst coat.');
        expect(second?.textContent).toContain('EraserBuoy, lightA light.');
        // Without the photo, which its artist keeps.
        expect(screen.queryByRole('img', { name: /is drawn from/ })).toBeNull();
        expect(screen.getByRole('img', { name: 'Floats as it is planned' }).getAttribute('src')).toBe(
            '/api/shared/t1/preview',
        );
    });

    it('is the photo too, where it may be seen', async () => {
        see({ ...shared, withPhoto: true });
        expect((await screen.findByRole('img', { name: /is drawn from/ })).getAttribute('src')).toBe(
            '/api/shared/t1/photo',
        );
    });

    it('is the record: words, pencils, photos of the drawing, and no turns', async () => {
        see({
            ...shared,
            kind: 'record',
            plan: null,
            record: {
                caption: 'Floats. Coloured pencil.',
                minutes: 90,
                sittings: 2,
                turns: 9,
                pencils: [{ number: '6858', name: 'Pennant', hex: null, share: '40 %' }],
                checks: [{ photo: 'm1', at: '2026-11-02T10:00:00Z', words: 'half a step off' }],
            },
        });
        expect((await screen.findByTestId('caption')).textContent).toBe('Floats. Coloured pencil.');
        expect(document.body.textContent).toContain('1 h 30 min in 2 sittings, 9 turns.');
        expect(screen.getByRole('row', { name: /6858/ }).textContent).toContain('Pennant40 %');
        expect(screen.getByRole('img', { name: /The drawing on 2 November 2026/ }).getAttribute('src')).toBe(
            '/api/shared/t1/checks/m1',
        );
        expect(screen.queryByTestId('turn')).toBeNull();
    });

    it('says so where nothing is planned', async () => {
        see({ ...shared, plan: null });
        expect(await screen.findByText('Nothing is planned yet.')).toBeTruthy();
    });

    it('leads nowhere once it is over', async () => {
        see(new Answer(404, { message: 'This link leads nowhere, or not any more.' }));
        expect(await screen.findByRole('heading', { name: 'This link leads nowhere' })).toBeTruthy();
        expect(screen.getByText('This link leads nowhere, or not any more.')).toBeTruthy();
    });
});
