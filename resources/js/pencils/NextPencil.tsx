import styled from 'styled-components';
import { PencilTag } from '../ui/PencilTag';
import { usePencilList } from './pencilQueries';

const Line = styled.div`
    display: grid;
    padding: 6px 0;
`;

interface Props {
    id: string;
    gain: string;
    fills: string;
}

/** A pencil that would help, and by how much. */
export function NextPencil({ id, gain, fills }: Props) {
    const found = usePencilList({ q: id });
    const pencil = found.data?.pencils.find((row) => row.id === id);

    return (
        <Line>
            {pencil ? <PencilTag pencil={pencil} /> : <b>{id}</b>}
            <span>
                <strong>{gain}</strong> <small>{fills}</small>
            </span>
        </Line>
    );
}
