import { NumberField } from 'react-aria-components';
import styled from 'styled-components';
import { FieldInput, FieldLabel, FieldProblem } from './Field';
import { space } from './theme';

const Box = styled(NumberField)`
    display: grid;
    gap: ${space.xs};
`;

interface Props {
    label: string;
    value: number | null;
    unit?: 'millimeter';
    onChange: (value: number | null) => void;
    problem?: string | undefined;
    /** Where a column's head says it. */
    hideLabel?: boolean;
}

/**
 * A number with its unit: "85 mm" and "85" are the same, and signs of no number are not taken in. Limits are the server's to tell: a
 * field that keeps them would change what was typed without a word.
 */
export function Quantity({ label, value, unit, onChange, problem, hideLabel = false }: Props) {
    return (
        <Box
            defaultValue={value ?? Number.NaN}
            formatOptions={unit ? { style: 'unit', unit, maximumFractionDigits: 1 } : { maximumFractionDigits: 0 }}
            onChange={(typed) => {
                const next = Number.isNaN(typed) ? null : typed;
                if (next !== value) onChange(next);
            }}
            isInvalid={problem !== undefined}
            validationBehavior="aria"
        >
            <FieldLabel className={hideLabel ? 'visually-hidden' : undefined}>{label}</FieldLabel>
            <FieldInput />
            <FieldProblem>{problem}</FieldProblem>
        </Box>
    );
}
