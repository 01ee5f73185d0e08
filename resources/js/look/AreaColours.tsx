import { useState } from 'react';
import { ListBox, ListBoxItem } from 'react-aria-components';
import styled from 'styled-components';
import { Refusal, messageOf, type Colouring, type Zone } from '../api/client';
import { useColourAreas } from '../api/lookQueries';
import { useBoxByHue } from '../api/queries';
import { useDeskPiece, useHands } from '../desk/DeskContext';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { Field } from '../ui/Field';
import { Segments } from '../ui/Segments';
import { Swatch } from '../ui/Swatch';
import { space, target, type } from '../ui/theme';
import { Toggle } from '../ui/Toggle';
import { Line, Part } from './parts';
import { tell } from './words';

type By = Exclude<Colouring['by'], 'paper' | 'recipe'>;

const WAYS: { id: By; name: string; says: string }[] = [
    { id: 'colour', name: 'One colour', says: 'Lighter as the paper shows, darker in shadow.' },
    { id: 'ladder', name: 'Ladder', says: 'Three pencils of your box, from pale to dark.' },
    { id: 'trio', name: 'Trio', says: 'With its neighbours on the wheel: one lighter, one darker.' },
];

const FORMS: { id: Colouring['form']; name: string }[] = [
    { id: 'flat', name: 'Flat' },
    { id: 'round', name: 'Round' },
    { id: 'hollow', name: 'Hollow' },
];

const Steps = styled.div`
    display: grid;
    grid-template-columns: repeat(3, minmax(0, 1fr));
    padding: 8px;
    background: ${({ theme }) => theme.surround};
    & small {
        padding: 2px 6px;
        color: ${({ theme }) => theme.ink};
    }
`;

const Chips = styled(ListBox)`
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(48px, 1fr));
    grid-auto-rows: max-content;
    gap: 2px;
    max-height: 200px;
    padding: 2px;
    overflow-y: auto;
    outline: none;
`;

const Chip = styled(ListBoxItem)`
    display: grid;
    min-height: ${target.usual};
    font-size: ${type.small};
    font-variant-numeric: tabular-nums;
    text-align: center;
    cursor: pointer;
    & > i {
        height: 24px;
        forced-color-adjust: none;
    }
    &[data-focus-visible] {
        outline: 2px solid ${({ theme }) => theme.ink};
    }
    &[data-hovered] {
        text-decoration: underline;
    }
`;

const Typed = styled.form`
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto auto;
    gap: ${space.s};
    align-items: end;
`;

interface Props {
    zone: Zone & { colouring: Colouring };
}

/** How the chosen area of a line drawing is coloured: its light, middle and dark, and what it is the outline of. */
export function AreaColours({ zone }: Props) {
    const piece = useDeskPiece();
    const { take } = useHands();
    const box = useBoxByHue();
    const colour = useColourAreas(piece.id);
    // One that has no colour yet colours nothing.
    const pencils = box.data?.filter(({ hex }) => hex !== null) ?? [];
    const { colouring } = zone;
    const [by, setBy] = useState<By>(colouring.by === 'paper' || colouring.by === 'recipe' ? 'colour' : colouring.by);
    const [typed, setTyped] = useState('');
    const refusal = colour.error instanceof Refusal ? colour.error.fields.colour : undefined;
    const lay = (text: string, way: By = by) =>
        text !== '' && colour.mutate({ zones: [zone.id], by: way, colour: text });
    const middle = colouring.colours?.middle;
    const body = piece.zones.find(({ id }) => id === colouring.body);

    return (
        <Part aria-labelledby="area-colours" data-testid="area">
            <h2 id="area-colours">Colours of this area</h2>
            {colouring.colours ? (
                <Steps>
                    {(['light', 'middle', 'dark'] as const).map((step) => (
                        <Step key={step} step={step} colouring={colouring} />
                    ))}
                </Steps>
            ) : (
                <p>It stays paper. Choose a pencil, or type a colour.</p>
            )}
            <Segments
                label="Shaded by"
                options={WAYS}
                value={by}
                onChange={(way) => {
                    setBy(way);
                    if (middle && colouring.by !== 'recipe') lay(`${middle.L} ${middle.a} ${middle.b}`, way);
                }}
            />
            <small role="status">
                {colour.isPending ? 'Colouring the picture' : WAYS.find(({ id }) => id === by)?.says}
            </small>
            {pencils.length > 0 && (
                <Chips
                    aria-label="Pencils of your box"
                    layout="grid"
                    selectionMode="none"
                    onAction={(id) => lay(String(id))}
                >
                    {pencils.map((pencil) => (
                        <Chip
                            key={pencil.id}
                            id={pencil.id}
                            textValue={`${pencil.number} ${pencil.name}`}
                            aria-label={`${pencil.number} ${pencil.name}`}
                        >
                            <i style={{ background: pencil.hex ?? undefined }} aria-hidden />
                            {pencil.number}
                        </Chip>
                    ))}
                </Chips>
            )}
            <Typed
                onSubmit={(event) => {
                    event.preventDefault();
                    lay(typed.trim());
                }}
            >
                <Field
                    label="Or type it: a pencil, #hex, or L a b"
                    value={typed}
                    onChange={setTyped}
                    problem={colour.error ? (refusal ?? messageOf(colour.error)) : undefined}
                    maxLength={60}
                />
                <Button type="submit" isDisabled={colour.isPending}>
                    Colour it
                </Button>
                <Button
                    isDisabled={!colouring.colours || colour.isPending}
                    onPress={() => colour.mutate({ zones: [zone.id], by: 'paper' }, tell)}
                >
                    Leave paper
                </Button>
            </Typed>
            <RecipeChoice zone={zone} />
            <Line>
                <Segments
                    label="Form"
                    options={FORMS}
                    value={colouring.form}
                    onChange={(form) => colour.mutate({ zones: [zone.id], form }, tell)}
                />
                <Toggle
                    isSelected={colouring.shines}
                    onChange={(shines) => colour.mutate({ zones: [zone.id], shines }, tell)}
                >
                    Shines
                </Toggle>
            </Line>
            <Line>
                <Button
                    onPress={() =>
                        take({
                            kind: 'zone',
                            title: `Click the area that ${zone.name} is one form with.`,
                            done: (other) =>
                                other.id !== zone.id && colour.mutate({ zones: [zone.id], body: other.id }, tell),
                        })
                    }
                >
                    One form with
                </Button>
                {body && (
                    <Button onPress={() => colour.mutate({ zones: [zone.id], body: null }, tell)}>
                        A form of its own
                    </Button>
                )}
                <Button
                    isDisabled={!middle}
                    onPress={() =>
                        take({
                            kind: 'zone',
                            title: `Click the area that is to be coloured as ${zone.name}.`,
                            done: (other) =>
                                middle &&
                                colour.mutate(
                                    {
                                        zones: [other.id],
                                        by,
                                        colour: `${middle.L} ${middle.a} ${middle.b}`,
                                        shines: colouring.shines,
                                    },
                                    tell,
                                ),
                        })
                    }
                >
                    The same to another
                </Button>
            </Line>
            {body && <small>One form with {body.name}: light and dark go over both.</small>}
        </Part>
    );
}

function Step({ step, colouring }: { step: 'light' | 'middle' | 'dark'; colouring: Colouring }) {
    const colour = colouring.colours?.[step];
    if (!colour) return null;

    return (
        <span>
            <Swatch colour={colour} label={step} width="100%" height="48px" />
            <small>
                {step} <b>{colour.appearance.valueStep}</b>
                {colouring.pencils[step] && <> · {colouring.pencils[step].split(':').pop()}</>}
            </small>
        </span>
    );
}

/** One of the recipes that are kept in this piece already. */
function RecipeChoice({ zone }: { zone: Zone }) {
    const piece = useDeskPiece();
    const colour = useColourAreas(piece.id);
    const kept = piece.zones.flatMap(({ id, targets }) =>
        id === zone.id ? [] : targets.filter(({ recipe }) => recipe !== null && recipe.steps.length > 0),
    );
    if (kept.length === 0) return null;

    return (
        <Choice
            label="Or as a recipe of this piece"
            value={null}
            options={kept.map(({ id, name }) => ({ id, name }))}
            onChange={(recipe) => colour.mutate({ zones: [zone.id], by: 'recipe', recipe }, tell)}
        />
    );
}
