import { useState } from 'react';
import { Button, SignButton, StrongButton } from '../ui/Button';
import { Row, Table } from '../ui/Page';
import { PointPicture, type Place } from '../ui/PointPicture';
import { Quantity } from '../ui/Quantity';
import { counted } from '../ui/words';
import { numberOf, readNotation } from '../ui/notation';
import type { PointedRow } from './swatchQueries';

/** Fields of a row, until one says otherwise: two pencils. */
const USUAL = 6;

interface Props {
    /** Of the chart, in its order. */
    stacks: string[];
    picture: string;
    isReading: boolean;
    onRead: (rows: PointedRow[]) => void;
    onCancel: () => void;
}

/** Which pencils some fields are of, each once, as "207, 101". */
function pencilsOf(stacks: string[]) {
    const numbers = stacks.flatMap((stack) =>
        (readNotation(stack) ?? []).flatMap(({ pencil }) => (pencil === '' ? [] : [numberOf(pencil)])),
    );

    return [...new Set(numbers)].join(', ');
}

/** A photo of fields that were drawn by hand on any sheet: one points at the first and the last of each row. */
export function PlainSheet({ stacks, picture, isReading, onRead, onCancel }: Props) {
    const [rows, setRows] = useState<PointedRow[]>([]);
    const [first, setFirst] = useState<Place | null>(null);
    const told = rows.reduce((sum, row) => sum + row.fields, 0);
    const left = stacks.length - told;
    const usual = rows.at(-1)?.fields ?? USUAL;
    const asks = left > 0 ? `the ${first === null ? 'first' : 'last'} field of row ${rows.length + 1}` : null;
    const point = (place: Place) => {
        if (first === null) setFirst(place);
        else {
            setRows([...rows, { from: first, to: place, fields: Math.min(usual, left) }]);
            setFirst(null);
        }
    };
    const starts = rows.map((_, index) => rows.slice(0, index).reduce((sum, row) => sum + row.fields, 0));

    return (
        <section aria-label="A plain sheet">
            <p role="status" style={{ margin: '12px 0' }}>
                {asks === null
                    ? left === 0
                        ? `All ${stacks.length} fields are in ${counted(rows.length, 'row')}.`
                        : `The rows hold ${-left} fields too many: the card has ${stacks.length}.`
                    : `Click on the middle of ${asks}.`}
            </p>
            <Row style={{ alignItems: 'start' }}>
                <PointPicture
                    src={picture}
                    alt="Your picture of the sheet"
                    asks={asks}
                    marks={[
                        ...rows.flatMap(({ from, to }, index) => [
                            { label: String(index + 1), at: from },
                            { label: String(index + 1), at: to },
                        ]),
                        ...(first ? [{ label: String(rows.length + 1), at: first }] : []),
                    ]}
                    onPoint={point}
                >
                    <svg viewBox="0 0 1 1" preserveAspectRatio="none" aria-hidden>
                        {rows.map(({ from, to }, index) => (
                            <line
                                key={index}
                                x1={from[0]}
                                y1={from[1]}
                                x2={to[0]}
                                y2={to[1]}
                                stroke="#111"
                                strokeWidth={2}
                                vectorEffect="non-scaling-stroke"
                            />
                        ))}
                    </svg>
                </PointPicture>
                <div style={{ flex: '1 1 300px' }}>
                    <Table>
                        <thead>
                            <tr>
                                <th>Row</th>
                                <th>Fields</th>
                                <th>Pencils</th>
                                <th />
                            </tr>
                        </thead>
                        <tbody>
                            {rows.map((row, index) => (
                                <tr key={`${index} ${row.from.join(' ')}`}>
                                    <td>{index + 1}</td>
                                    <td style={{ width: 90 }}>
                                        <Quantity
                                            label={`Fields of row ${index + 1}`}
                                            hideLabel
                                            value={row.fields}
                                            onChange={(fields) =>
                                                setRows(
                                                    rows.map((one, at) =>
                                                        at === index
                                                            ? { ...one, fields: Math.max(1, fields ?? 1) }
                                                            : one,
                                                    ),
                                                )
                                            }
                                        />
                                    </td>
                                    <td>
                                        <b>
                                            {pencilsOf(stacks.slice(starts[index], (starts[index] ?? 0) + row.fields))}
                                        </b>
                                    </td>
                                    <td>
                                        <SignButton
                                            aria-label={`Take row ${index + 1} away`}
                                            onPress={() => setRows(rows.filter((_, at) => at !== index))}
                                        >
                                            ×
                                        </SignButton>
                                    </td>
                                </tr>
                            ))}
                        </tbody>
                    </Table>
                    <Row style={{ marginTop: 12 }}>
                        <StrongButton isDisabled={left !== 0 || isReading} onPress={() => onRead(rows)}>
                            Read {counted(rows.length, 'row')}
                        </StrongButton>
                        <Button onPress={onCancel}>Cancel</Button>
                    </Row>
                </div>
            </Row>
        </section>
    );
}
