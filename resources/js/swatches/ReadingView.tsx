import { useState } from 'react';
import styled from 'styled-components';
import { messageOf, type ChartReading } from '../api/client';
import { StrongButton } from '../ui/Button';
import { CalledOut } from '../ui/CalledOut';
import { notify } from '../ui/Notices';
import { Columns, Row, Table } from '../ui/Page';
import { Problem } from '../ui/States';
import { Swatch } from '../ui/Swatch';
import { Tick } from '../ui/Tick';
import { useTakeReadings } from './swatchQueries';
import { counted } from '../ui/words';

const Shown = styled.div`
    position: relative;
    & img,
    & svg {
        display: block;
        width: 100%;
    }
    & svg {
        position: absolute;
        inset: 0;
        height: 100%;
    }
`;

interface Props {
    chart: string;
    reading: ChartReading;
    picture: string;
    simulated: boolean;
    onDone: () => void;
}

/** What was read from a picture: field by field, doubtful ones marked and left out unless one wants them. */
export function ReadingView({ chart, reading, picture, simulated, onDone }: Props) {
    const [wanted, setWanted] = useState(
        () => new Set(reading.fields.filter((field) => field.doubts.length === 0).map((field) => field.number)),
    );
    const take = useTakeReadings(chart);
    const doubtful = reading.fields.filter((field) => field.doubts.length > 0).length;
    const want = (number: number, on: boolean) => {
        const next = new Set(wanted);
        if (on) next.add(number);
        else next.delete(number);
        setWanted(next);
    };
    const write = () =>
        take.mutate(
            {
                simulated,
                fields: reading.fields
                    .filter((field) => wanted.has(field.number))
                    .map((field) => ({
                        number: field.number,
                        L: field.colour.L,
                        a: field.colour.a,
                        b: field.colour.b,
                        spread: field.spread,
                    })),
            },
            {
                onSuccess: ({ written }) => {
                    notify(`${written} swatches are in the book`);
                    onDone();
                },
            },
        );

    return (
        <section aria-label="Reading" data-testid="reading">
            <Row style={{ alignItems: 'center', marginTop: 16 }}>
                <p style={{ flex: 1 }}>
                    Sheet {reading.sheet}: {counted(reading.fields.length, 'field')} read,{' '}
                    <strong>{doubtful} doubtful</strong>. The light varied by {reading.light.toFixed(2)} over the sheet,
                    and was corrected.
                    {simulated && ' This picture is simulated.'}
                </p>
                <StrongButton isDisabled={take.isPending || wanted.size === 0} onPress={write}>
                    Write {wanted.size} swatches
                </StrongButton>
            </Row>
            {take.isError && <Problem message={messageOf(take.error)} />}
            <Columns>
                <Shown>
                    <img
                        src={picture}
                        alt={simulated ? 'Simulated picture of the filled chart' : 'Your picture of the chart'}
                    />
                    <svg viewBox={`0 0 ${reading.width} ${reading.height}`} aria-hidden>
                        {reading.fields.map((field) => (
                            <polygon
                                key={field.number}
                                points={field.outline.map((point) => point.join(',')).join(' ')}
                                fill="none"
                                stroke={field.doubts.length > 0 ? '#fff' : '#000'}
                                strokeWidth={field.doubts.length > 0 ? 5 : 1.5}
                                strokeDasharray={field.doubts.length > 0 ? '12 8' : undefined}
                            />
                        ))}
                    </svg>
                </Shown>
                <Table>
                    <thead>
                        <tr>
                            <th>Field</th>
                            <th>Read</th>
                            <th>What was laid</th>
                            <th className="number">Spread</th>
                            <th>Doubts</th>
                        </tr>
                    </thead>
                    <tbody>
                        {reading.fields.map((field) => (
                            <tr key={field.number}>
                                <td>
                                    <Tick
                                        isSelected={wanted.has(field.number)}
                                        onChange={(on) => want(field.number, on)}
                                    >
                                        {field.number}
                                    </Tick>
                                </td>
                                <td>
                                    <Swatch
                                        colour={field.colour}
                                        label={`Field ${field.number}`}
                                        width="56px"
                                        height="26px"
                                    />
                                </td>
                                <td>
                                    <CalledOut stack={field.stack} />
                                </td>
                                <td className="number">{field.spread.toFixed(1)}</td>
                                <td>{field.doubts.length > 0 && <strong>! {field.doubts.join('; ')}</strong>}</td>
                            </tr>
                        ))}
                    </tbody>
                </Table>
            </Columns>
        </section>
    );
}
