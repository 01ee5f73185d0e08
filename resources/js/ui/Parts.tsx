import { Tab, TabList, Tabs } from 'react-aria-components';
import type { ReactNode } from 'react';
import styled from 'styled-components';
import { space } from './theme';

const Box = styled(Tabs)`
    display: grid;
    gap: ${space.m};
`;

const Bar = styled(TabList<{ id: string; name: string }>)`
    display: flex;
    gap: ${space.l};
    border-bottom: 1px solid ${({ theme }) => theme.line};
    & > [role='tab'] {
        line-height: 36px;
        border-bottom: 3px solid transparent;
        cursor: pointer;
        outline: none;
    }
    & > [role='tab'][data-selected] {
        font-weight: 700;
        border-bottom-color: currentcolor;
    }
    & > [role='tab'][data-focus-visible] {
        outline: 2px solid currentcolor;
        outline-offset: -2px;
    }
`;

interface Props<Id extends string> {
    label: string;
    parts: { id: Id; name: string }[];
    open: Id;
    onOpen: (part: Id) => void;
    /** Panels of the parts, each a TabPanel. */
    children: ReactNode;
}

/** The parts of a stage, one of them open. */
export function Parts<Id extends string>({ label, parts, open, onOpen, children }: Props<Id>) {
    return (
        <Box selectedKey={open} onSelectionChange={(key) => onOpen(key as Id)}>
            <Bar aria-label={label} items={parts}>
                {(part) => <Tab id={part.id}>{part.name}</Tab>}
            </Bar>
            {children}
        </Box>
    );
}
