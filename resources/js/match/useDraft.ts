import { startTransition, useCallback, useMemo, useState } from 'react';
import { useDebouncedCallback, useThrottledCallback } from 'use-debounce';
import { readStack, type DraftStep } from './draft';

/** A pressure that stands still for so long, milliseconds, is settled: what can be undone is not each place it came through. */
const SETTLED = 300;

/** While it moves it is told at most so often, milliseconds: on a slow machine too there is time for what it comes to. */
const TOLD = 80;

/** A pressure that is still under the finger. */
interface Moving {
    key: string;
    from: number;
    to: number;
}

const pressed = (steps: DraftStep[], moving: Moving | null) =>
    moving
        ? steps.map((step) =>
              step.key === moving.key && step.pressure === moving.from ? { ...step, pressure: moving.to } : step,
          )
        : steps;

interface Past {
    steps: DraftStep[];
    past: DraftStep[][];
    future: DraftStep[][];
    moving: Moving | null;
}

/** With what moves settled, as one change. */
function settled(now: Past): Past {
    const { steps, past, moving } = now;
    if (!moving) return now;

    return moving.from === moving.to
        ? { ...now, moving: null }
        : { steps: pressed(steps, moving), past: [...past, steps], future: [], moving: null };
}

/** An open stack: its steps, and what was changed, to be undone and redone. */
export function useDraft(opened: string) {
    const [now, set] = useState<Past>(() => ({
        steps: readStack(opened) ?? [],
        past: [],
        future: [],
        moving: null,
    }));
    // The slider answers by itself; what it comes to may take several frames.
    const settle = useDebouncedCallback(() => startTransition(() => set(settled)), SETTLED);

    const move = useThrottledCallback(
        (key: string, to: number) =>
            startTransition(() =>
                set((was) => {
                    // Another slider: what moved before is settled.
                    const then = was.moving?.key === key ? was : settled(was);
                    const from = then.moving?.from ?? then.steps.find((step) => step.key === key)?.pressure ?? to;

                    return { ...then, moving: { key, from, to } };
                }),
            ),
        TOLD,
    );
    const press = useCallback(
        (key: string, to: number) => {
            move(key, to);
            settle();
        },
        [move, settle],
    );
    /** What the hand has moved comes before what it does next. */
    const next = useCallback(
        (to: (was: Past) => Past) => {
            move.flush();
            set(to);
        },
        [move],
    );
    const change = useCallback(
        (to: (steps: DraftStep[]) => DraftStep[]) =>
            next((was) => {
                const { steps, past } = settled(was);

                return { steps: to(steps), past: [...past, steps], future: [], moving: null };
            }),
        [next],
    );

    const undo = useCallback(
        () =>
            next((was) => {
                const { steps, past, future } = settled(was);
                const last = past.at(-1);

                return last
                    ? { steps: last, past: past.slice(0, -1), future: [steps, ...future], moving: null }
                    : { ...was, moving: null };
            }),
        [next],
    );
    const redo = useCallback(
        () =>
            next((was) => {
                const [again, ...future] = was.future;

                return again ? { steps: again, past: [...was.past, was.steps], future, moving: null } : was;
            }),
        [next],
    );

    return {
        /** As they were when the hand last let go. */
        steps: now.steps,
        /** As they are now, under the hand. */
        live: useMemo(() => pressed(now.steps, now.moving), [now.steps, now.moving]),
        canUndo: now.moving !== null || now.past.length > 0,
        canRedo: now.future.length > 0,
        change,
        press,
        undo,
        redo,
    };
}
