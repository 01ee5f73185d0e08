import type { DraftStep } from './draft';

/** A run of steps that is laid so many times over; what is laid once stands alone. */
export interface Round {
    from: number;
    length: number;
    times: number;
}

/** No round has more steps. */
const LONGEST = 5;

export const MOST_ROUNDS = 6;

const same = (one: DraftStep, other: DraftStep) =>
    one.kind === other.kind &&
    one.pencil === other.pencil &&
    one.pressure === other.pressure &&
    one.passes === other.passes;

function repeats(steps: DraftStep[], from: number, length: number): number {
    const isAgain = (times: number) =>
        from + (times + 1) * length <= steps.length &&
        steps
            .slice(from, from + length)
            .every((step, index) => same(step, steps[from + times * length + index] as DraftStep));
    let times = 1;
    while (isAgain(times)) times++;

    return times;
}

/** The steps in groups, as the engine groups them: of the ways to see rounds at a place the one that holds most. */
export function roundsOf(steps: DraftStep[]): Round[] {
    const rounds: Round[] = [];
    for (let from = 0; from < steps.length;) {
        let best: Round = { from, length: 1, times: 1 };
        for (let length = 2; length <= LONGEST && from + 2 * length <= steps.length; length++) {
            const times = repeats(steps, from, length);
            if (times > 1 && times * length > best.times * best.length) best = { from, length, times };
        }
        rounds.push(best);
        from += best.length * best.times;
    }

    return rounds;
}

/** The stack with a round laid so many times, its layers pressed by so much more or less. */
export function withRounds(
    steps: DraftStep[],
    { from, length, times }: Round,
    to: { times?: number; by?: number },
    copy: (step: DraftStep) => DraftStep,
): DraftStep[] {
    const pressed = (step: DraftStep): DraftStep => ({
        ...step,
        pressure: step.kind === 'layer' ? Math.max(5, Math.min(100, step.pressure + (to.by ?? 0))) : step.pressure,
    });
    const kept = steps.slice(from, from + length * Math.min(times, to.times ?? times)).map(pressed);
    const more = Array.from({ length: Math.max(0, (to.times ?? times) - times) }, () =>
        steps.slice(from, from + length).map((step) => copy(pressed(step))),
    ).flat();

    return [...steps.slice(0, from), ...kept, ...more, ...steps.slice(from + length * times)];
}
