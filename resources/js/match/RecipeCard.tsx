import { memo } from 'react';
import styled from 'styled-components';
import type { Colour, Recipe } from '../api/client';
import { Button } from '../ui/Button';
import { RecipeBuild } from '../ui/RecipeBuild';
import { SwatchPair } from '../ui/Swatch';
import { ToothRings } from '../ui/ToothRings';
import { space, target, type } from '../ui/theme';

const Card = styled.article`
    display: grid;
    grid-template-columns: 160px minmax(0, 1fr);
    @container (max-width: 490px) {
        grid-template-columns: 136px minmax(0, 1fr);
    }
    gap: ${space.xs} ${space.m};
    padding: 6px 0;
    /* Cards out of sight are not laid out until they are come to. */
    content-visibility: auto;
    contain-intrinsic-size: auto 132px;
    border-top: 1px solid ${({ theme }) => theme.line};
`;

const Column = styled.div`
    display: grid;
    align-content: start;
    gap: 4px;
    min-width: 0;
`;

const Head = styled.div`
    display: flex;
    align-items: start;
    gap: ${space.s};
    & > p {
        flex: 1;
        font-size: ${type.lead};
        font-weight: 600;
        line-height: 1.25;
    }
    & button {
        min-height: ${target.usual};
    }
`;

const Small = styled.span`
    font-size: ${type.small};
    color: ${({ theme }) => theme.quiet};
`;

const Foot = styled.div`
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: ${space.xs} ${space.m};
`;

const Rule = styled.p`
    padding: 2px ${space.s};
    border: 2px dashed ${({ theme }) => theme.ink};
    font-size: ${type.small};
    font-weight: 600;
    justify-self: start;
`;

const Warnings = styled.ul`
    font-size: ${type.small};
    line-height: 1.35;
    & li::before {
        content: '! ';
        font-weight: 800;
    }
    & button {
        min-height: 24px;
        padding: 0 6px;
        font-size: ${type.small};
    }
`;

const NAMES: [string, string] = ['Photo', 'Recipe'];

interface Props {
    rank: string;
    target: Colour;
    recipe: Recipe;
    onOpen: (stack: string) => void;
    /** Why it is there: nearest, fewest pencils, most tooth left. */
    reason?: string | undefined;
    /** Opens another stack: what avoids a warning. */
    onStack?: ((stack: string) => void) | undefined;
    /** A pencil that no recipe shall use. */
    onAvoid?: (pencil: string) => void;
    current?: boolean;
    /** Keeps it in the artist's book. */
    onKeep?: () => void;
    /** As the artist's lamp shows it, where that is not daylight. */
    underLamp?: boolean;
}

/** A recipe: target beside prediction, how near it comes, how it is laid, and what may go wrong. */
export const RecipeCard = memo(function RecipeCard({
    rank,
    target,
    recipe,
    onOpen,
    reason,
    onStack,
    onAvoid,
    current = false,
    onKeep,
    underLamp = false,
}: Props) {
    const lamp = underLamp ? recipe.underLamp : null;
    const { target: wanted, predicted, difference } = lamp ?? { target, ...recipe };

    return (
        <Card aria-label={`Recipe ${rank}`} data-testid="recipe">
            <Column>
                <SwatchPair
                    target={wanted}
                    predicted={predicted}
                    names={NAMES}
                    width="100%"
                    height="96px"
                    judged
                    captioned
                />
            </Column>
            <Column>
                <Head>
                    <p>
                        {difference.words}{' '}
                        <Small>{current ? 'Chosen' : [rank, reason].filter(Boolean).join(': ')}</Small>
                        {lamp && <Small> under the {lamp.name.toLowerCase()}</Small>}
                    </p>
                    {onKeep && <Button onPress={onKeep}>To my recipes</Button>}
                    <Button
                        data-opens={recipe.stack}
                        onPress={() => onOpen(recipe.stack)}
                        aria-label={`Adjust recipe ${rank}`}
                    >
                        Adjust
                    </Button>
                </Head>
                {recipe.breaks && <Rule>{recipe.breaks}</Rule>}
                <RecipeBuild recipe={recipe} onAvoid={onAvoid} />
                <Foot>
                    <Small>{recipe.grain}</Small>
                    <Small style={{ display: 'inline-flex', alignItems: 'center', gap: 4 }}>
                        <ToothRings left={recipe.toothLeft} />
                    </Small>
                    <Small>
                        dE00 {difference.dE00.toFixed(1)} ± {recipe.sigma.toFixed(1)}
                    </Small>
                </Foot>
                {recipe.warnings.length > 0 && (
                    <Warnings>
                        {recipe.warnings.map((warning) => (
                            <li key={warning.code}>
                                {warning.sentence} {warning.cure}{' '}
                                {warning.cureStack !== null && onStack && (
                                    <Button
                                        aria-label={`See what avoids it: ${warning.cure ?? ''}`}
                                        onPress={() => onStack(warning.cureStack ?? '')}
                                    >
                                        See it
                                    </Button>
                                )}
                            </li>
                        ))}
                    </Warnings>
                )}
            </Column>
        </Card>
    );
});
