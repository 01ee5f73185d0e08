import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import { StudioPage } from '../../resources/js/studio/StudioPage';
import { Notices } from '../../resources/js/ui/Notices';
import { SchoolRows } from '../../resources/js/ui/SchoolRows';
import { schoolQuestions, show } from './fixtures';
import { Answer, serve } from './server';

describe('the hand that draws', () => {
    it('is the right one until the artist says otherwise, and is kept', async () => {
        const session = (hand: 'left' | 'right') => ({
            user: { name: 'Ada', email: 'ada@example.test', boxCount: 0, hand },
            demo: false,
        });
        const asked = serve({
            'GET /api/session': () => session('right'),
            'PATCH /api/account': () => session('left'),
        });
        show(<StudioPage />);
        const right = await screen.findByRole('radio', { name: 'Right' });
        await waitFor(() => expect(right.getAttribute('aria-checked')).toBe('true'));
        await userEvent.click(screen.getByRole('radio', { name: 'Left' }));
        await waitFor(() =>
            expect(screen.getByRole('radio', { name: 'Left' }).getAttribute('aria-checked')).toBe('true'),
        );
        expect(asked.find(({ method }) => method === 'PATCH')?.body).toEqual({ hand: 'left' });
    });
});

describe('the schools of a studio', () => {
    const put = (more: Parameters<typeof serve>[0] = {}) => {
        const asked = serve(more);
        show(
            <>
                <StudioPage />
                <Notices />
            </>,
        );

        return asked;
    };

    it('are each explained in a sentence', async () => {
        put();
        for (const question of schoolQuestions.questions) {
            const row = await screen.findByTestId(`school-${question.id}`);
            expect(row.textContent).toContain(question.name);
            expect(row.textContent).toContain(question.schools[0]?.sentence ?? 'nothing');
        }
    });

    it('are chosen, and hold at once', async () => {
        const asked = put({
            'PUT /api/schools': () => ({ ...schoolQuestions, chosen: { ...schoolQuestions.chosen, shadows: 'black' } }),
        });
        await userEvent.click(await screen.findByRole('button', { name: /Shadows/ }));
        await userEvent.click(await screen.findByRole('option', { name: 'Black, last' }));
        await waitFor(() => expect(screen.getByTestId('school-shadows').textContent).toContain('Black may deepen it.'));
        expect(asked.find(({ method }) => method === 'PUT')?.body).toEqual({ schools: { shadows: 'black' } });
    });

    it('say when they could not be kept', async () => {
        put({ 'PUT /api/schools': () => new Answer(422, { message: 'There is no such school.' }) });
        await userEvent.click(await screen.findByRole('button', { name: /Shadows/ }));
        await userEvent.click(await screen.findByRole('option', { name: 'Black, last' }));
        expect(await screen.findByText('There is no such school.')).toBeTruthy();
        expect(screen.getByTestId('school-shadows').textContent).toContain('From the complement.');
    });

    it('can be asked for again when they do not come', async () => {
        let fails = true;
        put({ 'GET /api/schools': () => (fails ? new Answer(500, { message: 'Broken.' }) : schoolQuestions) });
        const again = await screen.findByRole('button', { name: /again/i });
        fails = false;
        await userEvent.click(again);
        expect(await screen.findByTestId('school-value')).toBeTruthy();
    });
});

describe('answers', () => {
    const rows = (own: string[], only?: string[]) => {
        serve({});
        const chosen: Record<string, string | null>[] = [];
        show(
            <SchoolRows
                chosen={schoolQuestions.chosen}
                own={own}
                from="As the studio"
                {...(only ? { only } : {})}
                without={['background']}
                onChoose={(answers) => chosen.push(answers)}
            />,
        );

        return chosen;
    };

    it('given here are taken back by a button of their own', async () => {
        const chosen = rows(['shadows']);
        await userEvent.click(await screen.findByRole('button', { name: 'Shadows: As the studio' }));
        expect(chosen).toEqual([{ shadows: null }]);
        expect(screen.queryByRole('button', { name: 'Highlights: As the studio' })).toBeNull();
    });

    it('are asked for only where they matter', async () => {
        rows([], ['value', 'background']);
        expect(await screen.findByTestId('school-value')).toBeTruthy();
        expect(screen.queryByTestId('school-shadows')).toBeNull();
        expect(screen.queryByTestId('school-background')).toBeNull();
    });
});
