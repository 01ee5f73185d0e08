import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import type { Review } from '../../resources/js/api/client';
import { CompareStage } from '../../resources/js/compare/CompareStage';
import { hatched } from '../../resources/js/compare/hatch';
import { Around } from './desk';
import { piece, planOf, recipe, show, zone } from './fixtures';
import { serve } from './server';

describe('hatching over errors of value', () => {
    const of = (...values: number[]) => new Uint8ClampedArray(values.flatMap((value) => [value, value, value, 255]));
    const covered = (grey: number, width = 40, height = 40) => {
        const shown = hatched(of(...Array.from({ length: width * height }, () => grey)), width, height);

        return (x: number, y: number) => (shown[4 * (y * width + x) + 3] ?? 0) > 0;
    };
    const share = (at: (x: number, y: number) => boolean) =>
        Array.from({ length: 1600 }, (_, i) => at(i % 40, Math.floor(i / 40))).filter(Boolean).length / 1600;

    it('is none where the eye sees no difference', () => {
        expect(share(covered(128))).toBe(0);
        expect(share(covered(134))).toBe(0);
    });

    it('rises where it is too light, and falls where it is too dark', () => {
        const light = covered(140);
        const dark = covered(116);
        for (let i = 1; i < 20; i++) {
            expect(light(10 + i, 20 - i)).toBe(light(10, 20));
            expect(dark(10 + i, 10 + i)).toBe(dark(10, 10));
        }
    });

    it('lies closer where it is much', () => {
        expect(share(covered(170))).toBeGreaterThan(1.5 * share(covered(140)));
    });
});

describe('the drawing beside the photo', () => {
    const words = (id: string, state: Review['zones'][number]['state'], said: string) => ({
        id,
        name: `Zone ${id}`,
        state,
        isToCome: false,
        words: said,
        dL: 0,
        stepsOff: 0,
        dE00: 0,
    });
    const review = (zones: Review['zones']): Review => ({
        photo: 'm1',
        madeAt: '2026-11-01T10:00:00Z',
        straight: '/straight',
        values: '/values',
        errors: '/errors',
        found: true,
        given: false,
        corners: [
            [0.1, 0.1],
            [0.9, 0.1],
            [0.9, 0.9],
            [0.1, 0.9],
        ],
        width: 48,
        height: 36,
        range: 'Your darkest is step 3, the photo’s is 1.',
        meanError: 6.25,
        meanSteps: 0.6,
        meanErrorWords: 'Values are off by 0.6 steps on average.',
        warnings: [],
        zones,
        course: null,
        corrections: [],
        hand: null,
        goneOn: false,
    });
    const put = (reviews: Review[], work: object | null = null) => {
        const asked = serve({
            'GET /api/pieces/p1/reviews': () => reviews,
            'GET /api/pieces/p1/drawing': () => [
                {
                    mark: 'm1',
                    kind: 'photo',
                    photo: { url: '/photo', width: 10, height: 10 },
                    madeAt: '2026-11-01T10:00:00Z',
                },
            ],
            'GET /api/pieces/p1/plan': () => planOf([]),
            'GET /api/works': () => ({ work }),
            'POST /api/works': () => ({ id: 'w', kind: 'review', state: 'waiting', doing: '', progress: 0 }),
        });
        const of = piece([zone('z1', 'Zone z1', { recipe: recipe() })]);
        show(
            <Around of={of} selected={null}>
                <CompareStage />
            </Around>,
        );

        return { asked };
    };

    it('says how to take a photo where there is none yet', async () => {
        put([]);
        expect(await screen.findByText(/with white paper all round it/)).toBeTruthy();
        expect(screen.queryByText('All zones ▾')).toBeNull();
    });

    it('says the three places that need the hand, and folds the rest', async () => {
        put([
            review([
                words('z1', 'off', 'one step too light'),
                words('z2', 'near', 'leave it: the eye sees no difference'),
                words('z3', 'begun', 'begun; still 2 steps too light'),
                words('z4', 'bare', 'not begun'),
                words('z5', 'off', 'half a step too dark'),
            ]),
        ]);
        const said = await screen.findByRole('heading', { name: 'Three places that need the hand' });
        const list = said.nextElementSibling as HTMLElement;
        expect([...list.children].map(({ textContent }) => textContent)).toEqual([
            'Zone z1: one step too light',
            'Zone z3: begun; still 2 steps too light',
            'Zone z4: not begun',
        ]);
        expect(screen.getByText(/Your darkest is step 3/).textContent).toContain('off by 0.6 steps on average');
        // One that is still in the piece is chosen at a press; one that is not is only named.
        expect(within(list).getAllByRole('button')).toHaveLength(1);
    });

    it('lets corners be set on a photo in which no drawing was found', async () => {
        const { asked } = put([], { id: 'w', kind: 'review', state: 'failed', problem: 'Nothing here.', progress: 0 });
        await userEvent.click(await screen.findByRole('button', { name: /Set its corners by hand/ }));
        await userEvent.click(screen.getByRole('button', { name: 'Compare by these corners' }));
        await waitFor(() =>
            expect(asked.find(({ method }) => method === 'POST')?.body).toMatchObject({ piece: 'p1', photo: 'm1' }),
        );
    });

    it('compares anew by corners that are moved with the keys', async () => {
        const { asked } = put([review([words('z1', 'near', 'leave it: the eye sees no difference')])]);
        expect(await screen.findByText('Leave it: nothing is off by more than the eye sees.')).toBeTruthy();
        await userEvent.click(await screen.findByRole('button', { name: /Corners of the drawing/ }));
        screen.getByRole('button', { name: /Upper left corner/ }).focus();
        await userEvent.keyboard('{ArrowRight}');
        await userEvent.click(screen.getByRole('button', { name: 'Compare by these corners' }));
        await waitFor(() => expect(asked.some(({ method }) => method === 'POST')).toBe(true));
        const { corners } = asked.find(({ method }) => method === 'POST')?.body as { corners: number[][] };
        expect(corners[0]?.[0]).toBeGreaterThan(0.1);
        expect(corners.slice(1)).toEqual([
            [0.9, 0.1],
            [0.9, 0.9],
            [0.1, 0.9],
        ]);
    });
});
