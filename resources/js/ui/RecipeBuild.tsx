import styled from 'styled-components';
import type { Recipe, Step } from '../api/client';
import { Button } from './Button';
import { PressureBar, pressureText } from './Pressure';
import { space, type } from './theme';

const Groups = styled.ol`
    display: flex;
    flex-wrap: wrap;
    align-content: start;
    gap: ${space.s} ${space.m};
`;

const Group = styled.li`
    display: flex;
    gap: ${space.s};
    align-items: stretch;
    & > em {
        align-self: center;
        font-style: normal;
        font-weight: 680;
        font-size: ${type.lead};
        white-space: nowrap;
    }
    & > ol {
        display: flex;
        flex-wrap: wrap;
        gap: ${space.s};
    }
    &[data-rounds='many'] {
        padding: 2px ${space.s};
        border-left: 2px solid ${({ theme }) => theme.ink};
        border-right: 2px solid ${({ theme }) => theme.ink};
    }
`;

const StepBox = styled.li`
    display: grid;
    grid-template-columns: 8px auto;
    column-gap: 6px;
    min-width: 84px;
    & > i {
        grid-row: 1 / 3;
    }
    & b {
        font-size: ${type.title};
        font-weight: 680;
        line-height: 1;
        font-variant-numeric: tabular-nums;
    }
    & small {
        font-size: 13px;
        line-height: 1.25;
    }
`;

const Head = styled.span`
    display: flex;
    align-items: center;
    justify-content: space-between;
`;

const LeaveOut = styled(Button)`
    && {
        min-height: 24px;
        min-width: 24px;
        margin: -4px 0;
        padding: 0;
        border: 0;
        background: none;
        font-size: 13px;
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
        return (
            <StepBox>
                <i aria-hidden />
                <small>{OPERATIONS[step.kind]}</small>
            </StepBox>
        );
    }
    const { id, number, name, hex } = step.pencil;

    return (
        <StepBox title={name}>
            <i style={{ background: hex }} aria-hidden />
            <Head>
                <b>{number}</b>
                {onAvoid && (
                    <LeaveOut aria-label={`Leave out ${number}`} onPress={() => onAvoid(id)}>
                        ×
                    </LeaveOut>
                )}
            </Head>
            <small>
                {pressureText(step.pressurePercent, step.passes)}
                {under ? ', under it' : ''}
                <PressureBar percent={step.pressurePercent} />
            </small>
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
