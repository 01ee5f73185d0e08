import { Button, Group, Input, NumberField } from 'react-aria-components';
import styled from 'styled-components';
import { FieldLabel } from '../ui/Field';
import { radius, space, type } from '../ui/theme';

const Box = styled(NumberField)`
    display: grid;
    gap: ${space.xs};
    & > div {
        display: grid;
        grid-template-columns: 52px minmax(0, 1fr) 52px;
        border: 1px solid ${({ theme }) => theme.quiet};
        border-radius: ${radius};
        background: ${({ theme }) => theme.raised};
    }
    & button,
    & input {
        min-height: 52px;
        min-width: 0;
        border: 0;
        background: none;
        font-size: ${type.title};
        font-weight: 640;
        font-variant-numeric: tabular-nums;
        text-align: center;
    }
    & button {
        cursor: pointer;
    }
    & button[data-disabled] {
        opacity: 0.4;
    }
    & [data-focus-visible] {
        outline: 2px solid ${({ theme }) => theme.ink};
        outline-offset: -3px;
    }
`;

interface Props {
    label: string;
    value: number;
    least: number;
    most: number;
    step?: number;
    onChange: (value: number) => void;
}

/** A number that is set by a little finger. */
export function Stepper({ label, value, least, most, step = 1, onChange }: Props) {
    return (
        <Box
            value={value}
            minValue={least}
            maxValue={most}
            step={step}
            onChange={(next) => !Number.isNaN(next) && onChange(next)}
        >
            <FieldLabel>{label}</FieldLabel>
            <Group>
                <Button slot="decrement">−</Button>
                <Input />
                <Button slot="increment">+</Button>
            </Group>
        </Box>
    );
}
