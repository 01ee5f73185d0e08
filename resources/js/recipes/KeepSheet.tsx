import { useState } from 'react';
import { Form } from 'react-aria-components';
import { messageOf, Refusal } from '../api/client';
import { StrongButton } from '../ui/Button';
import { CalledOut } from '../ui/CalledOut';
import { notify } from '../ui/Notices';
import { Sheet } from '../ui/Sheet';
import { Problem } from '../ui/States';
import { BLANK, formOfCalled, RecipeFields } from './RecipeFields';
import { useKeepRecipe } from './recipeQueries';

interface Props {
    stack: string;
    paper: string;
    /** The colour of a zone that it was found for. */
    target: { id: string; name: string } | null;
    onClose: () => void;
}

/** Writes a recipe into the book. */
export function KeepSheet({ stack, paper, target, onClose }: Props) {
    const keep = useKeepRecipe();
    const [called, setCalled] = useState({ ...BLANK, name: target?.name ?? '' });
    const problems = keep.error instanceof Refusal ? keep.error.fields : {};

    return (
        <Sheet title="Keep in my recipes" isOpen onClose={onClose}>
            <Form
                style={{ display: 'grid', gap: 12 }}
                onSubmit={(event) => {
                    event.preventDefault();
                    keep.mutate(
                        { ...formOfCalled(called), stack, paper, target: target?.id ?? null },
                        {
                            onSuccess: ({ name }) => {
                                notify(`${name} is in your recipes`);
                                onClose();
                            },
                        },
                    );
                }}
            >
                <p>
                    <CalledOut stack={stack} />
                </p>
                <RecipeFields value={called} onChange={setCalled} problems={problems} />
                {keep.error && Object.keys(problems).length === 0 && <Problem message={messageOf(keep.error)} />}
                <StrongButton type="submit" isDisabled={keep.isPending}>
                    Keep
                </StrongButton>
            </Form>
        </Sheet>
    );
}
