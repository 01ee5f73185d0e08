import { useCallback, useDeferredValue, useEffect, useMemo, useRef, useState } from 'react';
import styled from 'styled-components';
import { messageOf } from '../api/client';
import { useTypedColour, type SearchWishes } from '../api/queries';
import { type Selected, useChosen, useHands } from '../desk/DeskContext';
import { Reading } from '../desk/Reading';
import { TargetChoice } from '../desk/TargetChoice';
import { DEFAULT_RADIUS } from '../desk/address';
import { Empty, Problem } from '../ui/States';
import { space } from '../ui/theme';
import { Heard, NO_WISHES, Recipes } from './Recipes';
import { StackEditor } from './StackEditor';
import { TypedAim } from './TypedAim';

const Page = styled.div`
    container-type: inline-size;
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: ${space.m};
    padding: ${space.m} ${space.l} ${space.l};
`;

/** A typed colour is nowhere in the photo. */
const NOWHERE = { x: 0.5, y: 0.5, radius: DEFAULT_RADIUS };

/** Recipes for the selected colour, and the editor for the one that is open. */
export function MatchStage() {
    const { selected: chosen, problem, typed: aimed, isEditing } = useChosen();
    const { open, close } = useHands();
    const typed = useTypedColour(aimed);
    const selected = useMemo<Selected | null>(
        () =>
            aimed === null
                ? chosen
                : typed.data
                  ? { colour: typed.data, spread: 0, spot: NOWHERE, zone: null, target: null }
                  : null,
        [aimed, chosen, typed.data],
    );
    // From the editor one comes back to the recipe that was opened.
    const opened = useRef<string | null>(null);
    const page = useRef<HTMLDivElement>(null);
    useEffect(() => {
        if (isEditing || opened.current === null) return;
        const from = [...(page.current?.querySelectorAll<HTMLElement>('[data-opens]') ?? [])];
        (from.find(({ dataset }) => dataset.opens === opened.current) ?? from[0])?.focus();
        opened.current = null;
    }, [isEditing]);
    // Another colour is read from its top. Where nothing was scrolled nothing is asked of the page, which would lay all of it out at once.
    const scrolled = useRef<Element | null>(null);
    useEffect(() => {
        const scroller = page.current?.closest('[role="group"]');
        const note = () => (scrolled.current = scroller && scroller.scrollTop > 0 ? scroller : null);
        scroller?.addEventListener('scroll', note, { passive: true });

        return () => scroller?.removeEventListener('scroll', note);
    }, []);
    const of = selected?.colour ?? null;
    useEffect(() => {
        if (scrolled.current) scrolled.current.scrollTop = 0;
    }, [of]);
    const adjust = useCallback(
        (stack: string) => {
            opened.current = stack;
            open(stack);
        },
        [open],
    );
    const [wishes, setWishes] = useState<SearchWishes>(NO_WISHES);
    const name = selected?.target?.name ?? (aimed === null ? 'Sample' : 'Typed colour');
    const aim = useMemo(
        () => <TypedAim problem={typed.isError ? messageOf(typed.error) : undefined} />,
        [typed.isError, typed.error],
    );
    // The hand goes first: what follows from the colour is shown when there is time.
    const asked = useMemo(() => selected && { selected, name }, [selected, name]);
    const later = useDeferredValue(asked);

    if (!selected) {
        return (
            <Page ref={page}>
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

    return (
        <Page ref={page}>
            <h1 className="visually-hidden">Match</h1>
            {/* In the editor the same colour stands beside what the stack comes to. */}
            {!isEditing && (
                <Reading
                    name={name}
                    colour={selected.colour}
                    spread={aimed === null ? selected.spread : null}
                    predicted={selected.target?.recipe?.predicted}
                />
            )}
            {selected.zone && <TargetChoice zone={selected.zone} />}
            {isEditing ? (
                <>
                    <Heard name={name} colour={selected.colour} />
                    <StackEditor key={selected.target?.id ?? 'free'} selected={selected} onClose={close} />
                </>
            ) : (
                later && (
                    <Recipes
                        name={later.name}
                        selected={later.selected}
                        chosenWishes={wishes}
                        onWishes={setWishes}
                        onOpen={adjust}
                    >
                        {aim}
                    </Recipes>
                )
            )}
        </Page>
    );
}
