import { useState } from 'react';
import styled from 'styled-components';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { Field } from '../ui/Field';
import { Row } from '../ui/Page';
import { space } from '../ui/theme';

export interface Column {
    header: string;
    means: string | null;
}

/** What a column may be, as an artist says it. */
const MEANINGS: Record<string, string> = {
    range: 'range code',
    number: 'number',
    name: 'name',
    binder: 'binder',
    hex: 'colour as hex',
    L: 'colour: L*',
    a: 'colour: a*',
    b: 'colour: b*',
    aliases: 'former names',
    status: 'status',
    replaced_by: 'replaced by',
    opacity: 'opacity',
    lightfastness: 'lightfastness',
    core: 'core',
    stains: 'stains',
};

const NOTHING = 'nothing';

const Table = styled.table`
    margin: ${space.s} 0;
    & td,
    & th {
        padding: 4px ${space.l} 4px 0;
        text-align: start;
    }
`;

interface Props {
    columns: readonly Column[];
    missing: readonly string[];
    rangeOfAll: string;
    onSaid: (columns: Column[], rangeOfAll: string) => void;
}

/** A table whose header does not tell all: each column, and what it is taken for. */
export function ColumnsAsked({ columns, missing, rangeOfAll, onSaid }: Props) {
    const [said, setSaid] = useState<Column[]>([]);
    const [range, setRange] = useState(rangeOfAll);
    const meansOf = (column: Column) => said.find(({ header }) => header === column.header)?.means ?? column.means;
    const options = [
        { id: NOTHING, name: 'not read' },
        ...Object.entries(MEANINGS).map(([id, name]) => ({ id, name })),
    ];
    const known = columns.filter(({ means }) => means === null || means in MEANINGS);

    return (
        <section aria-label="Columns">
            <h2>What the columns are</h2>
            {missing.length > 0 && (
                <p role="status">
                    Say which column is the {missing.map((name) => MEANINGS[name] ?? name).join(' and the ')}; the
                    header does not tell.
                </p>
            )}
            <Table>
                <thead>
                    <tr>
                        <th>Column</th>
                        <th>is</th>
                    </tr>
                </thead>
                <tbody>
                    {known.map((column) => (
                        <tr key={column.header}>
                            <td>{column.header}</td>
                            <td>
                                <Choice
                                    label={`${column.header} is`}
                                    hideLabel
                                    value={meansOf(column) ?? NOTHING}
                                    options={options}
                                    onChange={(means) =>
                                        setSaid([
                                            ...said.filter(({ header }) => header !== column.header),
                                            { header: column.header, means: means === NOTHING ? null : means },
                                        ])
                                    }
                                />
                            </td>
                        </tr>
                    ))}
                </tbody>
            </Table>
            <Row>
                {!columns.some((column) => meansOf(column) === 'range') && (
                    <Field
                        label="Range code of all rows"
                        value={range}
                        onChange={setRange}
                        placeholder="HS"
                        maxLength={12}
                    />
                )}
                <Button onPress={() => onSaid(said, range.trim())}>Read it so</Button>
            </Row>
        </section>
    );
}
