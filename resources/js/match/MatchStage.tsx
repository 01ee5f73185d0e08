import { useState } from 'react';
import { Link } from 'react-router';
import styled from 'styled-components';
import { messageOf, Refusal } from '../api/client';
import { useBox, useRecipes, type SearchWishes } from '../api/queries';
import { useDesk } from '../desk/DeskContext';
import { Reading } from '../desk/Reading';
import { TargetChoice } from '../desk/TargetChoice';
import { Choice } from '../ui/Choice';
import { Empty, Loading, Problem } from '../ui/States';
import { RestsOnLine } from '../ui/RestsOnLine';
import { Tick } from '../ui/Tick';
import { space } from '../ui/theme';
import { RecipeCard } from './RecipeCard';
import { StackEditor } from './StackEditor';

const Page = styled.div`
    display: grid;
    gap: ${space.m};
    padding: ${space.m} ${space.l} ${space.l};
`;

const Wishes = styled.div`
    display: flex;
    align-items: end;
    flex-wrap: wrap;
    gap: ${space.m};
    & > h2 {
        flex: 1;
        font-size: 16px;
        align-self: center;
    }
`;

const COUNTS = ['1', '2', '3', '4'] as const;

/** Recipes for the selected colour, and the editor for the one that is open. */
export function MatchStage() {
    const { piece, selected, selection } = useDesk();
    const owned = useBox();
    const [wishes, setWishes] = useState<SearchWishes>({ maxPencils: 4, noBlack: false, valueOnly: false });
    const box = (owned.data ?? []).map((pencil) => pencil.id);
    const circumstances = [piece.paper.id, piece.school.id, box.join()].join('|');
    const found = useRecipes(piece.id, owned.data ? (selected?.colour ?? null) : null, wishes, circumstances);

    if (!selected) {
        return (
            <Page>
                <Empty title="Choose a colour to match">
                    <p>Click a spot in the photo, or choose a zone below it.</p>
                </Empty>
            </Page>
        );
    }
    const kept = selected.target?.recipe ?? null;
    const name = selected.target?.name ?? 'Sample';
    const emptyBox = found.error instanceof Refusal && found.error.fields.box !== undefined;

    return (
        <Page>
            <h1 className="visually-hidden">Match</h1>
            <Reading name={name} colour={selected.colour} spread={selected.spread} predicted={kept?.predicted} />
            {selected.zone && <TargetChoice zone={selected.zone} />}
            {selection.editing !== null ? (
                <StackEditor key={selected.target?.id ?? 'free'} selected={selected} />
            ) : (
                <section aria-label="Recipes" aria-busy={found.isFetching}>
                    <Wishes>
                        <h2>{selected.target ? `Recipes for ${name}` : 'Recipes'}</h2>
                        <Tick isSelected={wishes.noBlack} onChange={(noBlack) => setWishes({ ...wishes, noBlack })}>
                            No black
                        </Tick>
                        <Tick
                            isSelected={wishes.valueOnly}
                            onChange={(valueOnly) => setWishes({ ...wishes, valueOnly })}
                        >
                            Value only
                        </Tick>
                        <Choice
                            label="Pencils, at most"
                            value={String(wishes.maxPencils) as (typeof COUNTS)[number]}
                            options={COUNTS.map((count) => ({ id: count, name: count }))}
                            onChange={(count) => setWishes({ ...wishes, maxPencils: Number(count) })}
                        />
                    </Wishes>
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
                            recipe={kept}
                            current
                            onOpen={() => selection.edit(kept.stack)}
                        />
                    )}
                    {found.data?.recipes
                        .filter((recipe) => recipe.stack !== kept?.stack)
                        .map((recipe, index) => (
                            <RecipeCard
                                key={recipe.stack}
                                rank={`No. ${index + 1}`}
                                target={selected.colour}
                                recipe={recipe}
                                onOpen={() => selection.edit(recipe.stack)}
                            />
                        ))}
                    {found.data && (
                        <RecipeCard
                            rank="Nearest single"
                            target={selected.colour}
                            recipe={found.data.nearest}
                            onOpen={() => selection.edit(found.data.nearest.stack)}
                        />
                    )}
                </section>
            )}
        </Page>
    );
}
