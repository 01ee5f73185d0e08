import { ToggleButton } from 'react-aria-components';
import styled from 'styled-components';
import { buttonLook } from './Button';
import { target, type } from './theme';

/** On or off, in a row of tools. */
export const Toggle = styled(ToggleButton)`
    ${buttonLook}
    min-height: ${target.usual};
    padding: 0 10px;
    font-size: ${type.small};
    &[data-selected] {
        background: ${({ theme }) => theme.strong};
        color: ${({ theme }) => theme.onStrong};
    }
`;
