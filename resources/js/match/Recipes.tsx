import {
    memo,
    useCallback,
    useDeferredValue,
    useMemo,
    useRef,
    useState,
    type Dispatch,
    type ReactNode,
    type SetStateAction,
} from 'react';
import { flushSync } from 'react-dom';
import { Link } from 'react-router';
import { messageOf, Refusal, type Colour, type Recipe, type Target } from '../api/client';
import { supportOf, useBox, usePlan, useRecipes, type SearchWishes } from '../api/queries';
import { type Selected, useDeskAbout } from '../desk/DeskContext';
import { useUnderLamp } from '../desk/address';
import { KeepSheet } from '../recipes/KeepSheet';
import { Empty, Loading, Problem } from '../ui/States';
import { spoken } from '../ui/Swatch';
import { counted } from '../ui/words';
import { Conditions } from './Conditions';
import { FoundRecipes } from './FoundRecipes';
import { NearestPencils } from './NearestPencils';
import { RecipeCard } from './RecipeCard';
import { TrioPanel } from './TrioPanel';

export const NO_WISHES: SearchWishes = {
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

const byRole = (targets: Target[]) =>
    Object.fromEntries([...targets].reverse().map(({ role, colour }) => [role, colour])) as Partial<
        Record<Target['role'], Target['colour']>
    >;

/** What is seen at a glance, for who hears it: the colour, and what was found for it. */
export function Heard({ name, colour, recipes }: { name: string; colour: Colour; recipes?: Recipe[] | undefined }) {
    const found = recipes && `${counted(recipes.length, 'recipe')}. ${recipes[0] ? `First: ${recipes[0].build}` : ''}`;

    return (
        <p role="status" className="visually-hidden" data-testid="heard">
            {[`${name}: ${spoken(colour)}.`, found].filter(Boolean).join(' ')}
        </p>
    );
}

interface Props {
    name: string;
    selected: Selected;
    chosenWishes: SearchWishes;
    onWishes: Dispatch<SetStateAction<SearchWishes>>;
    onOpen: (stack: string) => void;
    /** What comes below. */
    children: ReactNode;
}

/** What a colour may be laid of: its recipe, and those that are found for it. */
export const Recipes = memo(function Recipes({ name, selected, chosenWishes, onWishes, onOpen, children }: Props) {
    const piece = useDeskAbout();
    const underLamp = useUnderLamp();
    const [keeping, setKeeping] = useState(false);
    const section = useRef<HTMLElement>(null);
    const avoid = useCallback(
        (id: string) => {
            flushSync(() => onWishes((now) => ({ ...now, avoid: [...now.avoid, id] })));
            // The card that was pressed goes out of sight: what takes it back is at hand instead.
            section.current?.querySelector<HTMLElement>(`[data-named="${CSS.escape(id)}"]`)?.focus();
        },
        [onWishes],
    );
    const owned = useBox();
    const wishes = chosenWishes === NO_WISHES && selected.target?.role === 'line' ? OF_A_LINE : chosenWishes;
    const plan = usePlan(piece.id, wishes.paletteOnly);
    const box = (owned.data ?? []).map((pencil) => pencil.id);
    const circumstances = [
        piece.paper.id,
        JSON.stringify([piece.schools.chosen, selected.zone?.schools, selected.zone?.traits?.surface]),
        supportOf('', selected.zone),
        box.join(),
        plan.data?.palette?.pencils.map(({ id }) => id).join() ?? '',
    ].join('|');
    const target = owned.data ? { ...selected.colour, zone: selected.zone?.id ?? null } : null;
    const found = useRecipes(piece.id, target, wishes, circumstances);

    const kept = selected.target?.recipe ?? null;
    const of = selected.colour;
    const keptStack = kept?.stack ?? null;
    const now = useMemo(() => ({ of, data: found.data, kept: keptStack }), [of, found.data, keptStack]);
    const later = useDeferredValue(now);
    const shown = later.of === of ? later.data : undefined;
    // Those of the colour before stay, out of sight, until there are others: what is there already is changed sooner than made anew.
    const [held, hold] = useState(now);
    if (shown && held !== later) hold(later);

    const nearest = useMemo(() => <NearestPencils name={name} colour={of} />, [name, of]);
    const keep = useCallback(() => setKeeping(true), []);
    const trio = useMemo(() => selected.zone && byRole(selected.zone.targets), [selected.zone]);
    const emptyBox = found.error instanceof Refusal && found.error.fields.box !== undefined;

    return (
        <section ref={section} aria-label="Recipes" aria-busy={found.isFetching}>
            <Heard name={name} colour={of} recipes={shown?.recipes} />
            <Conditions
                of={selected.target ? name : null}
                wishes={wishes}
                toned={piece.paper.toned}
                owned={owned.data}
                onChange={onWishes}
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
                    target={of}
                    underLamp={underLamp}
                    recipe={kept}
                    current
                    onKeep={keep}
                    onOpen={onOpen}
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
            {held.data && !found.isError && (
                <FoundRecipes
                    found={held.data}
                    kept={held.kept}
                    target={held.of}
                    isOfBefore={!shown}
                    underLamp={underLamp}
                    onOpen={onOpen}
                    onAvoid={avoid}
                >
                    {selected.zone && trio && (
                        <TrioPanel key={selected.zone.id} zone={selected.zone.id} targets={trio} onOpen={onOpen} />
                    )}
                </FoundRecipes>
            )}
            {children}
        </section>
    );
});
