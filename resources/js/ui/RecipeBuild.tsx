import styled from 'styled-components';
import type { Recipe, Step } from '../api/client';
import { Button } from './Button';
import { OPERATIONS } from './notation';
import { pressureText } from './Pressure';
import { space, type } from './theme';
import { counted } from './words';

const Groups = styled.ol`
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 2px ${space.m};
`;

const Group = styled.li`
    display: flex;
    align-items: center;
    gap: ${space.s};
    & > ol {
        display: flex;
        flex-wrap: wrap;
        align-items: center;
        gap: 2px ${space.s};
    }
    /* How often stands behind the bracket, so that all numbers stand under one another; it is read out first. */
    & > em {
        order: 1;
        font-style: normal;
        font-weight: 680;
        white-space: nowrap;
    }
    &[data-rounds='many'] > ol {
        padding-right: ${space.s};
        border: solid ${({ theme }) => theme.ink};
        border-width: 2px 2px 2px 0;
        border-radius: 0 6px 6px 0;
        flex-direction: column;
        align-items: start;
    }
`;

const StepBox = styled.li`
    display: inline-flex;
    align-items: center;
    gap: 6px;
    font-size: ${type.small};
    & > i {
        width: 10px;
        height: 24px;
    }
    & b {
        font-size: ${type.title};
        font-weight: 680;
        line-height: 1;
        font-variant-numeric: tabular-nums;
    }
`;

const LeaveOut = styled(Button)`
    && {
        min-height: 24px;
        min-width: 24px;
        padding: 0;
        border: 0;
        background: none;
        font-size: ${type.body};
        color: ${({ theme }) => theme.quiet};
    }
`;

interface StepProps {
    step: Step;
    under: boolean;
    onAvoid?: ((pencil: string) => void) | undefined;
}

/** One step as it is called out: number, pressure with its word, coats. */
export function RecipeStep({ step, under, onAvoid }: StepProps) {
    if (!step.pencil) {
        return <StepBox>{OPERATIONS[step.kind]}</StepBox>;
    }
    const { id, number, name, hex } = step.pencil;

    return (
        <StepBox title={name}>
            <i style={{ background: hex }} aria-hidden />
            <b>{number}</b>
            <span>
                {pressureText(step.pressurePercent, step.passes)}
                {under ? ', under it' : ''}
            </span>
            {onAvoid && (
                <LeaveOut aria-label={`Leave out ${number}`} onPress={() => onAvoid(id)}>
                    ×
                </LeaveOut>
            )}
        </StepBox>
    );
}

interface Props {
    recipe: Pick<Recipe, 'steps' | 'rounds' | 'underlayer'>;
    onAvoid?: ((pencil: string) => void) | undefined;
}

/** A recipe as it is laid: steps from the first to the last, rounds between brackets with how often they are laid. */
export function RecipeBuild({ recipe, onAvoid }: Props) {
    const { steps, rounds, underlayer } = recipe;
    if (steps.length === 0) return <p>Leave the paper bare.</p>;

    return (
        <Groups aria-label="Steps, first laid first">
            {rounds.map(({ times, from, steps: length }) => (
                <Group key={from} data-rounds={times > 1 ? 'many' : 'one'}>
                    {times > 1 && <em>{times} rounds</em>}
                    <ol>
                        {steps.slice(from, from + length).map((step, index) => (
                            <RecipeStep
                                key={from + index}
                                step={step}
                                under={underlayer === from + index}
                                onAvoid={onAvoid}
                            />
                        ))}
                    </ol>
                </Group>
            ))}
        </Groups>
    );
}

/** Steps over what lies there already, each once: dabs with the eraser in one go, then layers. */
export function StepsOnTop({ steps }: { steps: Step[] }) {
    const laid = steps.filter(({ kind }) => kind !== 'lift');
    const dabs = steps.length - laid.length;

    return (
        <>
            {dabs > 0 && <p>Eraser, {counted(dabs, 'dab')} first.</p>}
            {laid.length > 0 && (
                <RecipeBuild
                    recipe={{
                        steps: laid,
                        rounds: laid.map((_, from) => ({ times: 1, from, steps: 1 })),
                        underlayer: null,
                    }}
                />
            )}
        </>
    );
}
