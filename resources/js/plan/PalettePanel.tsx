import { memo, useState } from 'react';
import styled from 'styled-components';
import { messageOf, type Plan } from '../api/client';
import { useBox } from '../api/queries';
import { useReplanPalette, useStartPlanning, useTakePlanningBack } from './planQueries';
import { useDeskPiece } from '../desk/DeskContext';
import { PaletteSizes } from './PaletteSizes';
import { PencilPicker } from '../ui/PencilPicker';
import { Button, StrongButton } from '../ui/Button';
import { notify } from '../ui/Notices';
import { Segments } from '../ui/Segments';
import { Swatch } from '../ui/Swatch';
import { Tick } from '../ui/Tick';
import { space, type } from '../ui/theme';

const SIZES = ['6', '8', '12', '18', '24', 'box'];

const without = (ids: string[], id: string) => ids.filter((other) => other !== id);

/** And another that was asked for, at its place. */
const sizesWith = (size: string) =>
    SIZES.includes(size) ? SIZES : [...SIZES, size].sort((a, b) => (Number(a) || Infinity) - (Number(b) || Infinity));

const Box = styled.section`
    display: grid;
    gap: ${space.s};
    & h2 {
        font-size: ${type.title};
    }
    & p {
        max-width: 64ch;
    }
`;

const Line = styled.div`
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: ${space.s};
`;

const Wanted = styled.div`
    width: 190px;
`;

const Pull = styled.ul`
    display: grid;
    & > li {
        display: grid;
        grid-template-columns: 44px 64px minmax(0, 1fr) auto;
        gap: 0 ${space.s};
        align-items: center;
        min-height: 48px;
        border-top: 1px solid ${({ theme }) => theme.line};
    }
    & b {
        font-size: ${type.title};
        line-height: 1.1;
        font-variant-numeric: tabular-nums;
    }
    & small {
        display: block;
        font-size: ${type.small};
        line-height: 1.25;
        color: ${({ theme }) => theme.quiet};
    }
    & > li > span:last-child {
        display: flex;
        justify-content: end;
        gap: ${space.xs};
    }
    & button {
        padding: 0 8px;
        font-size: ${type.small};
    }
`;

const PARTS = { main: 'main', support: 'support', accent: 'accent' } as const;

/** How many pencils, and the planning itself. */
function PlanningControls({ plan }: { plan: Plan | undefined }) {
    const piece = useDeskPiece();
    const { open, start } = useStartPlanning(piece.id);
    const set = useReplanPalette(piece);
    const takeBack = useTakePlanningBack(piece.id);
    const [anew, setAnew] = useState(false);
    const tell = { onError: (error: Error) => notify(messageOf(error)) };
    const { paletteSize, valueOnly } = piece.planning;
    const size = paletteSize === null ? 'box' : String(paletteSize);
    const begin = () => start.mutate(anew, { ...tell, onSuccess: () => setAnew(false) });

    return (
        <>
            <Line>
                {!plan?.palette && (
                    <Segments
                        label="Pencils in the palette"
                        value={size}
                        options={sizesWith(size).map((id) => ({
                            id,
                            name: id === 'box' ? 'Whole box' : id,
                        }))}
                        onChange={(id) => set(() => ({ paletteSize: id === 'box' ? null : Number(id) }))}
                    />
                )}
                {!open && <StrongButton onPress={begin}>Plan the picture</StrongButton>}
                {plan?.canTakeBack && !open && (
                    <Button isDisabled={takeBack.isPending} onPress={() => takeBack.mutate(undefined, tell)}>
                        Undo the plan
                    </Button>
                )}
                <Tick isSelected={valueOnly} onChange={(to) => set(() => ({ valueOnly: to }))}>
                    By value only
                </Tick>
            </Line>
            {plan?.palette && (
                <PaletteSizes
                    curve={plan.palette.curve}
                    size={paletteSize}
                    onChoose={(wanted) => set(() => ({ paletteSize: wanted }))}
                />
            )}
            {plan && plan.ownRecipes > 0 && (
                <Tick isSelected={anew} onChange={setAnew}>
                    {plan.ownRecipes === 1 ? 'Exchange the recipe' : `Exchange the ${plan.ownRecipes} recipes`} I have
                    chosen myself too
                </Tick>
            )}
            {plan && plan.begunRecipes > 0 && (
                <p>
                    {plan.begunRecipes === 1 ? 'One recipe is' : `${plan.begunRecipes} recipes are`} begun on the paper
                    and {plan.begunRecipes === 1 ? 'stays as it is' : 'stay as they are'}.
                </p>
            )}
        </>
    );
}

type PaletteFound = NonNullable<Plan['palette']>;

function triosIn({ zones, without, further }: NonNullable<PaletteFound['trio']>): string {
    const one = (count: number) => `${count} ${count === 1 ? 'zone' : 'zones'}`;
    const cost =
        further > 0.05
            ? `${further.toFixed(1)} further from the photo than the free choice`
            : 'as near as the free choice';
    const shaded = zones > 0 ? `${one(zones)} shaded by three neighbouring hues, ${cost}.` : '';
    const rest = without > 0 ? `For ${one(without)} these pencils hold no such three.` : '';

    return [shaded, rest].filter(Boolean).join(' ');
}

/** What a picture gives up for fewer turns is told from so much on, dE00. */
const TOLD = 0.05;

/** What so many pencils can do, and what others could. */
function PaletteFigures({ palette }: { palette: PaletteFound }) {
    return (
        <>
            <p data-testid="palette">
                {palette.size === null
                    ? 'The whole box comes'
                    : `${palette.pencils.length} ${palette.pencils.length === 1 ? 'pencil comes' : 'pencils come'}`}{' '}
                {palette.valueError === null ? (
                    <>
                        within dE00 <b>{palette.dE00.toFixed(1)}</b> of the picture, by area and importance
                        {palette.size === null ? '' : `; the whole box within ${palette.wholeBox.toFixed(1)}`}.
                        {palette.dE00 - palette.separate >= TOLD &&
                            ` ${(palette.dE00 - palette.separate).toFixed(1)} of it is given up so that zones are built as a whole.`}
                    </>
                ) : (
                    <>
                        within <b>{palette.valueError.toFixed(1)}</b> of a value step; hues are as the pencils give
                        them.
                    </>
                )}
                {palette.size !== null &&
                    palette.pencils.length > palette.size &&
                    ' Pinned pencils and recipes of your own hold more than you asked for.'}
            </p>
            {palette.trio && <p data-testid="trios">{triosIn(palette.trio)}</p>}
        </>
    );
}

/** The pencils to lay out, what each is for, and what is lost without it. */
const PullList = memo(function PullList({
    plan,
    pinned,
    set,
}: {
    plan: Plan;
    pinned: string[];
    set: ReturnType<typeof useReplanPalette>;
}) {
    const lossOf = (id: string) => plan.palette?.pencils.find((pencil) => pencil.id === id)?.loss ?? null;

    return (
        <>
            <h2>{plan.pullList.length === 1 ? 'Lay out this pencil' : `Lay out these ${plan.pullList.length}`}</h2>
            <Pull>
                {plan.pullList.map((entry) => {
                    const loss = lossOf(entry.id);
                    const isPinned = pinned.includes(entry.id);

                    return (
                        <li key={entry.id} data-testid="pencil">
                            <Swatch
                                colour={entry.colour}
                                label={`${entry.range} ${entry.number}`}
                                width="44px"
                                height="40px"
                            />
                            <b>{entry.number}</b>
                            <span>
                                {entry.range} {entry.name}
                                {entry.owned ? '' : ', not in the box'}
                                <small>
                                    {[
                                        entry.layers === 0
                                            ? 'to soften with'
                                            : `${PARTS[entry.part]}, ${Math.max(1, Math.round(100 * entry.share))} %`,
                                        `${entry.zones} ${entry.zones === 1 ? 'colour' : 'colours'}`,
                                        entry.lightener && `${entry.lightener} lightener`,
                                        loss !== null &&
                                            (loss < 0.02 ? 'hardly missed' : `without it + ${loss.toFixed(2)}`),
                                    ]
                                        .filter(Boolean)
                                        .join(', ')}
                                </small>
                                {entry.short && (
                                    <small>
                                        <strong>Runs short</strong>: about {Math.round(entry.needsMm)} mm to lay,{' '}
                                        {entry.leftMm} mm left, no spare
                                    </small>
                                )}
                            </span>
                            <span>
                                <Button
                                    aria-label={isPinned ? `Unpin ${entry.number}` : `Pin ${entry.number}`}
                                    aria-pressed={isPinned}
                                    onPress={() =>
                                        set((now) => ({
                                            pinned: [...without(now.pinned, entry.id), ...(isPinned ? [] : [entry.id])],
                                        }))
                                    }
                                >
                                    {isPinned ? 'Pinned' : 'Pin'}
                                </Button>
                                <Button
                                    aria-label={`Leave out ${entry.number}`}
                                    onPress={() =>
                                        set((now) => ({
                                            banned: [...without(now.banned, entry.id), entry.id],
                                            pinned: without(now.pinned, entry.id),
                                        }))
                                    }
                                >
                                    Leave out
                                </Button>
                            </span>
                        </li>
                    );
                })}
            </Pull>
        </>
    );
});

/** Few pencils for the whole picture: what each number of them costs, which they are, what each is for. */
export function PalettePanel({ plan }: { plan: Plan | undefined }) {
    const piece = useDeskPiece();
    const box = useBox();
    const set = useReplanPalette(piece);
    const { pinned, banned } = piece.planning;

    return (
        <Box aria-labelledby="palette">
            <h2 id="palette">Palette</h2>
            <PlanningControls plan={plan} />
            {plan?.palette ? (
                <PaletteFigures palette={plan.palette} />
            ) : (
                <p>
                    Finds one palette for all colours of the picture and a recipe from it for each. Recipes you have
                    chosen yourself stay.
                </p>
            )}
            {plan && plan.pullList.length > 0 && <PullList plan={plan} pinned={pinned} set={set} />}
            <Line>
                <Wanted>
                    <PencilPicker
                        key={`${pinned.join()} ${box.data ? 'box' : 'waiting'}`}
                        pencils={(box.data ?? []).filter(({ id }) => !pinned.includes(id))}
                        value=""
                        label="Must include"
                        placeholder="Must include"
                        onChange={(id) =>
                            set((now) => ({
                                pinned: [...without(now.pinned, id), id],
                                banned: without(now.banned, id),
                            }))
                        }
                    />
                </Wanted>
                {pinned
                    .filter((id) => !plan?.pullList.some((entry) => entry.id === id))
                    .map((id) => (
                        <Button
                            key={id}
                            aria-label={`Include ${id} only if it helps`}
                            onPress={() => set((now) => ({ pinned: without(now.pinned, id) }))}
                        >
                            {id.replace(':', ' ')} ×
                        </Button>
                    ))}
            </Line>
            {banned.length > 0 && (
                <Line>
                    <span>Left out:</span>
                    {banned.map((id) => (
                        <Button
                            key={id}
                            aria-label={`Allow ${id} again`}
                            onPress={() => set((now) => ({ banned: without(now.banned, id) }))}
                        >
                            {id.replace(':', ' ')} ×
                        </Button>
                    ))}
                </Line>
            )}
        </Box>
    );
}
