import styled from 'styled-components';
import { space, type } from './theme';

/** A page of a place: its own navigation above, its content scrolling below. */
export const Place = styled.div`
    display: grid;
    grid-template-rows: auto minmax(0, 1fr);
    height: 100%;
`;

export const Page = styled.main`
    height: 100%;
    position: relative;
    overflow-y: auto;
    padding: ${space.l} ${space.xl} ${space.xl};
    & h1 {
        align-self: center;
        margin-bottom: ${space.xs};
        font-size: ${type.title};
    }
    & h2 {
        margin: ${space.l} 0 ${space.s};
        font-size: ${type.lead};
    }
    & small {
        font-weight: 440;
        color: ${({ theme }) => theme.quiet};
    }
`;

export const Row = styled.div`
    display: flex;
    flex-wrap: wrap;
    align-items: end;
    gap: ${space.m};
`;

export const Columns = styled.div`
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(min(380px, 100%), 1fr));
    gap: 0 ${space.xl};
    align-items: start;
`;

export const Table = styled.table`
    width: 100%;
    border-collapse: collapse;
    & th {
        padding: ${space.xs} ${space.m} ${space.xs} 0;
        text-align: start;
        font-size: ${type.small};
        font-weight: 560;
        color: ${({ theme }) => theme.quiet};
        border-bottom: 1px solid ${({ theme }) => theme.quiet};
    }
    & td {
        padding: ${space.xs} ${space.m} ${space.xs} 0;
        border-bottom: 1px solid ${({ theme }) => theme.line};
        vertical-align: middle;
    }
    & tbody th {
        color: inherit;
        font-size: inherit;
        border-bottom: 1px solid ${({ theme }) => theme.line};
    }
    & td:first-child {
        width: 1%;
        white-space: nowrap;
    }
    & .number {
        text-align: end;
        white-space: nowrap;
        font-variant-numeric: tabular-nums;
    }
`;

export const Facts = styled.dl`
    display: grid;
    grid-template-columns: auto 1fr;
    gap: ${space.xs} ${space.l};
    & dt {
        color: ${({ theme }) => theme.quiet};
    }
`;
