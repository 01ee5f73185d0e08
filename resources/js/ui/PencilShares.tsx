import styled from 'styled-components';
import { Table } from './Page';

const Chip = styled.i`
    display: block;
    width: 44px;
    height: 24px;
    forced-color-adjust: none;
    print-color-adjust: exact;
`;

interface Props {
    pencils: readonly { number: string; name: string; hex: string | null; share: string }[];
}

/** Pencils of a drawing, each with its share of all coats. */
export function PencilShares({ pencils }: Props) {
    return (
        <section aria-labelledby="pencils">
            <h2 id="pencils">Pencils</h2>
            <Table>
                <thead>
                    <tr>
                        <th>
                            <span className="visually-hidden">Colour</span>
                        </th>
                        <th>Number</th>
                        <th>Name</th>
                        <th>Share of all coats</th>
                    </tr>
                </thead>
                <tbody>
                    {pencils.map(({ number, name, hex, share }) => (
                        <tr key={`${number} ${name}`}>
                            <td>
                                <Chip style={{ background: hex ?? undefined }} aria-hidden />
                            </td>
                            <td>
                                <b>{number}</b>
                            </td>
                            <td>{name}</td>
                            <td>{share}</td>
                        </tr>
                    ))}
                </tbody>
            </Table>
        </section>
    );
}
