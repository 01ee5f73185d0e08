import { Menu, MenuItem, MenuTrigger } from 'react-aria-components';
import styled from 'styled-components';
import { Button } from './Button';
import { Panel } from './Choice';
import { space } from './theme';
import { Sign } from './Sign';

const Entries = styled(Menu)`
    min-width: 140px;
    padding: ${space.xs};
    outline: none;
`;

const Entry = styled(MenuItem)`
    min-height: 36px;
    padding: ${space.s} ${space.m};
    cursor: pointer;
    outline: none;
    &[data-focused] {
        background: ${({ theme }) => theme.line};
    }
`;

interface Props<T extends string> {
    /** What it is about. */
    of: string;
    entries: readonly { id: T; name: string }[];
    onChoose: (id: T) => void;
}

/** What can be done besides, behind one button. */
export function MoreMenu<T extends string>({ of, entries, onChoose }: Props<T>) {
    return (
        <MenuTrigger>
            <Button aria-label={`More of ${of}`}>
                More <Sign of="more" />
            </Button>
            <Panel placement="bottom end">
                <Entries onAction={(id) => onChoose(id as T)}>
                    {entries.map(({ id, name }) => (
                        <Entry key={id} id={id}>
                            {name}
                        </Entry>
                    ))}
                </Entries>
            </Panel>
        </MenuTrigger>
    );
}
