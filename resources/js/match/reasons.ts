import type { Recipe } from '../api/client';

const pencils = ({ steps }: Recipe) => new Set(steps.flatMap(({ pencil }) => (pencil ? [pencil.id] : []))).size;

/** Why each of some recipes is there: what it has more of than all others. "Nearest" is said of the nearest alone. */
export function reasons(recipes: Recipe[]): (string | undefined)[] {
    const obedient = recipes.filter(({ breaks, steps }) => breaks === null && steps.length > 0);
    const only = (value: (recipe: Recipe) => number) => {
        const least = Math.min(...obedient.map(value));
        const those = obedient.filter((recipe) => value(recipe) === least);

        return those.length === 1 ? those[0] : undefined;
    };
    const ways: [string, Recipe | undefined][] = [
        ['nearest', only(({ difference }) => difference.dE00)],
        ['fewest pencils', only(pencils)],
        ['most tooth left', only(({ toothLeft }) => -toothLeft)],
        ['surest', only(({ sigma }) => sigma)],
    ];

    return recipes.map((recipe) =>
        recipe.breaks !== null ? undefined : ways.find(([, chosen]) => chosen === recipe)?.[0],
    );
}
