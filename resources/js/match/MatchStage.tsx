import { useCallback, useDeferredValue, useEffect, useMemo, useRef, useState } from 'react';
import { Link } from 'react-router';
import styled from 'styled-components';
import { messageOf, type Colour, type Recipe, type Target, Refusal } from '../api/client';
import { useBox, usePlan, useRecipes, useTypedColour, type SearchWishes, supportOf } from '../api/queries';
import { type Selected, useChosen, useDeskAbout, useHands } from '../desk/DeskContext';
import { Reading } from '../desk/Reading';
import { TargetChoice } from '../desk/TargetChoice';
import { DEFAULT_RADIUS, useUnderLamp } from '../desk/address';
import { Empty, Loading, Problem } from '../ui/States';
import { spoken } from '../ui/Swatch';
import { space } from '../ui/theme';
import { counted } from '../ui/words';
import { KeepSheet } from '../recipes/KeepSheet';
import { Conditions } from './Conditions';
import { FoundRecipes } from './FoundRecipes';
import { NearestPencils } from './NearestPencils';
import { TrioPanel } from './TrioPanel';
import { RecipeCard } from './RecipeCard';
import { StackEditor } from './StackEditor';
import { TypedAim } from './TypedAim';

const Page = styled.div`
    container-type: inline-size;
    display: grid;
    grid-template-columns: minmax(0, 1fr);
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
    const piece = useDeskAbout();
    const { selected: chosen, problem, typed: aimed, isEditing } = useChosen();
    const { open, close } = useHands();
    const underLamp = useUnderLamp();
    const typed = useTypedColour(aimed);
    const selected: Selected | null =
        aimed === null
            ? chosen
            : typed.data
              ? { colour: typed.data, spread: 0, spot: NOWHERE, zone: null, target: null }
              : null;
    // From the editor one comes back to the recipe that was opened.
    const opened = useRef<string | null>(null);
    const list = useRef<HTMLElement>(null);
    useEffect(() => {
        if (isEditing || opened.current === null) return;
        const from = [...(list.current?.querySelectorAll<HTMLElement>('[data-opens]') ?? [])];
        (from.find(({ dataset }) => dataset.opens === opened.current) ?? from[0])?.focus();
        opened.current = null;
    }, [isEditing]);
    // Another colour is read from its top.
    const of = selected?.colour ?? null;
    useEffect(() => {
        const scroller = list.current?.closest('[role="group"]');
        if (scroller) scroller.scrollTop = 0;
    }, [of]);
    const adjust = useCallback(
        (stack: string) => {
            opened.current = stack;
            open(stack);
        },
        [open],
    );
    const [chosenWishes, setWishes] = useState<SearchWishes>(NO_WISHES);
    const [keeping, setKeeping] = useState(false);
    const avoid = useCallback((id: string) => setWishes((now) => ({ ...now, avoid: [...now.avoid, id] })), []);
    const owned = useBox();
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
    // What was found is shown when there is time: the hand goes first.
    const keptStack = kept?.stack ?? null;
    const now = useMemo(() => ({ of, data: found.data, kept: keptStack }), [of, found.data, keptStack]);
    const later = useDeferredValue(now);
    const shown = later.of === of ? later.data : undefined;
    // Those of the colour before stay, out of sight, until there are others: what is there already is changed sooner than made anew.
    const [held, hold] = useState(now);
    if (shown && held !== later) hold(later);

    const name = selected?.target?.name ?? (aimed === null ? 'Sample' : 'Typed colour');
    const nearest = useMemo(() => of && <NearestPencils name={name} colour={of} />, [name, of]);
    const keep = useCallback(() => setKeeping(true), []);
    const trio = useMemo(() => selected?.zone && byRole(selected.zone.targets), [selected?.zone]);

    const aim = <TypedAim problem={typed.isError ? messageOf(typed.error) : undefined} />;
    if (!selected) {
        return (
            <Page>
                <h1 className="visually-hidden">Match</h1>
                {problem !== null && <Problem message={problem} />}
                {aimed === null && problem === null && (
                    <Empty title="Choose a colour to match">
                        <p>Click a spot in the photo, or choose a zone below it.</p>
                    </Empty>
                )}
                {aim}
            </Page>
        );
    }
    const emptyBox = found.error instanceof Refusal && found.error.fields.box !== undefined;

    return (
        <Page>
            <h1 className="visually-hidden">Match</h1>
            {/* In the editor the same colour stands beside what the stack comes to. */}
            {!isEditing && (
                <Reading
                    name={name}
                    colour={selected.colour}
                    spread={aimed === null ? selected.spread : null}
                    predicted={kept?.predicted}
                />
            )}
            <p role="status" className="visually-hidden" data-testid="heard">
                {heard(name, selected.colour, shown?.recipes)}
            </p>
            {selected.zone && <TargetChoice zone={selected.zone} />}
            {isEditing ? (
                <StackEditor key={selected.target?.id ?? 'free'} selected={selected} onClose={close} />
            ) : (
                <section ref={list} aria-label="Recipes" aria-busy={found.isFetching}>
                    <Conditions
                        of={selected.target ? name : null}
                        wishes={wishes}
                        toned={piece.paper.toned}
                        owned={owned.data}
                        onChange={setWishes}
                    >
                        {nearest}
                    </Conditions>
                    {found.isError && emptyBox && (
                        <Empty title="Your box is empty">
                            <p>Recipes are made from pencils you own.</p>
                            <Link to="/pencils/numbers">Put pencils in the box</Link>
                        </Empty>
                    )}
                    {found.isError && !emptyBox && (
                        <Problem message={messageOf(found.error)} retry={() => void found.refetch()} />
                    )}
                    {kept && (
                        <RecipeCard
                            rank={`For ${name}`}
                            target={selected.colour}
                            underLamp={underLamp}
                            recipe={kept}
                            current
                            onKeep={keep}
                            onOpen={adjust}
                        />
                    )}
                    {kept && keeping && (
                        <KeepSheet
                            stack={kept.stack}
                            paper={piece.paper.id}
                            target={selected.target}
                            onClose={() => setKeeping(false)}
                        />
                    )}
                    {!shown && !found.isError && <Loading what="Trying stacks" />}
                    {held.of && held.data && !found.isError && (
                        <FoundRecipes
                            found={held.data}
                            kept={held.kept}
                            target={held.of}
                            isOfBefore={!shown}
                            underLamp={underLamp}
                            onOpen={adjust}
                            onAvoid={avoid}
                        >
                            {selected.zone && trio && (
                                <TrioPanel
                                    key={selected.zone.id}
                                    zone={selected.zone.id}
                                    targets={trio}
                                    onOpen={adjust}
                                />
                            )}
                        </FoundRecipes>
                    )}
                    {aim}
                </section>
            )}
        </Page>
    );
}
