import styled from 'styled-components';
import { space, type } from '../ui/theme';

/** What wants an answer before one goes on. */
export const Asked = styled.section`
    display: grid;
    gap: ${space.m};
    padding: ${space.m};
    border: 2px dashed ${({ theme }) => theme.ink};
    & h2 {
        font-size: ${type.title};
    }
`;
