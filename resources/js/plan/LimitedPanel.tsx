import { useState } from 'react';
import { useNavigate } from 'react-router';
import styled from 'styled-components';
import { messageOf, type Designation } from '../api/client';
import { changePiece } from '../api/kept';
import { useBox } from '../api/queries';
import { useDeskPiece } from '../desk/DeskContext';
import { calledOut, numberOf, readNotation } from '../ui/notation';
import { PencilPicker } from '../ui/PencilPicker';
import { Button, StrongButton } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { notify } from '../ui/Notices';
import { Swatch } from '../ui/Swatch';
import { space, type } from '../ui/theme';
import { GradientStrip } from './GradientStrip';
import { tone, useDesignation, usePairChart, useReplan, type ValuePart } from './planQueries';

const MOST = 5;

const Box = styled.section`
    display: grid;
    gap: ${space.s};
    & h2 {
        font-size: ${type.title};
    }
    & small {
        color: ${({ theme }) => theme.quiet};
    }
`;

const Pickers = styled.div`
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
    gap: ${space.s};
`;

const Line = styled.div`
    display: flex;
    flex-wrap: wrap;
    gap: ${space.s};
    align-items: center;
`;

const Toned = styled.div`
    display: grid;
    grid-template-columns: 170px auto;
    justify-content: start;
    gap: ${space.s};
    align-items: end;
    & > small {
        grid-column: 1 / -1;
    }
`;

/** Side by side without a gap: what is compared. */
const Ladder = styled.ol`
    display: grid;
    grid-template-columns: repeat(9, minmax(0, 1fr));
    & li {
        display: grid;
        justify-items: center;
        font-size: ${type.small};
    }
    & li[data-reached='false'] b {
        text-decoration: line-through;
    }
`;

const Crossed = styled.table`
    width: max-content;
    border-collapse: collapse;
    & th {
        padding: 2px 8px 2px 0;
        font-size: ${type.small};
        text-align: start;
    }
    & td {
        padding: 0;
    }
    & td > * {
        display: block;
    }
`;

/** In twos: the lightest first, and the darkest first. */
const Triples = styled.ol`
    display: grid;
    grid-template-columns: repeat(4, minmax(0, max-content));
    gap: ${space.s} 0;
    font-size: ${type.small};
    font-variant-numeric: tabular-nums;
    & li {
        display: grid;
    }
    & li:nth-child(even) {
        padding-right: ${space.l};
    }
`;

const part = (pencil: Designation['pencils'][number]) =>
    pencil.part === 'blend'
        ? `${pencil.number} only blends`
        : `${pencil.number} is ${pencil.part}: step ${pencil.from === pencil.to ? pencil.from : `${pencil.from} to ${pencil.to}`}`;

/** Numbers alone, bottom to top. */
const numbersOf = (stack: string) => (readNotation(stack) ?? []).map(({ pencil }) => numberOf(pencil)).join(', ');

const PARTS: { id: ValuePart; name: string }[] = [
    { id: 'light', name: 'light' },
    { id: 'middle', name: 'middle' },
    { id: 'dark', name: 'dark' },
    { id: 'blend', name: 'only to blend' },
];

/** Two to five given pencils set to light, middle and dark, whatever their hues, and what each makes over each. */
export function LimitedPanel() {
    const piece = useDeskPiece();
    const box = useBox();
    const navigate = useNavigate();
    const designate = useDesignation(piece.id);
    const chart = usePairChart(piece.paper.id);
    const replan = useReplan(piece);
    const [chosen, setChosen] = useState<string[]>(['', '']);
    const [parts, setParts] = useState<Record<string, ValuePart>>({});
    const [colour, setColour] = useState('');
    const tell = { onError: (error: Error) => notify(messageOf(error)) };
    const pencils = chosen.filter(Boolean);
    const found = designate.data;
    const setByHand = (id: string, to: ValuePart) => {
        const set = { ...parts, [id]: to };
        setParts(set);
        designate.mutate({ pencils, parts: set }, tell);
    };
    const put = (at: number, id: string) => {
        designate.reset();
        setParts({});
        setChosen(chosen.map((had, i) => (i === at ? id : had)));
    };
    const planWith = () =>
        replan(() => changePiece(piece.id, { paletteSize: pencils.length, pinned: pencils, valueOnly: true }));

    return (
        <Box aria-labelledby="limited">
            <h2 id="limited">Only two to five pencils</h2>
            <small>Two to five, of any hue. Only their values count: one is the light, one the dark.</small>
            <Pickers>
                {chosen.map((id, at) => (
                    <PencilPicker
                        // A list that comes late would take back what was typed into the field before.
                        key={`${at} ${box.data ? 'box' : 'waiting'}`}
                        pencils={box.data ?? []}
                        value={id}
                        label={`Pencil ${at + 1}`}
                        onChange={(to) => put(at, to)}
                    />
                ))}
            </Pickers>
            <Line>
                <Button isDisabled={chosen.length >= MOST} onPress={() => setChosen([...chosen, ''])}>
                    One more
                </Button>
                <Button
                    isDisabled={chosen.length <= 2}
                    onPress={() => {
                        designate.reset();
                        setParts({});
                        setChosen(chosen.slice(0, -1));
                    }}
                >
                    One less
                </Button>
                <StrongButton
                    isDisabled={pencils.length < 2 || designate.isPending}
                    onPress={() => designate.mutate({ pencils, parts }, tell)}
                >
                    Set to light, middle, dark
                </StrongButton>
            </Line>
            {piece.paper.toned && (
                <Toned>
                    <small>
                        On {piece.paper.name}: white takes the lights, black the darks, the paper lies between. The one
                        colour is found, unless you choose it.
                    </small>
                    <PencilPicker
                        key={box.data ? 'box' : 'waiting'}
                        pencils={box.data ?? []}
                        value={colour}
                        label="The one colour"
                        placeholder="The one colour"
                        onChange={setColour}
                    />
                    <Button onPress={() => replan(() => tone(piece.id, colour || null))}>
                        Plan with black, white and one colour
                    </Button>
                </Toned>
            )}
            {found && (
                <>
                    <p data-testid="designation">{found.pencils.map(part).join('; ')}.</p>
                    <Line>
                        {found.pencils.map(({ id, number, part: as }) => (
                            <Choice
                                key={id}
                                label={`${number} is my`}
                                value={as}
                                options={PARTS}
                                onChange={(to) => setByHand(id, to)}
                            />
                        ))}
                    </Line>
                    <Ladder aria-label="Value ladder of these pencils">
                        {found.ladder.map((rung) => (
                            <li key={rung.step} data-reached={rung.reached}>
                                <Swatch
                                    colour={rung.colour}
                                    label={`Step ${rung.step}: ${calledOut(rung.stack)}${rung.reached ? '' : ', not reached'}`}
                                    width="100%"
                                    height="44px"
                                />
                                <b>{rung.step}</b>
                            </li>
                        ))}
                    </Ladder>
                    {found.ladder.some(({ reached }) => !reached) && (
                        <small>Struck out: steps that these pencils do not reach.</small>
                    )}
                    <GradientStrip of={{ pencils: found.pencils.map(({ id }) => id) }} known={found.gradient} />
                    <Crossed aria-label="Each over each">
                        <thead>
                            <tr>
                                <th>under, over</th>
                                {found.pencils.map((over) => (
                                    <th key={over.id} scope="col">
                                        {over.number}
                                    </th>
                                ))}
                            </tr>
                        </thead>
                        <tbody>
                            {found.pencils.map((under, row) => (
                                <tr key={under.id}>
                                    <th scope="row">{under.number}</th>
                                    {found.pencils.map((over, column) => {
                                        const pair = found.combinations[row * found.pencils.length + column];

                                        return (
                                            <td key={over.id}>
                                                {pair && (
                                                    <Swatch
                                                        colour={pair.colour}
                                                        label={calledOut(pair.stack)}
                                                        width="64px"
                                                        height="40px"
                                                    />
                                                )}
                                            </td>
                                        );
                                    })}
                                </tr>
                            ))}
                        </tbody>
                    </Crossed>
                    {found.triples.length > 0 && (
                        <Triples aria-label="Three over one another">
                            {found.triples.map(({ stack, colour }) => (
                                <li key={stack}>
                                    <Swatch colour={colour} label={calledOut(stack)} width="96px" height="40px" />
                                    <span aria-hidden>{numbersOf(stack)}</span>
                                </li>
                            ))}
                        </Triples>
                    )}
                    <Line>
                        <Button onPress={planWith}>Plan the picture with these, by value</Button>
                        <Button
                            isDisabled={chart.isPending}
                            onPress={() =>
                                chart.mutate(pencils, {
                                    ...tell,
                                    onSuccess: ({ id }) => void navigate(`/swatches/charts/${id}`),
                                })
                            }
                        >
                            Chart of these, to draw
                        </Button>
                    </Line>
                </>
            )}
        </Box>
    );
}
