import { Label, TextArea, TextField } from 'react-aria-components';
import styled from 'styled-components';
import { FieldLabel } from './Field';

const Box = styled(TextField)`
    display: grid;
    gap: 4px;
    & textarea {
        min-height: 96px;
        padding: 8px 12px;
        border: 1px solid ${({ theme }) => theme.quiet};
        background: ${({ theme }) => theme.raised};
        font-variant-numeric: tabular-nums;
        resize: vertical;
    }
`;

interface Props {
    label: string;
    value: string;
    placeholder: string;
    onChange: (text: string) => void;
}

/** A text of several lines. */
export function LinesField({ label, placeholder, ...field }: Props) {
    return (
        <Box {...field}>
            <FieldLabel as={Label}>{label}</FieldLabel>
            <TextArea placeholder={placeholder} />
        </Box>
    );
}
