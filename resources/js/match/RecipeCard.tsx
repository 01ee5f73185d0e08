import styled from 'styled-components';
import type { Colour, Recipe, Step } from '../api/client';
import { Button } from '../ui/Button';
import { PressureBar, pressureText } from '../ui/Pressure';
import { SwatchPair } from '../ui/Swatch';
import { ToothRings } from '../ui/ToothRings';
import { space, type } from '../ui/theme';

const Card = styled.article`
    display: grid;
    grid-template-columns: 88px minmax(0, 1fr) 132px;
    gap: ${space.m};
    padding: ${space.s} 0;
    border-top: 1px solid ${({ theme }) => theme.line};
    & > div:last-child {
        display: grid;
        align-content: start;
        justify-items: start;
        gap: ${space.xs};
    }
`;

const Steps = styled.ol`
    display: flex;
    flex-wrap: wrap;
    align-content: start;
    gap: ${space.s};
`;

const StepBox = styled.li`
    display: grid;
    grid-template-columns: 6px auto;
    column-gap: 6px;
    min-width: 74px;
    & > i {
        grid-row: 1 / 4;
    }
    & b {
        font-size: ${type.number};
        font-weight: 680;
        line-height: 1;
    }
    & small {
        font-size: 11px;
        line-height: 1.3;
        color: ${({ theme }) => theme.quiet};
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
        font-size: ${type.small};
        color: ${({ theme }) => theme.quiet};
    }
`;

const Words = styled.p`
    font-weight: 560;
    line-height: 1.3;
`;

const Small = styled.span`
    font-size: ${type.small};
    color: ${({ theme }) => theme.quiet};
`;

const Foot = styled.div`
    display: flex;
    align-items: center;
    gap: ${space.s};
    & button {
        min-height: 32px;
    }
`;

const Warnings = styled.ul`
    grid-column: 1 / -1;
    font-size: ${type.small};
    & li::before {
        content: '! ';
        font-weight: 800;
    }
`;

interface StepProps {
    step: Step;
    under: boolean;
    onAvoid?: ((pencil: string) => void) | undefined;
}

/** One step of a recipe as it is called out: range, number, pressure. */
export function RecipeStep({ step, under, onAvoid }: StepProps) {
    return (
        <StepBox>
            <i style={{ background: step.pencil?.hex ?? 'transparent' }} aria-hidden />
            {step.pencil ? (
                <>
                    <Head>
                        <small>
                            {step.pencil.range}
                            {under ? ', under' : ''}
                        </small>
                        {onAvoid && (
                            <LeaveOut
                                aria-label={`Leave out ${step.pencil.number}`}
                                onPress={() => step.pencil && onAvoid(step.pencil.id)}
                            >
                                ×
                            </LeaveOut>
                        )}
                    </Head>
                    <b>{step.pencil.number}</b>
                    <small>
                        {pressureText(step.pressurePercent, step.passes)}
                        <PressureBar percent={step.pressurePercent} />
                    </small>
                </>
            ) : (
                <>
                    <small>then</small>
                    <b>{step.kind}</b>
                </>
            )}
        </StepBox>
    );
}

interface Props {
    rank: string;
    target: Colour;
    recipe: Recipe;
    onOpen: () => void;
    /** A pencil that no recipe shall use. */
    onAvoid?: (pencil: string) => void;
    current?: boolean;
    /** As the artist's lamp shows it, where that is not daylight. */
    underLamp?: boolean;
}

/** A recipe: target beside prediction, the steps bottom to top, and how it misses in words. */
export function RecipeCard({ rank, target, recipe, onOpen, onAvoid, current = false, underLamp = false }: Props) {
    const lamp = underLamp ? recipe.underLamp : null;
    const { target: wanted, predicted, difference } = lamp ?? { target, ...recipe };

    return (
        <Card aria-label={`Recipe ${rank}`} data-testid="recipe">
            <div>
                <SwatchPair target={wanted} predicted={predicted} width="88px" height="72px" />
                <Small>{current ? 'Kept' : rank}</Small>
            </div>
            <Steps aria-label="Steps, first laid first">
                {recipe.steps.length === 0 && <li>Leave the paper bare.</li>}
                {recipe.steps.map((step, index) => (
                    <RecipeStep key={index} step={step} under={recipe.underlayer === index} onAvoid={onAvoid} />
                ))}
            </Steps>
            <div>
                <Words>{difference.words}</Words>
                {lamp && <Small>under the {lamp.name.toLowerCase()}</Small>}
                <Small>
                    dE00 {difference.dE00.toFixed(1)} ± {recipe.sigma.toFixed(1)}
                </Small>
                <Foot>
                    <Button onPress={onOpen} aria-label={`Open recipe ${rank}`}>
                        Open
                    </Button>
                    <ToothRings left={recipe.toothLeft} size={24} />
                </Foot>
            </div>
            {recipe.warnings.length > 0 && (
                <Warnings>
                    {recipe.warnings.map((warning) => (
                        <li key={warning.code}>{warning.sentence}</li>
                    ))}
                </Warnings>
            )}
        </Card>
    );
}
