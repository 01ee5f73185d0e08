import type { ReactNode } from 'react';
import { Checkbox, type CheckboxProps } from 'react-aria-components';
import styled from 'styled-components';
import { space, target } from './theme';
import { Sign } from './Sign';

const Box = styled(Checkbox)`
    display: inline-flex;
    align-items: center;
    gap: ${space.s};
    min-height: ${target.usual};
    cursor: pointer;
    & > i {
        display: grid;
        place-items: center;
        width: 18px;
        height: 18px;
        border: 1.5px solid ${({ theme }) => theme.ink};
        font-style: normal;
        font-weight: 800;
        line-height: 1;
    }
    &[data-focus-visible] > i {
        outline: 2px solid ${({ theme }) => theme.ink};
        outline-offset: 2px;
    }
`;

export function Tick({ children, ...props }: Omit<CheckboxProps, 'children'> & { children: ReactNode }) {
    return (
        <Box {...props}>
            {({ isSelected }) => (
                <>
                    <i aria-hidden>{isSelected && <Sign of="done" />}</i>
                    {children}
                </>
            )}
        </Box>
    );
}
