import styled from 'styled-components';
import { space, type } from '../ui/theme';

/** A part of a panel: heading, then what belongs to it. */
export const Part = styled.section`
    display: grid;
    gap: ${space.s};
    padding-bottom: ${space.m};
    & h2 {
        font-size: ${type.lead};
    }
    & p {
        max-width: 62ch;
    }
    & small {
        font-size: ${type.small};
        color: ${({ theme }) => theme.quiet};
    }
`;

export const Line = styled.div`
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: ${space.s};
`;

export const Halves = styled.div`
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: ${space.m};
`;

export const Thirds = styled.div`
    display: grid;
    grid-template-columns: 1fr 1fr 1fr;
    gap: ${space.s};
`;
