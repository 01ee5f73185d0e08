import { useEffect, useRef, useState } from 'react';
import { GridList, useDragAndDrop } from 'react-aria-components';
import styled from 'styled-components';
import { messageOf, type StackPrediction } from '../api/client';
import { useBox, usePrediction, supportOf } from '../api/queries';
import { useDesk, type Selected } from '../desk/DeskContext';
import { Button } from '../ui/Button';
import { GrainSection } from '../ui/GrainSection';
import { Problem } from '../ui/States';
import { Swatch } from '../ui/Swatch';
import { space, type } from '../ui/theme';
import { useKeys } from '../ui/useKeys';
import { Advice } from './Advice';
import { Keep } from './Keep';
import { Notation } from './Notation';
import { Outcome } from './Outcome';
import { again, layer, operation, readStack, writeStack, type DraftStep } from './draft';
import type { Pickable } from './PencilPicker';
import { RoundBars } from './RoundBars';
import { withRounds } from './rounds';
import { StackRow } from './StackRow';

const Page = styled.section`
    display: grid;
    gap: ${space.m};
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

const Rows = styled(GridList)`
    display: grid;
    gap: ${space.xs};
    outline: none;
    & [data-drop-target] {
        outline: 2px solid ${({ theme }) => theme.ink};
    }
` as typeof GridList;

const Strip = styled.ol`
    display: flex;
    & > li {
        flex: 1;
    }
`;

/** One step a place on or back. */
function moved(steps: DraftStep[], index: number, by: -1 | 1): DraftStep[] {
    const next = [...steps];
    next.splice(index + by, 0, ...next.splice(index, 1));

    return next;
}

interface DragItems {
    prediction: StackPrediction | undefined;
    steps: DraftStep[];
}

const laid = ({ prediction, steps }: DragItems, index: number) =>
    // While the prediction of a longer or shorter stack is on its way, the strip belongs to the stack before.
    prediction && prediction.strip.length === steps.length + 1 ? prediction.strip[index + 1] : undefined;

/** The open recipe: every change is predicted at once, layer by layer. */
export function StackEditor({ selected }: { selected: Selected }) {
    const { piece, selection } = useDesk();
    const owned = useBox();
    const { target } = selected;
    const opened = selection.editing ?? '';
    const kept = target?.recipe?.stack ?? null;
    const [autosave] = useState(() => kept !== null && kept === opened);
    const [steps, setSteps] = useState<DraftStep[]>(() => readStack(opened) ?? []);
    const [past, setPast] = useState<DraftStep[][]>([]);
    const [future, setFuture] = useState<DraftStep[][]>([]);
    const before = useRef<DraftStep[] | null>(null);
    const stack = writeStack(steps);
    const prediction = usePrediction(
        piece.id,
        supportOf(piece.paper.id, selected.zone),
        selected.zone?.id ?? null,
        selected.colour,
        stack,
    );
    const known = prediction.data;
    const box: Pickable[] = [...(owned.data ?? [])];
    for (const { pencil } of known?.recipe.steps ?? []) {
        if (pencil && !box.some(({ id }) => id === pencil.id)) box.push(pencil);
    }

    const remember = selection.edit;
    useEffect(() => {
        if (stack !== opened) remember(stack);
    }, [stack, opened, remember]);

    /** One change that can be undone. While a slider moves, only where it started counts. */
    const change = (next: DraftStep[], settled = true) => {
        if (settled) {
            setPast([...past, before.current ?? steps]);
            setFuture([]);
            before.current = null;
        } else {
            before.current ??= steps;
        }
        setSteps(next);
    };
    const replace = (key: string, with_: Partial<DraftStep>, settled = true) =>
        change(
            steps.map((step) => (step.key === key ? { ...step, ...with_ } : step)),
            settled,
        );
    const undo = () => {
        const last = past.at(-1);
        if (!last) return;
        setPast(past.slice(0, -1));
        setFuture([steps, ...future]);
        setSteps(last);
    };
    const redo = () => {
        const [next, ...rest] = future;
        if (!next) return;
        setFuture(rest);
        setPast([...past, steps]);
        setSteps(next);
    };
    useKeys({ undo, redo, close: () => selection.edit(null) });

    const { dragAndDropHooks } = useDragAndDrop<DraftStep>({
        getItems: (dragged) => [...dragged].map((key) => ({ 'text/plain': String(key) })),
        onReorder: ({ keys, target }) => {
            const moving = steps.filter((step) => keys.has(step.key));
            const rest = steps.filter((step) => !keys.has(step.key));
            const at = rest.findIndex((step) => step.key === target.key) + (target.dropPosition === 'after' ? 1 : 0);
            change([...rest.slice(0, at), ...moving, ...rest.slice(at)]);
        },
    });

    return (
        <Page aria-label="Stack editor" data-testid="editor">
            <Bar>
                <h2>{target ? `Recipe for ${target.name}` : 'Recipe'}</h2>
                <Button onPress={undo} isDisabled={past.length === 0}>
                    Undo
                </Button>
                <Button onPress={redo} isDisabled={future.length === 0}>
                    Redo
                </Button>
                <Button onPress={() => selection.edit(null)}>All recipes</Button>
            </Bar>
            {prediction.isError && <Problem message={messageOf(prediction.error)} />}
            {known && <Outcome known={known} colour={selected.colour} />}
            <RoundBars
                steps={steps}
                number={(id) => box.find((pencil) => pencil.id === id)?.number ?? id}
                onChange={(round, to) => change(withRounds(steps, round, to, again))}
            />
            <Rows
                aria-label="Steps, first laid first"
                items={steps}
                dragAndDropHooks={dragAndDropHooks}
                keyboardNavigationBehavior="tab"
                renderEmptyState={() => <p>Bare paper. Add a layer.</p>}
                dependencies={[steps, known, box.length]}
            >
                {(step) => {
                    const index = steps.findIndex((candidate) => candidate.key === step.key);
                    const looks = laid({ prediction: known, steps }, index);

                    return (
                        <StackRow
                            step={step}
                            index={index}
                            isLast={index === steps.length - 1}
                            box={box}
                            looks={looks?.colour}
                            onMove={(by) => change(moved(steps, index, by))}
                            onReplace={(changes, isFinal) => replace(step.key, changes, isFinal)}
                            onRemove={() => change(steps.filter((candidate) => candidate.key !== step.key))}
                        />
                    );
                }}
            </Rows>
            <Bar>
                <Button
                    isDisabled={box.length === 0}
                    onPress={() => change([...steps, layer(steps.at(-1)?.pencil || (box[0]?.id ?? ''))])}
                >
                    Add layer
                </Button>
                <Button onPress={() => change([...steps, operation('wash')])}>Add wash</Button>
                <Button onPress={() => change([...steps, operation('blend')])}>Add blend</Button>
                <Button onPress={() => change([...steps, operation('lift')])}>Add lift</Button>
            </Bar>
            {known && (
                <>
                    <Strip aria-label="Colour after each step">
                        {known.strip.map((entry, index) => (
                            <li key={index}>
                                <Swatch
                                    colour={entry.colour}
                                    label={index === 0 ? 'Bare paper' : `After step ${index}`}
                                    width="100%"
                                    height="34px"
                                />
                            </li>
                        ))}
                    </Strip>
                    <GrainSection bins={known.section} />
                    <Advice
                        stack={stack}
                        predicted={known.recipe.predicted}
                        target={selected.colour}
                        onTake={(other) => {
                            const read = readStack(other);
                            if (read) change(read);
                        }}
                    />
                </>
            )}
            <Notation
                stack={stack}
                onRead={(notation) => {
                    const read = readStack(notation);
                    if (read) change(read);

                    return read !== null;
                }}
            />
            <Keep selected={selected} stack={stack} kept={kept} autosave={autosave} readable={!prediction.isError} />
        </Page>
    );
}
