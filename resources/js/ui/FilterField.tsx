import { useState, type ComponentProps } from 'react';
import { Field } from './Field';

interface Props extends Omit<ComponentProps<typeof Field>, 'value' | 'onChange'> {
    value: string;
    onChange: (text: string) => void;
}

/**
 * A field whose text also lives in the address. The address follows a moment later; what is typed meanwhile must not be
 * overwritten by it.
 */
export function FilterField({ value, onChange, ...props }: Props) {
    const [text, setText] = useState(value);

    return (
        <Field
            {...props}
            value={text}
            onChange={(next) => {
                setText(next);
                onChange(next);
            }}
        />
    );
}
