import { memo } from 'react';
import styled from 'styled-components';
import { messageOf, type Colour } from '../api/client';
import { useTrio } from '../api/queries';
import { Button } from '../ui/Button';
import { notify } from '../ui/Notices';
import { space } from '../ui/theme';
import { RecipeCard } from './RecipeCard';

const PARTS = ['light', 'middle', 'dark'] as const;

const Panel = styled.section`
    display: grid;
    gap: ${space.s};
    margin-block: ${space.l};

    > h2,
    > p {
        margin: 0;
    }

    > button {
        justify-self: start;
    }
`;

interface Props {
    zone: string;
    /** The light, the middle and the dark of the zone, where it has them. */
    targets: Partial<Record<(typeof PARTS)[number], Colour>>;
    onOpen: (stack: string) => void;
}

/** Three neighbouring hues as light, middle and dark of a zone: they shade with hardly any blending. */
export const TrioPanel = memo(function TrioPanel({ zone, targets, onOpen }: Props) {
    const trio = useTrio(zone);
    if (PARTS.some((part) => targets[part] === undefined)) return null;
    const found = trio.data;

    return (
        <Panel aria-labelledby="trio">
            <h2 id="trio">Three neighbouring hues</h2>
            {found ? (
                <p data-testid="trio">
                    {found.near ? '' : 'Your box has no three near these colours. The nearest: '}
                    {found.pencils.light} light, {found.pencils.middle} middle, {found.pencils.dark} dark,{' '}
                    {found.further > 0.05
                        ? `${found.further.toFixed(1)} further off than the free choice.`
                        : 'as near as the free choice.'}
                </p>
            ) : (
                <Button
                    isDisabled={trio.isPending}
                    onPress={() => trio.mutate(undefined, { onError: (error: Error) => notify(messageOf(error)) })}
                >
                    Find three for this zone
                </Button>
            )}
            {found?.near &&
                PARTS.map((part) => {
                    const colour = targets[part];

                    return (
                        colour && (
                            <RecipeCard
                                key={part}
                                rank={part}
                                target={colour}
                                recipe={found.recipes[part]}
                                onOpen={onOpen}
                            />
                        )
                    );
                })}
        </Panel>
    );
});
