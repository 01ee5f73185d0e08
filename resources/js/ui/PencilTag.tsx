import { Link } from 'react-router';
import styled from 'styled-components';
import type { Pencil } from '../api/client';
import { type } from './theme';

const Tag = styled(Link)`
    display: inline-flex;
    align-items: center;
    gap: 8px;
    min-height: 28px;
    min-width: 190px;
    white-space: normal;
    text-decoration: none;
    & i {
        flex: none;
        width: 34px;
        height: 26px;
        forced-color-adjust: none;
    }
    & b {
        font-size: ${type.lead};
        font-variant-numeric: tabular-nums;
    }
    &:hover b {
        text-decoration: underline;
    }
    & small {
        overflow: hidden;
        text-overflow: ellipsis;
    }
`;

interface Props {
    pencil: Pick<Pencil, 'id' | 'range' | 'number' | 'name' | 'hex'> & { family?: string | null };
}

/** A pencil as it is called: number first. */
export function PencilTag({ pencil }: Props) {
    return (
        <Tag to={`/pencils/${pencil.id}`} title={pencil.name}>
            <i style={{ background: pencil.hex ?? undefined }} aria-hidden />
            <b>{pencil.number}</b>
            <small title={pencil.family ?? undefined}>
                {pencil.range} {pencil.name}
            </small>
        </Tag>
    );
}
