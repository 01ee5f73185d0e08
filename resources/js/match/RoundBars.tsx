import { memo } from 'react';
import styled from 'styled-components';
import { SignButton } from '../ui/Button';
import { space, target } from '../ui/theme';
import type { DraftStep } from './draft';
import type { Pickable } from '../ui/PencilPicker';
import { MOST_ROUNDS, roundsOf, type Round } from './rounds';

const Bar = styled.div`
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: ${space.s};
    padding: ${space.xs} ${space.s};
    border-left: 2px solid ${({ theme }) => theme.ink};
    border-right: 2px solid ${({ theme }) => theme.ink};
    & > b {
        flex: 1;
        min-width: 160px;
    }
    & > span {
        display: inline-flex;
        align-items: center;
        gap: ${space.xs};
    }
    & button {
        min-height: ${target.usual};
    }
`;

const PRESSURE_STEP = 5;

interface Props {
    steps: DraftStep[];
    box: Pickable[];
    onChange: (round: Round, to: { times?: number; by?: number }) => void;
}

/** The rounds of a stack, each changed as one: how often it is laid, and how hard. Its single steps stand below. */
export const RoundBars = memo(function RoundBars({ steps, box, onChange }: Props) {
    const number = (id: string) => box.find((pencil) => pencil.id === id)?.number ?? id;

    return roundsOf(steps)
        .filter(({ times }) => times > 1)
        .map((round) => {
            const { from, length, times } = round;
            const names = steps
                .slice(from, from + length)
                .map((step) => (step.kind === 'layer' ? number(step.pencil) : step.kind));
            const label = `Rounds of ${names.join(', then ')}`;
            const pressures = steps.slice(from, from + length).filter(({ kind }) => kind === 'layer');
            const most = Math.max(...pressures.map(({ pressure }) => pressure));
            const least = Math.min(...pressures.map(({ pressure }) => pressure));

            return (
                <Bar key={from} role="group" aria-label={label} data-testid="rounds">
                    <b>
                        Steps {from + 1} to {from + length * times}: {names.join(', then ')}
                    </b>
                    <span>
                        <SignButton
                            aria-label="One round less"
                            onPress={() => onChange(round, { times: times - 1 })}
                            isDisabled={times < 2}
                        >
                            −
                        </SignButton>
                        <span aria-live="polite">{times} rounds</span>
                        <SignButton
                            aria-label="One round more"
                            onPress={() => onChange(round, { times: times + 1 })}
                            isDisabled={times >= MOST_ROUNDS}
                        >
                            +
                        </SignButton>
                    </span>
                    <span>
                        <SignButton
                            aria-label="All of them lighter"
                            onPress={() => onChange(round, { by: -PRESSURE_STEP })}
                            isDisabled={least <= PRESSURE_STEP}
                        >
                            −
                        </SignButton>
                        <span>pressure</span>
                        <SignButton
                            aria-label="All of them harder"
                            onPress={() => onChange(round, { by: PRESSURE_STEP })}
                            isDisabled={most >= 100}
                        >
                            +
                        </SignButton>
                    </span>
                </Bar>
            );
        });
});
