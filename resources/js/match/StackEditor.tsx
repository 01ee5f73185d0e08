import { memo, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import styled from 'styled-components';
import { type Colour, type StackPrediction } from '../api/client';
import { useBox } from '../api/queries';
import { type Selected, useEdited, useHands } from '../desk/DeskContext';
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
import { Predicting, usePredicted } from './Predicting';
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

const NOBODY: Pickable[] = [];

const pencilsOf = (known: StackPrediction | undefined): Pickable[] =>
    known?.recipe.steps.flatMap(({ pencil }) => (pencil ? [pencil] : [])) ?? [];

type Change = (to: (steps: DraftStep[]) => DraftStep[]) => void;

interface HeadProps {
    title: string;
    canUndo: boolean;
    canRedo: boolean;
    onUndo: () => void;
    onRedo: () => void;
    onClose: () => void;
}

const Head = memo(function Head({ title, canUndo, canRedo, onUndo, onRedo, onClose }: HeadProps) {
    const heading = useRef<HTMLHeadingElement>(null);
    useEffect(() => heading.current?.focus({ preventScroll: true }), []);

    return (
        <Bar>
            <h2 ref={heading} tabIndex={-1}>
                {title}
            </h2>
            <Button onPress={onUndo} isDisabled={!canUndo}>
                Undo
            </Button>
            <Button onPress={onRedo} isDisabled={!canRedo}>
                Redo
            </Button>
            <Button onPress={onClose}>All recipes</Button>
        </Bar>
    );
});

/** What it comes to, or why it comes to nothing. */
function ComesTo({ colour }: { colour: Colour }) {
    const { known } = usePredicted();

    return known ? <Outcome known={known} colour={colour} /> : <Waiting />;
}

function Unreadable() {
    const { problem } = usePredicted();

    return problem === null ? null : <Problem message={problem} />;
}

interface StepsProps {
    /** As they were when the hand last let go. */
    steps: DraftStep[];
    /** As they are under the hand. */
    live: DraftStep[];
    onChange: Change;
    onPress: (key: string, pressure: number) => void;
}

/** The steps, out of the box and of what the stack has besides. */
const Steps = memo(function Steps({ steps, live, onChange, onPress }: StepsProps) {
    const { known } = usePredicted();
    const owned = useBox().data ?? NOBODY;
    // The same list as long as they are the same pencils: rows under the hand are not drawn anew.
    const others = JSON.stringify(pencilsOf(known).filter(({ id }) => !owned.some((pencil) => pencil.id === id)));
    const box = useMemo(() => [...owned, ...(JSON.parse(others) as Pickable[])], [owned, others]);
    const strip = useMemo(
        // While the prediction of a longer or shorter stack is on its way, the strip belongs to the stack before.
        () => (known && known.strip.length === steps.length + 1 ? known.strip.map(({ colour }) => colour) : []),
        [known, steps.length],
    );
    const rounds = useCallback(
        (round: Round, to: { times?: number; by?: number }) => onChange((now) => withRounds(now, round, to, again)),
        [onChange],
    );

    return (
        <>
            <Strip value={strip}>
                <StackRows steps={steps} box={box} onChange={onChange} onPress={onPress} />
            </Strip>
            <AddBar first={box[0]?.id} onChange={onChange} />
            <RoundBars steps={live} box={box} onChange={rounds} />
        </>
    );
});

interface NotesProps {
    stack: string;
    target: Colour;
    onTake: (notation: string) => boolean;
}

/** What is to be known of it: what may go wrong, what lies how deep, what it needs. */
function Notes({ stack, target, onTake }: NotesProps) {
    const { known } = usePredicted();
    if (!known) return null;

    return (
        <>
            <OutcomeNotes known={known} />
            <LaidColours strip={known.strip} />
            <GrainSection bins={known.section} paper={known.strip[0]?.colour.hex} />
            <Advice stack={stack} predicted={known.recipe.predicted} target={target} onTake={onTake} />
        </>
    );
}

/** The open recipe: every change is predicted at once, layer by layer. */
export function StackEditor({ selected, onClose }: { selected: Selected; onClose: () => void }) {
    const edited = useEdited();
    const { rewrite } = useHands();
    const { target, colour } = selected;
    const [opened] = useState(() => edited.current ?? '');
    const kept = target?.recipe?.stack ?? null;
    const [autosave] = useState(() => kept !== null && kept === opened);
    const { steps, live, canUndo, canRedo, change, press, undo, redo } = useDraft(opened);
    const stack = writeStack(live);
    const settledStack = writeStack(steps);
    useEffect(() => {
        if (settledStack !== (edited.current ?? '')) rewrite(settledStack);
    }, [settledStack, edited, rewrite]);
    useKeys({ undo, redo, close: onClose });
    const take = useCallback(
        (notation: string) => {
            const read = readStack(notation);
            if (read) change(() => read);

            return read !== null;
        },
        [change],
    );

    return (
        <Predicting selected={selected} stack={stack}>
            <Page aria-label="Stack editor" data-testid="editor">
                <Top>
                    <Head
                        title={target ? `Recipe for ${target.name}` : 'Recipe'}
                        canUndo={canUndo}
                        canRedo={canRedo}
                        onUndo={undo}
                        onRedo={redo}
                        onClose={onClose}
                    />
                    <ComesTo colour={colour} />
                </Top>
                <Unreadable />
                <Columns>
                    <div>
                        <Steps steps={steps} live={live} onChange={change} onPress={press} />
                    </div>
                    <div>
                        <Notes stack={settledStack} target={colour} onTake={take} />
                        <Notation stack={settledStack} onRead={take} />
                    </div>
                </Columns>
                <Foot>
                    <Keep selected={selected} stack={stack} kept={kept} autosave={autosave} />
                </Foot>
            </Page>
        </Predicting>
    );
}

interface AddProps {
    /** A pencil to begin with. */
    first: string | undefined;
    onChange: Change;
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
