import { useDeferredValue, useMemo, type ReactNode } from 'react';
import type { Colour, Recipe } from '../api/client';
import type { useRecipes } from '../api/queries';
import { RestsOnLine } from '../ui/RestsOnLine';
import { RecipeCard } from './RecipeCard';
import { reasons } from './reasons';

interface Props {
    found: NonNullable<ReturnType<typeof useRecipes>['data']>;
    /** The stack that the colour has already: it stands above, alone. */
    kept: string | null;
    target: Colour;
    underLamp: boolean;
    /** They are those of another colour, and nobody sees them. */
    isOfBefore: boolean;
    onOpen: (stack: string) => void;
    onAvoid: (pencil: string) => void;
    /** What comes below. */
    children: ReactNode;
}

interface Shown {
    key: string;
    rank: string;
    recipe: Recipe;
    reason?: string | undefined;
    isSearched?: boolean;
}

const outOfSight = { 'aria-hidden': true, style: { visibility: 'hidden' } } as const;

/** As they are read: those that were found for it, those of the artist's book, the nearest pencil alone. */
function inOrder(found: Props['found'], kept: string | null): Shown[] {
    const recipes = found.recipes.filter(({ stack }) => stack !== kept);
    const why = reasons(recipes);

    return [
        ...recipes.map((recipe, index) => ({
            key: `found ${index}`,
            rank: `No. ${index + 1}`,
            recipe,
            reason: why[index],
            isSearched: true,
        })),
        ...found.book
            .filter(({ recipe }) => recipe.stack !== kept)
            .map(({ recipe, from }, index) => ({ key: `book ${index}`, rank: `Yours: ${from}`, recipe })),
        { key: 'nearest', rank: 'Nearest single', recipe: found.nearest },
    ];
}

/** The recipes that were found, those of the artist's book, and the nearest pencil alone. */
export function FoundRecipes({ found, kept, target, underLamp, isOfBefore, onOpen, onAvoid, children }: Props) {
    const now = useMemo(() => ({ all: inOrder(found, kept), target }), [found, kept, target]);
    // The first is read first: those below it follow when it stands there.
    const later = useDeferredValue(now);
    const cards = ({ all, target }: typeof now, from: number, to?: number) =>
        all
            .slice(from, to)
            .map(({ key, rank, recipe, reason, isSearched }) => (
                <RecipeCard
                    key={key}
                    rank={rank}
                    target={target}
                    underLamp={underLamp}
                    recipe={recipe}
                    reason={reason}
                    onOpen={onOpen}
                    {...(isSearched ? { onStack: onOpen, onAvoid } : {})}
                />
            ));

    return (
        <div {...(isOfBefore && outOfSight)}>
            {cards(now, 0, 1)}
            <div {...(later !== now && outOfSight)}>
                {cards(later, 1)}
                <RestsOnLine calibration={found.calibration} />
                {children}
            </div>
        </div>
    );
}
