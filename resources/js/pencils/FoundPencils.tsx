import type { paths } from '../api/schema';
import { Table } from '../ui/Page';

const MOST_SHOWN = 200;

type Preview = paths['/api/pencils/preview']['post']['responses'][200]['content']['application/json'];

/** What a file or a list of numbers would bring, row by row. */
export function FoundPencils({ rows, first }: { rows: Preview['rows']; first: string }) {
    return (
        <>
            <Table style={{ marginTop: 12 }}>
                <thead>
                    <tr>
                        <th>{first}</th>
                        <th>Colour</th>
                        <th>Pencil</th>
                        <th>Name</th>
                        <th>Binder</th>
                        <th>What it is</th>
                    </tr>
                </thead>
                <tbody>
                    {rows.slice(0, MOST_SHOWN).map((row) => (
                        <tr key={row.id}>
                            <td>{row.row}</td>
                            <td>
                                <span
                                    style={{
                                        display: 'block',
                                        width: 44,
                                        height: 22,
                                        background: row.hex ?? undefined,
                                    }}
                                    aria-hidden
                                />
                            </td>
                            <td>
                                <b>{row.id}</b>
                            </td>
                            <td>{row.name}</td>
                            <td>{row.binder}</td>
                            <td>
                                {row.change === 'unchanged' ? 'as it is' : row.change}
                                {row.hex === null && ', no colour yet'}
                            </td>
                        </tr>
                    ))}
                </tbody>
            </Table>
            {rows.length > MOST_SHOWN && <p>and {rows.length - MOST_SHOWN} more rows</p>}
        </>
    );
}
