import { Button as AriaButton, Label, ListBox, ListBoxItem, Popover, Select, SelectValue } from 'react-aria-components';
import styled from 'styled-components';
import { buttonLook } from './Button';
import { radius, space, type } from './theme';
import { Sign } from './Sign';

const Box = styled(Select)`
    display: grid;
    gap: ${space.xs};
    min-width: 0;
`;

const Name = styled(Label)`
    font-size: ${type.small};
    font-weight: 560;
    color: ${({ theme }) => theme.quiet};
`;

const Trigger = styled(AriaButton)`
    ${buttonLook}
    justify-content: space-between;
    font-weight: 420;
    min-width: 0;
    & > span:first-child {
        overflow: hidden;
        text-overflow: ellipsis;
    }
`;

export const Panel = styled(Popover)`
    background: ${({ theme }) => theme.raised};
    color: ${({ theme }) => theme.ink};
    border: 1px solid ${({ theme }) => theme.quiet};
    border-radius: ${radius};
    max-height: 340px;
    overflow: auto;
`;

export const Options = styled(ListBox)`
    padding: ${space.xs};
    outline: none;
` as typeof ListBox;

export const Option = styled(ListBoxItem)`
    display: flex;
    align-items: center;
    gap: ${space.s};
    min-height: 36px;
    padding: ${space.xs} ${space.m};
    cursor: pointer;
    &[data-focused] {
        background: ${({ theme }) => theme.line};
        outline: none;
    }
    &[data-selected] {
        font-weight: 640;
    }
`;

interface Props<T extends string> {
    label: string;
    /** One of the options; null where none is chosen yet. */
    value: NoInfer<T> | null;
    options: readonly { id: T; name: string }[];
    onChange: (value: T) => void;
    /** Where what stands beside it says what it is. */
    hideLabel?: boolean;
}

/** One of a few. */
export function Choice<T extends string>({ label, value, options, onChange, hideLabel = false }: Props<T>) {
    return (
        <Box selectedKey={value} placeholder="Choose one" onSelectionChange={(key) => onChange(key as T)}>
            <Name className={hideLabel ? 'visually-hidden' : undefined}>{label}</Name>
            <Trigger>
                <SelectValue />
                <Sign of="more" />
            </Trigger>
            <Panel>
                <Options items={options}>{(option) => <Option textValue={option.name}>{option.name}</Option>}</Options>
            </Panel>
        </Box>
    );
}
