import { useState } from 'react';
import { Link } from 'react-router';
import styled from 'styled-components';
import { messageOf, type ChartReading } from '../api/client';
import { useWork } from '../api/works';
import { usePencilList } from '../pencils/pencilQueries';
import { StrongButton } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { notify } from '../ui/Notices';
import { numberOf, readNotation } from '../ui/notation';
import { Row, Table } from '../ui/Page';
import { Problem } from '../ui/States';
import { Swatch } from '../ui/Swatch';
import { Tick } from '../ui/Tick';
import { type } from '../ui/theme';
import { counted } from '../ui/words';
import { WorkProgress } from '../ui/WorkProgress';
import { useTakeReadings, type Taken } from './swatchQueries';

type Field = ChartReading['fields'][number];
type Traits = Omit<NonNullable<Taken['pencils']>[number], 'id'>;

const OPACITIES = [
    { id: 'transparent', name: 'transparent' },
    { id: 'semi', name: 'half covering' },
    { id: 'opaque', name: 'opaque' },
] as const;

const BINDERS = [
    { id: 'wax', name: 'wax' },
    { id: 'oil', name: 'oil' },
] as const;

const CORES = [
    { id: '', name: 'not known' },
    { id: 'hard', name: 'hard' },
    { id: 'soft', name: 'soft' },
] as const;

/** The fields of a pencil beside one another, and what of it the bar lets through. */
const Laid = styled.span`
    display: flex;
    padding: 8px;
    width: fit-content;
    background: ${({ theme }) => theme.surround};
`;

const Bar = styled.span`
    padding: 6px 0 6px 14px;
    background: #111;
`;

/** Fields by pencil, in the order of the card. */
function byPencil(fields: Field[]) {
    const pencils = new Map<string, Field[]>();
    for (const field of fields) {
        const id = readNotation(field.stack)?.[0]?.pencil;
        if (id) pencils.set(id, [...(pencils.get(id) ?? []), field]);
    }

    return [...pencils].map(([id, of]) => ({ id, fields: of, firm: of.at(-1) }));
}

interface Props {
    chart: string;
    reading: ChartReading;
    simulated: boolean;
    /** Of how many sheets. */
    sheets: number;
    onDone: () => void;
}

/** What was read from a swatch card, pencil by pencil: colour, how it covers, and what only a hand can tell. */
export function CardView({ chart, reading, simulated, sheets, onDone }: Props) {
    const list = usePencilList({ scope: 'box' });
    const take = useTakeReadings(chart);
    const calibration = useWork('calibration', () => {
        notify('Predictions follow your card now');
        onDone();
    });
    const [traits, setTraits] = useState<Record<string, Traits>>({});
    const pencils = byPencil(reading.fields);
    // One field that is in doubt is left out alone; without the heavy one there is no colour.
    const [left, setLeft] = useState(
        () => new Set(pencils.filter(({ firm }) => (firm?.doubts.length ?? 0) > 0).map(({ id }) => id)),
    );
    const own = new Set(list.data?.ranges.filter((range) => range.own).map(({ code }) => code));
    // As it was told of the range: three fields of a heavy hand in oil look like those of a usual hand in wax.
    const told = new Map(list.data?.pencils.map(({ id, binder }) => [id, binder]));
    const isOwn = (id: string) => own.has(id.split(':')[0] ?? '');
    const wanted = pencils.filter(({ id }) => !left.has(id));
    const set = (id: string, change: Traits) => setTraits({ ...traits, [id]: { ...traits[id], ...change } });
    const opacity = (id: string, firm: Field | undefined) => traits[id]?.opacity ?? firm?.opacity ?? 'semi';
    const save = () =>
        take.mutate(
            {
                simulated,
                intoBox: true,
                fields: wanted.flatMap(({ fields }) =>
                    fields
                        .filter(({ doubts, number }) => doubts.length === 0 || number === fields.at(-1)?.number)
                        .map(({ number, colour: { L, a, b }, spread }) => ({ number, L, a, b, spread })),
                ),
                pencils: wanted
                    .filter(({ id }) => isOwn(id))
                    .map(({ id, firm }) => ({ id, ...traits[id], opacity: opacity(id, firm) })),
            },
            {
                onSuccess: () => {
                    notify(`${counted(wanted.length, 'pencil')} read into your box and your swatch book`);
                    calibration.start.mutate({});
                },
            },
        );
    if (calibration.open && calibration.work)
        return (
            <WorkProgress
                work={calibration.work}
                onCancel={() => calibration.work && calibration.cancel.mutate(calibration.work.id)}
            />
        );

    return (
        <section aria-label="Reading" data-testid="card">
            <Row style={{ alignItems: 'center', margin: '16px 0' }}>
                <p style={{ flex: 1 }}>
                    {sheets > 1 && `Sheet ${reading.sheet} of ${sheets}. `}
                    <strong>{counted(pencils.length, 'pencil')} read</strong>
                    {left.size > 0 && `, ${left.size} left out`}. Change what is not as your hand knows it.
                    {simulated && ' This picture is simulated.'}
                </p>
                <StrongButton isDisabled={take.isPending || wanted.length === 0 || !list.data} onPress={save}>
                    Take in {counted(wanted.length, 'pencil')}
                </StrongButton>
            </Row>
            {take.isError && <Problem message={messageOf(take.error)} />}
            {calibration.start.isError && <Problem message={messageOf(calibration.start.error)} />}
            {calibration.work?.state === 'failed' && take.isSuccess && <Problem message={calibration.work.problem} />}
            <Table>
                <thead>
                    <tr>
                        <th>Pencil</th>
                        <th>Light, medium, heavy, over the bar</th>
                        <th>Its colour</th>
                        <th>Binder</th>
                        <th>Covers</th>
                        <th>Lead</th>
                        <th>Eraser</th>
                    </tr>
                </thead>
                <tbody>
                    {pencils.map(({ id, fields, firm }) => (
                        <tr key={id}>
                            <td>
                                <Tick
                                    isSelected={!left.has(id)}
                                    onChange={(on) =>
                                        setLeft(new Set(on ? [...left].filter((one) => one !== id) : [...left, id]))
                                    }
                                >
                                    <b style={{ fontSize: type.lead }}>{numberOf(id)}</b>
                                </Tick>
                            </td>
                            <td>
                                <Laid>
                                    {fields.map((field) => (
                                        <Swatch
                                            key={field.number}
                                            colour={field.colour}
                                            label={`${numberOf(id)}, field ${field.number}`}
                                            width="56px"
                                            height="44px"
                                        />
                                    ))}
                                    {firm?.over && (
                                        <Bar>
                                            <Swatch
                                                colour={firm.over}
                                                label={`${numberOf(id)} over the bar`}
                                                width="34px"
                                                height="32px"
                                            />
                                        </Bar>
                                    )}
                                </Laid>
                            </td>
                            <td>
                                {firm?.colour.appearance.sentence}
                                {fields.flatMap(({ number, doubts }) =>
                                    doubts.map((doubt) => (
                                        <p key={`${number} ${doubt}`}>
                                            <strong>
                                                ! Field {number}: {doubt}
                                            </strong>
                                        </p>
                                    )),
                                )}
                            </td>
                            {isOwn(id) ? (
                                <>
                                    <td style={{ minWidth: 100 }}>
                                        <Choice
                                            label={`Binder of ${numberOf(id)}`}
                                            hideLabel
                                            value={traits[id]?.binder ?? told.get(id) ?? 'wax'}
                                            options={BINDERS}
                                            onChange={(binder) => set(id, { binder })}
                                        />
                                    </td>
                                    <td style={{ minWidth: 160 }}>
                                        <Choice
                                            label={`How ${numberOf(id)} covers`}
                                            hideLabel
                                            value={opacity(id, firm)}
                                            options={OPACITIES}
                                            onChange={(next) => set(id, { opacity: next })}
                                        />
                                    </td>
                                    <td style={{ minWidth: 136 }}>
                                        <Choice
                                            label={`Lead of ${numberOf(id)}`}
                                            hideLabel
                                            value={traits[id]?.core ?? ''}
                                            options={CORES}
                                            onChange={(core) => set(id, { core: core || null })}
                                        />
                                    </td>
                                    <td>
                                        <Tick
                                            isSelected={traits[id]?.stains ?? false}
                                            onChange={(stains) => set(id, { stains })}
                                        >
                                            stains
                                        </Tick>
                                    </td>
                                </>
                            ) : (
                                <td colSpan={4}>
                                    <small>as its range says</small>
                                </td>
                            )}
                        </tr>
                    ))}
                </tbody>
            </Table>
            <p style={{ marginTop: 12 }}>
                <Link to="/swatches">Your swatch book</Link>
            </p>
        </section>
    );
}
