import styled from 'styled-components';
import { Button as AriaButton } from 'react-aria-components';
import type { KeptRecipe } from '../api/client';
import { space, type } from '../ui/theme';
import { spoken } from '../ui/Swatch';

const Family = styled.section`
    margin-top: ${space.m};
    & > h2 {
        margin: 0 0 ${space.xs};
        font-size: ${type.lead};
    }
    & > ul {
        display: flex;
        flex-wrap: wrap;
        gap: ${space.s} 0;
        padding: 8px;
        background: ${({ theme }) => theme.surround};
    }
`;

const Rung = styled(AriaButton)`
    display: grid;
    width: 118px;
    padding: 0;
    border: 0;
    background: none;
    color: ${({ theme }) => theme.ink};
    font-size: ${type.small};
    text-align: start;
    cursor: pointer;
    & > i {
        height: 64px;
        forced-color-adjust: none;
    }
    & > span {
        padding: 2px 6px;
        overflow-wrap: anywhere;
    }
    &[data-hovered] > span {
        text-decoration: underline;
    }
    &[data-focus-visible] {
        outline: 2px solid ${({ theme }) => theme.ink};
    }
`;

const colourOf = ({ recipe, colour }: KeptRecipe) => recipe?.predicted ?? colour;

/** Greys have no place on the wheel, and come last. */
const LEAST_CHROMA = 8;

const LAST = 100;

interface Row {
    key: string;
    name: string;
    recipes: KeptRecipe[];
}

function grouped(recipes: readonly KeptRecipe[], of: (kept: KeptRecipe) => string): [string, KeptRecipe[]][] {
    const groups = new Map<string, KeptRecipe[]>();
    for (const kept of recipes) groups.set(of(kept), [...(groups.get(of(kept)) ?? []), kept]);

    return [...groups].map(([key, kept]) => [key, [...kept].sort((one, other) => colourOf(other).L - colourOf(one).L)]);
}

/** Ladders as they were found, then all others by family as these lie on the wheel, greys last; each from pale to dark. */
export function ladders(recipes: readonly KeptRecipe[]): Row[] {
    const together = recipes.filter(({ ladder }) => ladder !== null);
    const alone = recipes.filter(({ ladder }) => ladder === null);
    const place = ([, [first]]: [string, KeptRecipe[]]) => {
        if (!first) return LAST;
        const { chroma, wheelPosition } = colourOf(first).appearance;

        return chroma < LEAST_CHROMA ? LAST : wheelPosition;
    };

    return [
        ...grouped(together, ({ ladder }) => ladder ?? '').map(([key, kept]) => ({
            key,
            name: `${kept[0]?.name ?? ''} to ${kept.at(-1)?.name ?? ''}`,
            recipes: kept,
        })),
        ...grouped(alone, ({ family }) => family)
            .sort((one, other) => place(one) - place(other))
            .map(([family, kept]) => ({ key: family, name: family, recipes: kept })),
    ];
}

interface Props {
    recipes: readonly KeptRecipe[];
    onOpen: (kept: KeptRecipe) => void;
}

export function FamilyLadders({ recipes, onOpen }: Props) {
    return ladders(recipes).map(({ key, name, recipes: kept }) => (
        <Family key={key} aria-label={name}>
            <h2>{name}</h2>
            <ul>
                {kept.map((one) => (
                    <li key={one.id}>
                        <Rung onPress={() => onOpen(one)} aria-label={`${one.name}: ${spoken(colourOf(one))}`}>
                            <i style={{ background: colourOf(one).hex }} aria-hidden />
                            <span>
                                <b>{colourOf(one).appearance.valueStep}</b> {one.name}
                            </span>
                        </Rung>
                    </li>
                ))}
            </ul>
        </Family>
    ));
}
