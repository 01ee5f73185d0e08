import { Link } from 'react-router';
import styled from 'styled-components';
import type { AuditResult } from '../api/client';
import { CalledOut } from '../ui/CalledOut';
import { usePencilList } from './pencilQueries';

type Gap = AuditResult['holes'][number];

/** What is missing beside what the box makes instead: a pair that is judged stands on the grey of all that is judged. */
const Pair = styled.span`
    display: flex;
    width: 136px;
    padding: 8px;
    background: ${({ theme }) => theme.surround};
    & > i {
        flex: 1;
        height: 40px;
    }
`;

/** A pencil by its number and name. */
export function PencilLink({ id }: { id: string }) {
    const found = usePencilList({ q: id });
    const pencil = found.data?.pencils.find((row) => row.id === id);

    return (
        <Link to={`/pencils/${id}`}>
            <b>{pencil?.number ?? id}</b> {pencil && `${pencil.range} ${pencil.name}`}
        </Link>
    );
}

/** What the box makes instead, and which way it misses. */
export function Mix({ gap: { mix } }: { gap: Gap }) {
    return (
        <>
            mix <CalledOut stack={mix.stack} /> <small>{mix.words}</small>
        </>
    );
}

/** One gap of the box: the pencil that would fill it, and what comes near meanwhile. */
export function GapRow({ name, gap }: { name: string; gap: Gap }) {
    return (
        <tr>
            <td>
                <Pair aria-hidden>
                    <i style={{ background: gap.hex }} />
                    <i style={{ background: gap.mix.hex }} />
                </Pair>
            </td>
            <th scope="row" style={{ width: 230 }}>
                {name}
                <br />
                <small>{gap.cells} colours</small>
            </th>
            <td style={{ width: 270 }}>
                {gap.buy === null ? (
                    'No pencil of the ranges you know brings any of it'
                ) : (
                    <>
                        Buy <PencilLink id={gap.buy} />
                        <br />
                        <small>
                            brings {gap.brings} of the {gap.cells}
                        </small>
                    </>
                )}
            </td>
            <td>
                Meanwhile <Mix gap={gap} />
            </td>
        </tr>
    );
}
