import { useState } from 'react';
import { Link } from 'react-router';
import styled from 'styled-components';
import { messageOf, type Target, Refusal } from '../api/client';
import { useBox, usePlan, useRecipes, useTypedColour, type SearchWishes } from '../api/queries';
import { useDesk, type Selected } from '../desk/DeskContext';
import { Reading } from '../desk/Reading';
import { TargetChoice } from '../desk/TargetChoice';
import { DEFAULT_RADIUS } from '../desk/useSelection';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { Empty, Loading, Problem } from '../ui/States';
import { RestsOnLine } from '../ui/RestsOnLine';
import { Tick } from '../ui/Tick';
import { space } from '../ui/theme';
import { PencilPicker } from './PencilPicker';
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

const Wishes = styled.div`
    display: flex;
    align-items: end;
    flex-wrap: wrap;
    gap: ${space.xs} ${space.m};
    & > h2 {
        flex: 1;
        min-width: 50%;
        font-size: 16px;
    }
`;

const COUNTS = ['1', '2', '3', '4'] as const;
const LAYERS = ['1', '2', '3', '4', '6', '8', '12'] as const;

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

const Left = styled.p`
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: ${space.s};
    padding: ${space.xs} 0;
    & button {
        min-height: 28px;
        padding: 0 8px;
    }
`;

/** Pencils that a recipe can be asked to use. */
const MOST_USED = 3;

/** A typed colour is nowhere in the photo. */
const NOWHERE = { x: 0.5, y: 0.5, radius: DEFAULT_RADIUS };

const byRole = (targets: Target[]) =>
    Object.fromEntries([...targets].reverse().map(({ role, colour }) => [role, colour])) as Partial<
        Record<Target['role'], Target['colour']>
    >;

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
    const [wishes, setWishes] = useState<SearchWishes>(NO_WISHES);
    const [more, setMore] = useState(false);
    // A wish that holds is never out of sight.
    const moreShown =
        more || wishes.waxLast || wishes.toned || wishes.lightfast || wishes.paletteOnly || wishes.must.length > 0;
    const plan = usePlan(piece.id, wishes.paletteOnly);
    const box = (owned.data ?? []).map((pencil) => pencil.id);
    const circumstances = [
        piece.paper.id,
        JSON.stringify([piece.schools.chosen, selected?.zone?.schools, selected?.zone?.traits?.surface]),
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
            {selected.zone && <TargetChoice zone={selected.zone} />}
            {selection.editing !== null ? (
                <StackEditor key={selected.target?.id ?? 'free'} selected={selected} />
            ) : (
                <section aria-label="Recipes" aria-busy={found.isFetching}>
                    <Wishes>
                        <h2>{selected.target ? `Recipes for ${name}` : 'Recipes'}</h2>
                        <Choice
                            label="Pencils, at most"
                            value={String(wishes.maxPencils) as (typeof COUNTS)[number]}
                            options={COUNTS.map((count) => ({ id: count, name: count }))}
                            onChange={(count) => setWishes({ ...wishes, maxPencils: Number(count) })}
                        />
                        <Choice
                            label="Layers, at most"
                            value={String(wishes.maxLayers) as (typeof LAYERS)[number]}
                            options={LAYERS.map((count) => ({ id: count, name: count }))}
                            onChange={(count) => setWishes({ ...wishes, maxLayers: Number(count) })}
                        />
                        <Tick isSelected={wishes.noBlack} onChange={(noBlack) => setWishes({ ...wishes, noBlack })}>
                            No black
                        </Tick>
                        <Tick
                            isSelected={wishes.valueOnly}
                            onChange={(valueOnly) => setWishes({ ...wishes, valueOnly })}
                        >
                            Value only
                        </Tick>
                        {!moreShown && <Button onPress={() => setMore(true)}>More conditions</Button>}
                    </Wishes>
                    {moreShown && (
                        <Wishes>
                            <Tick isSelected={wishes.waxLast} onChange={(waxLast) => setWishes({ ...wishes, waxLast })}>
                                Wax only last
                            </Tick>
                            {piece.paper.toned && (
                                <Tick isSelected={wishes.toned} onChange={(toned) => setWishes({ ...wishes, toned })}>
                                    Black and white freely
                                </Tick>
                            )}
                            <Tick
                                isSelected={wishes.lightfast}
                                onChange={(lightfast) => setWishes({ ...wishes, lightfast })}
                            >
                                Lightfast
                            </Tick>
                            <Tick
                                isSelected={wishes.paletteOnly}
                                onChange={(paletteOnly) => setWishes({ ...wishes, paletteOnly })}
                            >
                                From the palette
                            </Tick>
                            {wishes.must.length < MOST_USED && (
                                <span style={{ width: 170 }}>
                                    <PencilPicker
                                        key={`${wishes.must.join()} ${owned.data ? 'box' : 'waiting'}`}
                                        pencils={owned.data ?? []}
                                        value=""
                                        label="Use this pencil"
                                        placeholder="Use this pencil"
                                        onChange={(id) =>
                                            setWishes({
                                                ...wishes,
                                                must: [...wishes.must.filter((other) => other !== id), id],
                                                avoid: wishes.avoid.filter((other) => other !== id),
                                            })
                                        }
                                    />
                                </span>
                            )}
                        </Wishes>
                    )}
                    {wishes.must.length > 0 && (
                        <Left>
                            Used in any case:
                            {wishes.must.map((id) => (
                                <Button
                                    key={id}
                                    aria-label={`Use ${id} only if it fits`}
                                    onPress={() =>
                                        setWishes({ ...wishes, must: wishes.must.filter((other) => other !== id) })
                                    }
                                >
                                    {id.replace(':', ' ')} ×
                                </Button>
                            ))}
                        </Left>
                    )}
                    {wishes.avoid.length > 0 && (
                        <Left>
                            Left out:
                            {wishes.avoid.map((id) => (
                                <Button
                                    key={id}
                                    aria-label={`Use ${id} again`}
                                    onPress={() =>
                                        setWishes({ ...wishes, avoid: wishes.avoid.filter((other) => other !== id) })
                                    }
                                >
                                    {id.replace(':', ' ')} ×
                                </Button>
                            ))}
                        </Left>
                    )}
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
                    {found.data && <RestsOnLine calibration={found.data.calibration} />}
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
