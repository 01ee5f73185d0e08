import { describe, expect, it } from 'vitest';
import { again, layer, operation, writeStack, type DraftStep } from '../../resources/js/match/draft';
import { reasons } from '../../resources/js/match/reasons';
import { roundsOf, withRounds } from '../../resources/js/match/rounds';
import { recipe, step } from './fixtures';

const under = () => layer('QW:544', 30, 1);
const round = () => [layer('QW:404', 45, 2), layer('QW:422', 40, 1)];
const stack = (): DraftStep[] => [under(), ...round(), ...round(), ...round(), layer('QW:201', 70, 1)];

describe('rounds', () => {
    it('are what is repeated unchanged; what is not stands alone', () => {
        expect(roundsOf(stack())).toEqual([
            { from: 0, length: 1, times: 1 },
            { from: 1, length: 2, times: 3 },
            { from: 7, length: 1, times: 1 },
        ]);
        const changed = stack();
        changed[3] = { ...(changed[3] as DraftStep), pressure: 50 };
        expect(roundsOf(changed).filter(({ times }) => times > 1)).toEqual([]);
        const coats = stack();
        coats[3] = { ...(coats[3] as DraftStep), passes: 1 };
        expect(roundsOf(coats).filter(({ times }) => times > 1)).toEqual([]);
        expect(roundsOf([])).toEqual([]);
    });

    it('are as short as they can be: four times two is not twice four', () => {
        expect(roundsOf([...round(), ...round(), ...round(), ...round()])).toEqual([{ from: 0, length: 2, times: 4 }]);
    });

    it('see a wash as part of a round', () => {
        const cycle = () => [...round(), operation('wash')];
        expect(roundsOf([...cycle(), ...cycle(), ...round()])[0]).toEqual({ from: 0, length: 3, times: 2 });
    });

    it('are laid more or fewer times, the rest left as it is', () => {
        const steps = stack();
        const found = roundsOf(steps)[1] ?? { from: 0, length: 1, times: 1 };
        const more = withRounds(steps, found, { times: 4 }, again);
        expect(writeStack(more)).toBe(
            writeStack([under(), ...round(), ...round(), ...round(), ...round(), layer('QW:201', 70)]),
        );
        expect(new Set(more.map(({ key }) => key)).size).toBe(more.length);
        expect(writeStack(withRounds(steps, found, { times: 1 }, again))).toBe(
            writeStack([under(), ...round(), layer('QW:201', 70)]),
        );
    });

    it('are pressed as one, within what a hand can', () => {
        const steps = stack();
        const found = roundsOf(steps)[1] ?? { from: 0, length: 1, times: 1 };
        expect(withRounds(steps, found, { by: 5 }, again).map(({ pressure }) => pressure)).toEqual([
            30, 50, 45, 50, 45, 50, 45, 70,
        ]);
        expect(withRounds(steps, found, { by: 90 }, again)[1]?.pressure).toBe(100);
    });
});

describe('why a recipe is there', () => {
    const near = (dE00: number) => ({ dE00, dL: 0, dC: 0, dH: 0, valueSteps: 0, words: '' });

    it('says nearest of the nearest alone, and of the others what they have more of', () => {
        const recipes = [
            recipe({ difference: near(1.2), toothLeft: 0.4 }),
            recipe({ difference: near(0.6), toothLeft: 0.3 }),
            recipe({ difference: near(2.0), steps: [step('404')], toothLeft: 0.2 }),
            recipe({ difference: near(0.1), breaks: 'Only a burnish reaches this: 2.0 nearer.' }),
        ];
        expect(reasons(recipes)).toEqual(['most tooth left', 'nearest', 'fewest pencils', undefined]);
    });
});
