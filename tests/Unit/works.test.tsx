import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { expect, it, vi } from 'vitest';
import type { Work } from '../../resources/js/api/client';
import { pace, useWork } from '../../resources/js/api/works';
import { show } from './fixtures';
import { serve } from './server';

const work = (id: string, state: Work['state']): Work => ({
    id,
    kind: 'audit',
    state,
    before: 0,
    doing: '',
    progress: 0,
    problem: '',
    startedAt: '2026-11-01T10:00:00Z',
    result: null,
});

function Audit() {
    const { work: latest, start } = useWork('audit');

    return (
        <button type="button" onClick={() => start.mutate({})}>
            {latest ? `${latest.id} ${latest.state}` : 'none'}
        </button>
    );
}

it('stays with what was begun, whatever was asked before and is answered late', async () => {
    const late: ((answer: unknown) => void)[] = [];
    let asked = 0;
    serve({
        'GET /api/works': () =>
            // The first is answered at once, the second only when the next work is begun.
            asked++ === 1 ? new Promise((answer) => late.push(answer)) : { work: work('first', 'running') },
        'POST /api/works': () => work('second', 'waiting'),
    });
    show(<Audit />);
    const button = await screen.findByRole('button', { name: 'first running' });
    await expect.poll(() => late.length).toBe(1);
    await userEvent.click(button);
    await screen.findByRole('button', { name: 'second waiting' });
    late[0]?.({ work: work('first', 'cancelled') });
    await new Promise((wake) => setTimeout(wake, 50));
    expect(screen.getByRole('button').textContent).toBe('second waiting');
});

it('asks for a work when it has taken a tenth longer, from a tenth of a second to a whole one, and for the next from the start', () => {
    vi.useFakeTimers();
    const next = pace();
    const asked = [0, 3000, 4000, 60_000].map((wait) => {
        vi.advanceTimersByTime(wait);

        return next(work('first', 'running'));
    });
    expect(asked).toEqual([100, 300, 700, 1000]);
    expect(next(work('second', 'waiting'))).toBe(100);
    vi.useRealTimers();
});
