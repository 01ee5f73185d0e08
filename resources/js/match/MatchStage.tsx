import { useState } from 'react';
import { Link } from 'react-router';
import styled from 'styled-components';
import { messageOf, type Colour, type Recipe, type Target, Refusal } from '../api/client';
import { useBox, usePlan, useRecipes, useTypedColour, type SearchWishes, supportOf } from '../api/queries';
import { useDesk, type Selected } from '../desk/DeskContext';
import { Reading } from '../desk/Reading';
import { TargetChoice } from '../desk/TargetChoice';
import { DEFAULT_RADIUS } from '../desk/useSelection';
import { Empty, Loading, Problem } from '../ui/States';
import { RestsOnLine } from '../ui/RestsOnLine';
import { spoken } from '../ui/Swatch';
import { space } from '../ui/theme';
import { counted } from '../ui/words';
import { Conditions } from './Conditions';
import { reasons } from './reasons';
import { TrioPanel } from './TrioPanel';
import { RecipeCard } from './RecipeCard';
import { StackEditor } from './StackEditor';
import { TypedAim } from './TypedAim';

const Page = styled.div`
    display: grid;
    gap: ${space.m};
    padding: ${space.m} ${space.l} ${space.l};
`;

const NO_WISHES: SearchWishes = {
    maxPencils: 4,
    maxLayers: 8,
    noBlack: false,
    valueOnly: false,
    lightfast: false,
    paletteOnly: false,
    waxLast: false,
    toned: false,
    must: [],
    avoid: [],
};

/** A line is drawn with one point or two, until the artist wants it otherwise. */
const OF_A_LINE: SearchWishes = { ...NO_WISHES, maxPencils: 2, maxLayers: 2 };

/** A typed colour is nowhere in the photo. */
const NOWHERE = { x: 0.5, y: 0.5, radius: DEFAULT_RADIUS };

const byRole = (targets: Target[]) =>
    Object.fromEntries([...targets].reverse().map(({ role, colour }) => [role, colour])) as Partial<
        Record<Target['role'], Target['colour']>
    >;

/** What is seen at a glance, for who hears it: the colour, and what was found for it. */
function heard(name: string, colour: Colour, recipes: Recipe[] | undefined) {
    const found = recipes && `${counted(recipes.length, 'recipe')}. ${recipes[0] ? `First: ${recipes[0].build}` : ''}`;

    return [`${name}: ${spoken(colour)}.`, found].filter(Boolean).join(' ');
}

/** Recipes for the selected colour, and the editor for the one that is open. */
export function MatchStage() {
    const { piece, selected: chosen, selection } = useDesk();
    const typed = useTypedColour(selection.typed);
    const selected: Selected | null =
        selection.typed === null
            ? chosen
            : typed.data
              ? { colour: typed.data, spread: 0, spot: NOWHERE, zone: null, target: null }
              : null;
    const owned = useBox();
    const [chosenWishes, setWishes] = useState<SearchWishes>(NO_WISHES);
    const wishes = chosenWishes === NO_WISHES && chosen?.target?.role === 'line' ? OF_A_LINE : chosenWishes;
    const plan = usePlan(piece.id, wishes.paletteOnly);
    const box = (owned.data ?? []).map((pencil) => pencil.id);
    const circumstances = [
        piece.paper.id,
        JSON.stringify([piece.schools.chosen, selected?.zone?.schools, selected?.zone?.traits?.surface]),
        supportOf('', selected?.zone),
        box.join(),
        plan.data?.palette?.pencils.map(({ id }) => id).join() ?? '',
    ].join('|');
    const target = selected && owned.data ? { ...selected.colour, zone: selected.zone?.id ?? null } : null;
    const found = useRecipes(piece.id, target, wishes, circumstances);

    const kept = selected?.target?.recipe ?? null;
    const recipes = (found.data?.recipes ?? []).filter((recipe) => recipe.stack !== kept?.stack);
    const why = reasons(recipes);

    const aim = <TypedAim problem={typed.isError ? messageOf(typed.error) : undefined} />;
    if (!selected) {
        return (
            <Page>
                <h1 className="visually-hidden">Match</h1>
                {selection.typed === null && (
                    <Empty title="Choose a colour to match">
                        <p>Click a spot in the photo, or choose a zone below it.</p>
                    </Empty>
                )}
                {aim}
            </Page>
        );
    }
    const name = selected.target?.name ?? (selection.typed === null ? 'Sample' : 'Typed colour');
    const emptyBox = found.error instanceof Refusal && found.error.fields.box !== undefined;

    return (
        <Page>
            <h1 className="visually-hidden">Match</h1>
            <Reading
                name={name}
                colour={selected.colour}
                spread={selection.typed === null ? selected.spread : null}
                predicted={kept?.predicted}
            />
            <p role="status" className="visually-hidden" data-testid="heard">
                {heard(name, selected.colour, found.data?.recipes)}
            </p>
            {selected.zone && <TargetChoice zone={selected.zone} />}
            {selection.editing !== null ? (
                <StackEditor key={selected.target?.id ?? 'free'} selected={selected} />
            ) : (
                <section aria-label="Recipes" aria-busy={found.isFetching}>
                    <Conditions
                        title={selected.target ? `Recipes for ${name}` : 'Recipes'}
                        wishes={wishes}
                        toned={piece.paper.toned}
                        owned={owned.data}
                        onChange={setWishes}
                    />
                    {found.isError && emptyBox && (
                        <Empty title="Your box is empty">
                            <p>Recipes are made from pencils you own.</p>
                            <Link to="/pencils">Put pencils in the box</Link>
                        </Empty>
                    )}
                    {found.isError && !emptyBox && (
                        <Problem message={messageOf(found.error)} retry={() => void found.refetch()} />
                    )}
                    {found.isPending && <Loading what="Trying stacks" />}
                    {kept && (
                        <RecipeCard
                            rank={`For ${name}`}
                            target={selected.colour}
                            underLamp={selection.underLamp}
                            recipe={kept}
                            current
                            onOpen={() => selection.edit(kept.stack)}
                        />
                    )}
                    {recipes.map((recipe, index) => (
                        <RecipeCard
                            key={recipe.stack}
                            rank={`No. ${index + 1}`}
                            target={selected.colour}
                            underLamp={selection.underLamp}
                            recipe={recipe}
                            reason={why[index]}
                            onOpen={() => selection.edit(recipe.stack)}
                            onStack={(stack) => selection.edit(stack)}
                            onAvoid={(id) => setWishes({ ...wishes, avoid: [...wishes.avoid, id] })}
                        />
                    ))}
                    {found.data?.book
                        .filter(({ recipe }) => recipe.stack !== kept?.stack)
                        .map(({ recipe, from }) => (
                            <RecipeCard
                                key={`book ${recipe.stack}`}
                                rank={`Yours: ${from}`}
                                target={selected.colour}
                                underLamp={selection.underLamp}
                                recipe={recipe}
                                onOpen={() => selection.edit(recipe.stack)}
                            />
                        ))}
                    {found.data && (
                        <RecipeCard
                            rank="Nearest single"
                            target={selected.colour}
                            underLamp={selection.underLamp}
                            recipe={found.data.nearest}
                            onOpen={() => selection.edit(found.data.nearest.stack)}
                        />
                    )}
                    {found.data && <RestsOnLine calibration={found.data.calibration} />}
                    {selected.zone && (
                        <TrioPanel
                            key={selected.zone.id}
                            zone={selected.zone.id}
                            targets={byRole(selected.zone.targets)}
                        />
                    )}
                    {aim}
                </section>
            )}
        </Page>
    );
}
