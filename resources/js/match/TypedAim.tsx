import { memo, useState } from 'react';
import styled from 'styled-components';
import { useChosen, useHands } from '../desk/DeskContext';
import { Button } from '../ui/Button';
import { Field } from '../ui/Field';
import { space } from '../ui/theme';

const Form = styled.form`
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto auto;
    gap: ${space.s};
    align-items: end;
`;

/** A colour to match that is in no photo: hex, three numbers, or a pencil. */
export const TypedAim = memo(function TypedAim({ problem }: { problem: string | undefined }) {
    const { typed } = useChosen();
    const { aimAt } = useHands();
    const [text, setText] = useState(typed ?? '');

    return (
        <Form
            onSubmit={(event) => {
                event.preventDefault();
                aimAt(text.trim() === '' ? null : text.trim());
            }}
        >
            <Field
                label="Or type a colour: hex, L a b, or a pencil"
                value={text}
                onChange={setText}
                placeholder="#7a8b9c"
                problem={problem}
                maxLength={60}
            />
            <Button type="submit">Match it</Button>
            {typed !== null && (
                <Button
                    onPress={() => {
                        setText('');
                        aimAt(null);
                    }}
                >
                    Leave it
                </Button>
            )}
        </Form>
    );
});
