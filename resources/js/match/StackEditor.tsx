import { memo, useCallback, useDeferredValue, useEffect, useMemo, useRef, useState } from 'react';
import styled from 'styled-components';
import { useDebounce } from 'use-debounce';
import { messageOf, type StackPrediction } from '../api/client';
import { useBox, usePrediction, supportOf } from '../api/queries';
import { type Selected, useDeskPiece, useEdited, useHands } from '../desk/DeskContext';
import { Button } from '../ui/Button';
import { GrainSection } from '../ui/GrainSection';
import { Problem } from '../ui/States';
import { Swatch } from '../ui/Swatch';
import { space, type } from '../ui/theme';
import { useKeys } from '../ui/useKeys';
import { Advice } from './Advice';
import { Keep } from './Keep';
import { Notation } from './Notation';
import { Outcome, OutcomeNotes } from './Outcome';
import { again, layer, operation, readStack, writeStack, type DraftStep } from './draft';
import type { Pickable } from '../ui/PencilPicker';
import { RoundBars } from './RoundBars';
import { withRounds, type Round } from './rounds';
import { StackRows, Strip } from './StackRows';
import { useDraft } from './useDraft';

const Page = styled.section`
    display: grid;
    gap: ${space.m};
    container-type: inline-size;
`;

/** What it comes to stays in sight while one works on the steps. */
const Top = styled.div`
    position: sticky;
    z-index: 3;
    top: 0;
    display: grid;
    gap: ${space.s};
    padding-block: ${space.s};
    border-bottom: 1px solid ${({ theme }) => theme.line};
    background: ${({ theme }) => theme.panel};
`;

const Waiting = styled.div`
    height: 108px;
`;

/** One below the other; side by side where there is room for it. */
const Columns = styled.div`
    display: grid;
    gap: ${space.m};
    & > div {
        display: grid;
        align-content: start;
        gap: ${space.m};
        min-width: 0;
    }
    @container (min-width: 780px) {
        grid-template-columns: minmax(490px, 1.4fr) minmax(240px, 1fr);
    }
`;

/** Under the hand, however far one has scrolled. */
const Foot = styled.div`
    position: sticky;
    z-index: 3;
    bottom: 0;
    padding-block: ${space.s};
    border-top: 1px solid ${({ theme }) => theme.line};
    background: ${({ theme }) => theme.panel};
`;

const Bar = styled.div`
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: ${space.s};
    & > h2 {
        flex: 1;
        font-size: ${type.lead};
    }
`;

const Colours = styled.ol`
    display: flex;
    & > li {
        flex: 1;
    }
`;

/** The prediction is asked for at most so often, milliseconds. */
const ASKED = 100;

const NOBODY: Pickable[] = [];

const pencilsOf = (known: StackPrediction | undefined): Pickable[] =>
    known?.recipe.steps.flatMap(({ pencil }) => (pencil ? [pencil] : [])) ?? [];

/** The open recipe: every change is predicted at once, layer by layer. */
export function StackEditor({ selected, onClose }: { selected: Selected; onClose: () => void }) {
    const piece = useDeskPiece();
    const edited = useEdited();
    const { rewrite } = useHands();
    const { target } = selected;
    const [opened] = useState(() => edited.current ?? '');
    const kept = target?.recipe?.stack ?? null;
    const [autosave] = useState(() => kept !== null && kept === opened);
    const { steps, live, canUndo, canRedo, change, press, undo, redo } = useDraft(opened);
    const stack = writeStack(live);
    const [debounced] = useDebounce(stack, ASKED, { leading: true, maxWait: 2 * ASKED });
    // The slider goes first, then it is asked for.
    const asked = useDeferredValue(debounced);
    const prediction = usePrediction(
        piece.id,
        supportOf(piece.paper.id, selected.zone),
        selected.zone?.id ?? null,
        selected.colour,
        asked,
    );
    // The slider goes before what it comes to.
    const known = useDeferredValue(prediction.data);
    const owned = useBox().data ?? NOBODY;
    // The same list as long as they are the same pencils: rows under the hand are not drawn anew.
    const others = JSON.stringify(pencilsOf(known).filter(({ id }) => !owned.some((pencil) => pencil.id === id)));
    const box = useMemo(() => [...owned, ...(JSON.parse(others) as Pickable[])], [owned, others]);
    const strip = useMemo(
        // While the prediction of a longer or shorter stack is on its way, the strip belongs to the stack before.
        () => (known && known.strip.length === steps.length + 1 ? known.strip.map(({ colour }) => colour) : []),
        [known, steps.length],
    );
    const settledStack = writeStack(steps);
    useEffect(() => {
        if (settledStack !== (edited.current ?? '')) rewrite(settledStack);
    }, [settledStack, edited, rewrite]);
    useKeys({ undo, redo, close: onClose });
    const heading = useRef<HTMLHeadingElement>(null);
    useEffect(() => heading.current?.focus({ preventScroll: true }), []);
    const take = useCallback(
        (notation: string) => {
            const read = readStack(notation);
            if (read) change(() => read);

            return read !== null;
        },
        [change],
    );
    const rounds = useCallback(
        (round: Round, to: { times?: number; by?: number }) => change((now) => withRounds(now, round, to, again)),
        [change],
    );

    return (
        <Page aria-label="Stack editor" data-testid="editor">
            <Top>
                <Bar>
                    <h2 ref={heading} tabIndex={-1}>
                        {target ? `Recipe for ${target.name}` : 'Recipe'}
                    </h2>
                    <Button onPress={undo} isDisabled={!canUndo}>
                        Undo
                    </Button>
                    <Button onPress={redo} isDisabled={!canRedo}>
                        Redo
                    </Button>
                    <Button onPress={onClose}>All recipes</Button>
                </Bar>
                {known ? <Outcome known={known} colour={selected.colour} /> : <Waiting />}
            </Top>
            {prediction.isError && <Problem message={messageOf(prediction.error)} />}
            <Columns>
                <div>
                    <Strip value={strip}>
                        <StackRows steps={steps} box={box} onChange={change} onPress={press} />
                    </Strip>
                    <AddBar first={box[0]?.id} onChange={change} />
                    <RoundBars steps={live} box={box} onChange={rounds} />
                </div>
                <div>
                    {known && (
                        <>
                            <OutcomeNotes known={known} />
                            <LaidColours strip={known.strip} />
                            <GrainSection bins={known.section} paper={known.strip[0]?.colour.hex} />
                            <Advice
                                stack={settledStack}
                                predicted={known.recipe.predicted}
                                target={selected.colour}
                                onTake={take}
                            />
                        </>
                    )}
                    <Notation stack={settledStack} onRead={take} />
                </div>
            </Columns>
            <Foot>
                <Keep
                    selected={selected}
                    stack={stack}
                    kept={kept}
                    autosave={autosave}
                    readable={!prediction.isError}
                />
            </Foot>
        </Page>
    );
}

interface AddProps {
    /** A pencil to begin with. */
    first: string | undefined;
    onChange: (to: (steps: DraftStep[]) => DraftStep[]) => void;
}

const AddBar = memo(function AddBar({ first, onChange }: AddProps) {
    return (
        <Bar>
            <Button
                isDisabled={first === undefined}
                onPress={() => onChange((now) => [...now, layer(now.at(-1)?.pencil || (first ?? ''))])}
            >
                Add layer
            </Button>
            {(['wash', 'blend', 'lift'] as const).map((kind) => (
                <Button key={kind} onPress={() => onChange((now) => [...now, operation(kind)])}>
                    Add {kind}
                </Button>
            ))}
        </Bar>
    );
});

const LaidColours = memo(function LaidColours({ strip }: Pick<StackPrediction, 'strip'>) {
    return (
        <Colours aria-label="Colour after each step">
            {strip.map((entry, index) => (
                <li key={index}>
                    <Swatch
                        colour={entry.colour}
                        label={index === 0 ? 'Bare paper' : `After step ${index}`}
                        width="100%"
                        height="34px"
                    />
                </li>
            ))}
        </Colours>
    );
});
