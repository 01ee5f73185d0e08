import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { Route, Routes } from 'react-router';
import { describe, expect, it, vi } from 'vitest';
import type { DrawingEntry, PieceRecord } from '../../resources/js/api/client';
import { FiguresPage, handWords } from '../../resources/js/record/FiguresPage';
import { byDay, RecordPage } from '../../resources/js/record/RecordPage';
import { Notices } from '../../resources/js/ui/Notices';
import { show } from './fixtures';
import { serve } from './server';

const note = (mark: string, madeAt: string): DrawingEntry => ({
    mark,
    kind: 'note',
    turn: null,
    keys: [],
    did: null,
    note: `Note ${mark}`,
    zone: null,
    photo: null,
    undone: false,
    madeAt,
});

const record: PieceRecord = {
    id: 'p1',
    title: 'Floats',
    photoUrl: '/photo.jpg',
    caption: 'Floats. Coloured pencil on Harbour Cartridge, 240 × 180 mm. 1 pencils: 5892 Beacon.',
    minutes: 75,
    turns: 12,
    otherwise: 1,
    sittings: [{ from: '2026-11-01T18:00:00Z', to: '2026-11-01T19:09:00Z', minutes: 75, presses: 14 }],
    pencils: [{ id: 'QW:5892', number: '5892', name: 'Beacon', hex: '#ccaa33', share: '62 %' }],
    checks: [
        {
            photo: 'm',
            at: '2026-11-02T10:00:00Z',
            picture: '/check.png',
            words: 'half a step off on the whole',
            rangeSteps: 6.4,
        },
    ],
    entries: [note('a', '2026-11-01T18:00:00Z'), note('b', '2026-11-02T10:00:00Z'), note('c', '2026-11-02T11:00:00Z')],
};

function put(of: PieceRecord) {
    serve({
        'GET /api/pieces/p1/record': () => of,
        'GET /api/pieces/p1/plan': () => ({ steps: [] }),
    });
    show(
        <>
            <Routes>
                <Route path="/pieces/:piece/record" element={<RecordPage />} />
            </Routes>
            <Notices />
        </>,
        '/pieces/p1/record',
    );
}

describe('the record of a piece', () => {
    it('says what it took, of what it is made, and how it came along', async () => {
        put(record);
        expect((await screen.findByTestId('took')).textContent).toBe(
            '1 h 15 min in 1 sitting, 12 turns, 1 pencil; 1 press otherwise than planned.',
        );
        const row = screen.getByRole('row', { name: /5892/ });
        expect(within(row).getByText('62 %')).toBeTruthy();
        expect(screen.getByRole('img', { name: /The drawing on Monday/ })).toBeTruthy();
        expect(screen.getByText(/half a step off on the whole; a range of 6.4 steps/)).toBeTruthy();
        expect(await screen.findByText('Note c')).toBeTruthy();
    });

    it('gives the words to publish it with', async () => {
        const writeText = vi.fn(() => Promise.resolve());
        const user = userEvent.setup();
        vi.spyOn(navigator.clipboard, 'writeText').mockImplementation(writeText);
        put(record);
        await user.click(await screen.findByRole('button', { name: 'Copy' }));
        expect(writeText).toHaveBeenCalledWith(record.caption);
        expect(await screen.findByText('Copied')).toBeTruthy();
    });

    it('says that nothing is drawn yet', async () => {
        put({ ...record, turns: 0, minutes: 0, sittings: [], pencils: [], checks: [], entries: [] });
        expect((await screen.findByTestId('took')).textContent).toContain('Nothing is drawn yet');
        expect(screen.queryByText('Diary')).toBeNull();
    });

    it('reads day by day', () => {
        expect(byDay(record.entries).map(([, of]) => of.map(({ mark }) => mark))).toEqual([['a'], ['b', 'c']]);
    });
});

describe('figures', () => {
    it('are tables that can be read out', async () => {
        serve({
            'GET /api/figures': () => ({
                months: [
                    { month: '2026-08', minutes: 0, sittings: 0, turns: 0, pieces: 0 },
                    { month: '2026-09', minutes: 20, sittings: 1, turns: 2, pieces: 1 },
                    { month: '2026-10', minutes: 0, sittings: 0, turns: 0, pieces: 0 },
                    { month: '2026-11', minutes: 95, sittings: 2, turns: 14, pieces: 1 },
                ],
                pencils: [
                    { id: 'QW:5892', number: '5892', name: 'Beacon', usedMm: 4, leftMm: 31, isShort: true },
                    { id: 'QW:6858', number: '6858', name: 'Pennant', usedMm: 12, leftMm: null, isShort: false },
                ],
                hand: [{ at: '2026-11-02T10:00:00Z', percent: 88 }],
                checks: [{ piece: 'p1', title: 'Floats', first: 1.4, last: 0.5, count: 2 }],
                schools: [{ question: 'Which value first', answer: 'Light to dark', pieces: 3 }],
            }),
        });
        show(<FiguresPage />, '/figures');
        const row = await screen.findByRole('row', { name: /^November 2026/ });
        expect(row.textContent).toBe('November 20261 h 35 min2141');
        expect(screen.getByRole('row', { name: /^October 2026/ }).textContent).toBe('October 2026––––');
        expect(screen.queryByRole('row', { name: /^August 2026/ })).toBeNull();
        expect(screen.getByRole('row', { name: /5892/ }).textContent).toContain('! 31 mm left');
        expect(screen.getByRole('row', { name: /Floats/ }).textContent).toContain('1.4 to 0.5 steps in 2 checks');
        expect(screen.getByText('12 % lighter than the swatches')).toBeTruthy();
        expect(screen.getByRole('row', { name: /Which value first/ }).textContent).toContain('Light to dark3 pieces');
    });

    it('tell a hand against its swatches', () => {
        expect([100, 112, 95].map(handWords)).toEqual([
            'as the swatches say',
            '12 % heavier than the swatches',
            '5 % lighter than the swatches',
        ]);
    });
});
