import type { HTMLInputTypeAttribute, Ref } from 'react';
import { FieldError, Input, Label, TextField as AriaTextField, type TextFieldProps } from 'react-aria-components';
import styled from 'styled-components';
import { radius, space, target, type } from './theme';

const Box = styled(AriaTextField)`
    display: grid;
    gap: ${space.xs};
`;

export const FieldLabel = styled(Label)`
    font-size: ${type.small};
    font-weight: 560;
    color: ${({ theme }) => theme.quiet};
`;

export const FieldInput = styled(Input)`
    min-height: ${target.usual};
    width: 100%;
    padding: 0 ${space.m};
    border: 1px solid ${({ theme }) => theme.quiet};
    border-radius: ${radius};
    background: ${({ theme }) => theme.raised};
    &[data-invalid] {
        border-width: 2px;
        border-style: dashed;
    }
`;

export const FieldProblem = styled(FieldError)`
    font-size: ${type.small};
    font-weight: 560;
    &::before {
        content: '! ';
        font-weight: 800;
    }
`;

interface Props extends TextFieldProps {
    label: string;
    inputType?: HTMLInputTypeAttribute;
    problem?: string | undefined;
    placeholder?: string;
    /** Said, but not shown: where a column's head says it already. */
    hideLabel?: boolean;
    inputRef?: Ref<HTMLInputElement>;
}

export function Field({ label, inputType = 'text', problem, placeholder, hideLabel, inputRef, ...props }: Props) {
    return (
        <Box {...props} validationBehavior="aria" isInvalid={problem !== undefined}>
            <FieldLabel className={hideLabel ? 'visually-hidden' : undefined}>{label}</FieldLabel>
            <FieldInput ref={inputRef} type={inputType} placeholder={placeholder} />
            <FieldProblem>{problem}</FieldProblem>
        </Box>
    );
}
