import { useState } from 'react';
import { Link } from 'react-router';
import styled from 'styled-components';
import { messageOf, type KeptRecipe } from '../api/client';
import { Button } from '../ui/Button';
import { CalledOut } from '../ui/CalledOut';
import { MoreMenu } from '../ui/MoreMenu';
import { notify } from '../ui/Notices';
import { RecipeBuild } from '../ui/RecipeBuild';
import { Swatch, SwatchPair } from '../ui/Swatch';
import { space, type } from '../ui/theme';
import { OtherPencils } from './OtherPencils';
import { RecipeSheet } from './RecipeSheet';
import { useRemoveRecipe, useRestoreRecipe } from './recipeQueries';
import { UseSheet } from './UseSheet';

/** Below this a recipe looks as it did when it was kept, dE00. */
const AS_IT_WAS = 0.5;

const Entry = styled.li`
    display: grid;
    grid-template-columns: 160px minmax(0, 1fr) auto;
    gap: ${space.m};
    padding: ${space.m} 0;
    border-top: 1px solid ${({ theme }) => theme.line};
    content-visibility: auto;
    contain-intrinsic-size: auto 150px;
    && h2 {
        margin: 0;
        font-size: ${type.lead};
    }
    & p {
        max-width: 70ch;
    }
`;

const Judged = styled.div`
    align-self: start;
    padding: 8px;
    background: ${({ theme }) => theme.surround};
`;

const Words = styled.div`
    display: grid;
    align-content: start;
    gap: ${space.xs};
    min-width: 0;
`;

const Acts = styled.div`
    display: grid;
    align-content: start;
    gap: ${space.s};
`;

const dated = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long', year: 'numeric' });

type Open = 'use' | 'change' | 'others';

const MORE = [
    { id: 'change', name: 'Change' },
    { id: 'others', name: 'Other pencils, other paper' },
    { id: 'remove', name: 'Remove' },
] as const;

/** A recipe of the book: how it looks, how it is laid, what it is for, how it came out. */
export function RecipeEntry({ kept }: { kept: KeptRecipe }) {
    const [open, setOpen] = useState<Open | null>(null);
    const remove = useRemoveRecipe();
    const restore = useRestoreRecipe();
    const { recipe } = kept;
    const shown = recipe?.predicted ?? kept.colour;
    const drifted = recipe !== null && recipe.difference.dE00 >= AS_IT_WAS;
    const close = () => setOpen(null);

    return (
        <Entry data-testid="kept-recipe">
            {drifted ? (
                <SwatchPair
                    target={kept.colour}
                    predicted={shown}
                    width="100%"
                    height="84px"
                    names={['Kept', 'Now']}
                    judged
                    captioned
                />
            ) : (
                <Judged>
                    <Swatch colour={shown} label={kept.name} width="100%" height="84px" />
                </Judged>
            )}
            <Words>
                <h2>{kept.name}</h2>
                {recipe ? <RecipeBuild recipe={recipe} /> : <CalledOut stack={kept.stack} />}
                <small>
                    {[
                        ...new Set([kept.purpose, ...kept.tags]),
                        kept.paper.name,
                        `value step ${shown.appearance.valueStep}`,
                    ]
                        .filter((word) => word !== '')
                        .join(' · ')}
                </small>
                {kept.note !== '' && <p>{kept.note}</p>}
                {recipe && drifted && (
                    <p>
                        Since it was kept your swatches have taught better: {recipe.difference.words} now, dE00{' '}
                        {recipe.difference.dE00.toFixed(1)}.
                    </p>
                )}
                {!recipe && <p>! A pencil of it is in no range any more, so it cannot be predicted.</p>}
                {kept.missing.length > 0 && <p>! Not in your box: {kept.missing.join(', ')}.</p>}
                {kept.cameOut && (
                    <p>
                        Drawn, seen on {dated.format(new Date(kept.cameOut.at))}: {kept.cameOut.words}, dE00{' '}
                        {kept.cameOut.dE00.toFixed(1)}.
                    </p>
                )}
                {kept.from && (
                    <small>
                        From <Link to={`/pieces/${kept.from.piece}/match`}>{kept.from.title}</Link>, {kept.from.zone}
                    </small>
                )}
            </Words>
            <Acts>
                <Button onPress={() => setOpen('use')} aria-label={`Use ${kept.name} in a piece`}>
                    Use in a piece
                </Button>
                <MoreMenu
                    of={kept.name}
                    entries={MORE}
                    onChoose={(what) => {
                        if (what !== 'remove') {
                            setOpen(what);

                            return;
                        }
                        // This entry is gone by then: the answer is awaited, not called back.
                        remove.mutateAsync(kept.id).then(
                            () => notify(`${kept.name} removed`, () => restore.mutate(kept.id)),
                            (error: unknown) => notify(messageOf(error)),
                        );
                    }}
                />
            </Acts>
            {open === 'use' && <UseSheet kept={kept} onClose={close} />}
            {open === 'change' && <RecipeSheet kept={kept} onClose={close} />}
            {open === 'others' && <OtherPencils kept={kept} onClose={close} />}
        </Entry>
    );
}
