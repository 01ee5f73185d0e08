import { ToggleButton, ToggleButtonGroup } from 'react-aria-components';
import styled from 'styled-components';
import { radius, type } from './theme';

const Group = styled(ToggleButtonGroup)`
    display: inline-flex;
    justify-self: start;
    align-self: end;
    border: 1px solid ${({ theme }) => theme.quiet};
    border-radius: ${radius};
    overflow: hidden;
    & > button {
        min-height: 34px;
        min-width: 32px;
        padding: 0 8px;
        border: 0;
        border-inline-start: 1px solid ${({ theme }) => theme.line};
        background: ${({ theme }) => theme.raised};
        color: ${({ theme }) => theme.ink};
        font-size: ${type.small};
        font-weight: 520;
        white-space: nowrap;
        cursor: pointer;
    }
    & > button:first-child {
        border-inline-start: 0;
    }
    & > button[data-selected] {
        background: ${({ theme }) => theme.strong};
        color: ${({ theme }) => theme.onStrong};
    }
    & > button[data-focus-visible] {
        outline: 2px solid ${({ theme }) => theme.ink};
        outline-offset: -4px;
    }
    & > button[data-selected][data-focus-visible] {
        outline-color: ${({ theme }) => theme.onStrong};
    }
    & > button[data-disabled] {
        opacity: 0.5;
    }
`;

interface Props<T extends string> {
    label: string;
    value: T;
    options: readonly { id: T; name: string }[];
    onChange: (value: T) => void;
    isDisabled?: boolean;
}

/** One of a few, all of them seen. */
export function Segments<T extends string>({ label, value, options, onChange, isDisabled = false }: Props<T>) {
    return (
        <Group
            aria-label={label}
            selectionMode="single"
            disallowEmptySelection
            isDisabled={isDisabled}
            selectedKeys={[value]}
            onSelectionChange={(keys) => {
                const [chosen] = keys;
                if (chosen !== undefined) onChange(chosen as T);
            }}
        >
            {options.map((option) => (
                <ToggleButton key={option.id} id={option.id}>
                    {option.name}
                </ToggleButton>
            ))}
        </Group>
    );
}
