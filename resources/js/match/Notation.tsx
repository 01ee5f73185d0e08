import { memo, useState } from 'react';
import { Form } from 'react-aria-components';
import { messageOf } from '../api/client';
import { usePrediction } from '../api/queries';
import { useChosen, useDeskAbout } from '../desk/DeskContext';
import { Field } from '../ui/Field';

/** The stack as text: to copy, and to paste another. */
export const Notation = memo(function Notation({
    stack,
    onRead,
}: {
    stack: string;
    onRead: (notation: string) => boolean;
}) {
    const piece = useDeskAbout();
    const { selected } = useChosen();
    const [typed, setTyped] = useState<string | null>(null);
    const [tried, setTried] = useState<string | null>(null);
    // The server reads what the editor cannot, and says at which character it goes wrong.
    const refusal = usePrediction(piece.id, piece.paper.id, null, selected?.colour ?? { L: 50, a: 0, b: 0 }, tried);

    return (
        <Form
            onSubmit={(event) => {
                event.preventDefault();
                if (typed === null) return;
                if (onRead(typed)) {
                    setTyped(null);
                    setTried(null);
                } else setTried(typed);
            }}
        >
            <Field
                label="As text, bottom to top; Enter reads it"
                value={typed ?? stack}
                onChange={setTyped}
                problem={tried !== null && refusal.isError ? messageOf(refusal.error) : undefined}
            />
        </Form>
    );
});
