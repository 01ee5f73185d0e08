import styled from 'styled-components';
import type { Recipe, Step } from '../api/client';
import { Button } from './Button';
import { pressureText } from './Pressure';
import { space, type } from './theme';

const Groups = styled.ol`
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 2px ${space.m};
`;

const Group = styled.li`
    & > ol {
        display: flex;
        flex-wrap: wrap;
        align-items: center;
        gap: 2px ${space.s};
    }
    /* On a line of its own, so that the numbers stand under one another. */
    & > ol > li:has(em) {
        flex-basis: 100%;
    }
    & em {
        font-style: normal;
        font-weight: 680;
        white-space: nowrap;
    }
    &[data-rounds='many'] {
        padding: 0 ${space.s};
        border-left: 2px solid ${({ theme }) => theme.ink};
        border-right: 2px solid ${({ theme }) => theme.ink};
    }
`;

const StepBox = styled.li`
    display: inline-flex;
    align-items: center;
    gap: 6px;
    font-size: 15px;
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
        font-size: 15px;
        color: ${({ theme }) => theme.quiet};
    }
`;

const OPERATIONS: Record<Step['kind'], string> = {
    layer: 'layer',
    wash: 'wash, let dry',
    blend: 'blender',
    lift: 'eraser, one dab',
};

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
                    <ol>
                        {times > 1 && (
                            <li>
                                <em>{times} rounds</em>
                            </li>
                        )}
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
