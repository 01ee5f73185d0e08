import { useEffect, useRef, useState } from 'react';
import {
    Button as AriaButton,
    Form,
    GridList,
    GridListItem,
    Slider,
    SliderThumb,
    SliderTrack,
    useDragAndDrop,
} from 'react-aria-components';
import styled from 'styled-components';
import { messageOf, type StackPrediction, type Target } from '../api/client';
import { useAddZone, useBox, useChangeTarget, usePrediction, supportOf } from '../api/queries';
import { useDesk, type Selected } from '../desk/DeskContext';
import { Button, SignButton, StrongButton } from '../ui/Button';
import { Field } from '../ui/Field';
import { GrainSection } from '../ui/GrainSection';
import { notify } from '../ui/Notices';
import { pressureText } from '../ui/Pressure';
import { RestsOnLine } from '../ui/RestsOnLine';
import { Problem } from '../ui/States';
import { Swatch, SwatchPair } from '../ui/Swatch';
import { ToothRings } from '../ui/ToothRings';
import { radius, space, type } from '../ui/theme';
import { useShortcuts } from '../ui/useShortcuts';
import { Advice } from './Advice';
import { again, layer, operation, readStack, writeStack, type DraftStep } from './draft';
import { PencilPicker, type Pickable } from './PencilPicker';
import { RoundBars } from './RoundBars';
import { withRounds } from './rounds';

const MOST_PASSES = 9;
const SAVE_AFTER = 700;

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
        font-size: 16px;
    }
`;

const Outcome = styled.div`
    display: grid;
    grid-template-columns: 150px minmax(0, 1fr);
    gap: ${space.m};
    align-items: start;
    & p {
        font-weight: 600;
    }
    & small {
        color: ${({ theme }) => theme.quiet};
    }
    & > div {
        display: grid;
        gap: 2px;
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

const Row = styled(GridListItem)`
    display: grid;
    grid-template-columns: 24px 14px minmax(120px, 1.5fr) minmax(104px, 1fr) 84px 30px 46px;
    align-items: center;
    gap: 6px;
    padding: ${space.xs} ${space.xs} ${space.xs} 0;
    border: 1px solid ${({ theme }) => theme.line};
    border-radius: ${radius};
    background: ${({ theme }) => theme.raised};
    &[data-focus-visible] {
        outline: 2px solid ${({ theme }) => theme.ink};
    }
    &[data-dragging] {
        opacity: 0.5;
    }
    & > b {
        text-align: end;
    }
` as typeof GridListItem;

const Handle = styled(AriaButton)`
    min-height: 40px;
    border: 0;
    background: none;
    cursor: grab;
    font-size: 18px;
`;

const Force = styled(Slider)`
    display: grid;
    gap: 2px;
    & small {
        font-size: ${type.small};
        font-weight: 560;
    }
    & .track {
        position: relative;
        height: 22px;
    }
    & .track::before {
        content: '';
        position: absolute;
        inset: 10px 0;
        height: 2px;
        background: ${({ theme }) => theme.quiet};
    }
    & .thumb {
        top: 50%;
        width: 14px;
        height: 22px;
        background: ${({ theme }) => theme.ink};
        border-radius: 2px;
    }
    & .thumb[data-focus-visible] {
        outline: 2px solid ${({ theme }) => theme.ink};
        outline-offset: 2px;
    }
`;

const Passes = styled.div`
    display: flex;
    align-items: center;
    & button {
        width: 26px;
        min-height: 32px;
    }
    & span {
        width: 32px;
        text-align: center;
    }
`;

const Strip = styled.ol`
    display: flex;
    & > li {
        flex: 1;
    }
`;

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
    useShortcuts({ 'mod+z': undo, 'mod+shift+z': redo, u: undo, escape: () => selection.edit(null) });

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
            {known && (
                <Outcome>
                    <SwatchPair
                        target={selected.colour}
                        predicted={known.recipe.predicted}
                        width="150px"
                        height="84px"
                    />
                    <div aria-live="polite">
                        <p data-testid="words">{known.recipe.difference.words}</p>
                        <small>
                            dE00 <span data-testid="dE">{known.recipe.difference.dE00.toFixed(2)}</span> ±{' '}
                            {known.recipe.sigma.toFixed(1)}, predicted {known.recipe.predicted.appearance.sentence}
                        </small>
                        <RestsOnLine calibration={known.calibration} />
                        <small data-testid="hand">
                            A hand 10 % off in each layer moves it by dE00 {known.recipe.sensitivity.toFixed(1)}
                        </small>
                        {known.recipe.underLamp && (
                            <small data-testid="under-lamp">
                                Under the {known.recipe.underLamp.name.toLowerCase()}:{' '}
                                {known.recipe.underLamp.difference.words}{' '}
                                <SwatchPair
                                    target={known.recipe.underLamp.target}
                                    predicted={known.recipe.underLamp.predicted}
                                    width="72px"
                                    height="22px"
                                />
                            </small>
                        )}
                        <span style={{ display: 'flex', alignItems: 'center', gap: 4 }}>
                            <ToothRings left={known.recipe.toothLeft} size={22} /> left, {known.recipe.grain},{' '}
                            {known.room === 0
                                ? 'no room for a light layer'
                                : `room for ${known.room >= 12 ? '12 or more' : known.room} light layers`}
                        </span>
                        {known.recipe.warnings.map((warning) => (
                            <span key={warning.code}>
                                <b>!</b> {warning.sentence} {warning.cure}
                            </span>
                        ))}
                    </div>
                </Outcome>
            )}
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
                    const name = step.kind === 'layer' ? step.pencil : step.kind;
                    const looks = laid({ prediction: known, steps }, index);

                    return (
                        <Row id={step.key} textValue={`${index + 1}: ${name}`}>
                            <Handle slot="drag" aria-label={`Move step ${index + 1}`}>
                                ≡
                            </Handle>
                            <b>{index + 1}</b>
                            {step.kind === 'layer' ? (
                                <>
                                    <PencilPicker
                                        pencils={box}
                                        value={step.pencil}
                                        label={`Pencil of step ${index + 1}`}
                                        onChange={(pencil) => pencil !== step.pencil && replace(step.key, { pencil })}
                                    />
                                    <Force
                                        aria-label={`Pressure of step ${index + 1}`}
                                        minValue={5}
                                        maxValue={100}
                                        step={5}
                                        value={step.pressure}
                                        onChange={(pressure) =>
                                            replace(step.key, { pressure: Number(pressure) }, false)
                                        }
                                        onChangeEnd={(pressure) => replace(step.key, { pressure: Number(pressure) })}
                                    >
                                        <SliderTrack className="track">
                                            <SliderThumb className="thumb" />
                                        </SliderTrack>
                                        <small>{pressureText(step.pressure, 1)}</small>
                                    </Force>
                                    <Passes role="group" aria-label={`Coats of step ${index + 1}`}>
                                        <SignButton
                                            aria-label="One coat less"
                                            isDisabled={step.passes === 1}
                                            onPress={() => replace(step.key, { passes: step.passes - 1 })}
                                        >
                                            −
                                        </SignButton>
                                        <span>
                                            <b>{step.passes}</b> ×
                                        </span>
                                        <SignButton
                                            aria-label="One coat more"
                                            isDisabled={step.passes === MOST_PASSES}
                                            onPress={() => replace(step.key, { passes: step.passes + 1 })}
                                        >
                                            +
                                        </SignButton>
                                    </Passes>
                                </>
                            ) : (
                                <strong style={{ gridColumn: '3 / 6' }}>
                                    {step.kind === 'wash'
                                        ? 'Solvent wash, dried'
                                        : step.kind === 'blend'
                                          ? 'Colourless blender'
                                          : 'Kneaded eraser'}
                                </strong>
                            )}
                            <SignButton
                                aria-label={`Remove step ${index + 1}`}
                                onPress={() => change(steps.filter((candidate) => candidate.key !== step.key))}
                            >
                                ×
                            </SignButton>
                            {looks ? (
                                <Swatch
                                    colour={looks.colour}
                                    label={`After step ${index + 1}`}
                                    width="44px"
                                    height="40px"
                                />
                            ) : (
                                <span />
                            )}
                        </Row>
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

/** The stack as text: to copy, and to paste another. */
function Notation({ stack, onRead }: { stack: string; onRead: (notation: string) => boolean }) {
    const { piece, selected } = useDesk();
    const [typed, setTyped] = useState<string | null>(null);
    const [tried, setTried] = useState<string | null>(null);
    // The server reads what the editor cannot, and says at which character it goes wrong.
    const refusal = usePrediction(piece.id, piece.paper.id, null, selected?.colour ?? { L: 50, a: 0, b: 0 }, tried);

    return (
        <Form
            onSubmit={(event) => {
                event.preventDefault();
                if (typed === null) return;
                if (onRead(typed)) {
                    setTyped(null);
                    setTried(null);
                } else setTried(typed);
            }}
        >
            <Field
                label="As text, bottom to top; Enter reads it"
                value={typed ?? stack}
                onChange={setTyped}
                problem={tried !== null && refusal.isError ? messageOf(refusal.error) : undefined}
            />
        </Form>
    );
}

interface KeepProps {
    selected: Selected;
    stack: string;
    kept: string | null;
    autosave: boolean;
    readable: boolean;
}

/** Keeps the stack: as the zone's recipe, or with a free sample as a new zone. An opened kept recipe saves itself. */
function Keep({ selected, stack, kept, autosave, readable }: KeepProps) {
    const { piece, selection } = useDesk();
    const { target, spot } = selected;
    const [name, setName] = useState('');
    const add = useAddZone(piece.id);
    const { mutate, isPending } = useChangeTarget(piece.id);
    const differs = stack !== kept;

    const save = (of: Target) =>
        mutate(
            { id: of.id, version: of.version, stack },
            {
                onSuccess: () => notify(`Kept for ${of.name}`),
                onError: (error) => notify(messageOf(error)),
            },
        );
    useEffect(() => {
        if (!autosave || !target || !differs || !readable || isPending) return undefined;
        const timer = setTimeout(
            () =>
                mutate(
                    { id: target.id, version: target.version, stack },
                    { onError: (error) => notify(messageOf(error)) },
                ),
            SAVE_AFTER,
        );

        return () => clearTimeout(timer);
    }, [autosave, target, differs, readable, isPending, mutate, stack]);

    if (target) {
        return (
            <Bar>
                <StrongButton isDisabled={!differs || !readable || isPending} onPress={() => save(target)}>
                    {differs ? `Keep for ${target.name}` : `Kept for ${target.name}`}
                </StrongButton>
            </Bar>
        );
    }

    if (selection.typed !== null) {
        return <p>A typed colour belongs to no zone. Copy the stack, or set the colour of a zone in Look.</p>;
    }

    return (
        <Form
            onSubmit={(event) => {
                event.preventDefault();
                add.mutate(
                    { ...spot, name, stack },
                    {
                        onSuccess: (added) => {
                            notify(`Kept for ${added.name}`);
                            selection.selectZone(added.id);
                        },
                    },
                );
            }}
        >
            <Bar style={{ alignItems: 'end' }}>
                <div style={{ flex: 1 }}>
                    <Field
                        label="Name the zone this recipe is for"
                        value={name}
                        onChange={setName}
                        placeholder="rim of the float"
                        problem={add.isError ? messageOf(add.error) : undefined}
                        maxLength={80}
                    />
                </div>
                <StrongButton type="submit" isDisabled={!readable || add.isPending}>
                    Keep as zone
                </StrongButton>
            </Bar>
        </Form>
    );
}
