import type { ReactNode } from 'react';
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

/** The recipes that were found, those of the artist's book, and the nearest pencil alone. */
export function FoundRecipes({ found, kept, target, underLamp, isOfBefore, onOpen, onAvoid, children }: Props) {
    const recipes = found.recipes.filter(({ stack }) => stack !== kept);
    const why = reasons(recipes);
    const all: Shown[] = [
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

    return (
        <div aria-hidden={isOfBefore} style={{ visibility: isOfBefore ? 'hidden' : undefined }}>
            {all.map(({ key, rank, recipe, reason, isSearched }) => (
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
            ))}
            <RestsOnLine calibration={found.calibration} />
            {children}
        </div>
    );
}
