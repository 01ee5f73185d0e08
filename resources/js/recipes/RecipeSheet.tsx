import { useState } from 'react';
import { Form } from 'react-aria-components';
import { messageOf, Refusal, type KeptRecipe } from '../api/client';
import { StrongButton } from '../ui/Button';
import { Sheet } from '../ui/Sheet';
import { Problem } from '../ui/States';
import { formOfCalled, RecipeFields } from './RecipeFields';
import { useChangeRecipe } from './recipeQueries';

/** What a recipe is called and for, changed. The stack stays: another one is another recipe. */
export function RecipeSheet({ kept, onClose }: { kept: KeptRecipe; onClose: () => void }) {
    const change = useChangeRecipe();
    const [called, setCalled] = useState({ ...kept, tags: kept.tags.join(', ') });
    const problems = change.error instanceof Refusal ? change.error.fields : {};

    return (
        <Sheet title={kept.name} isOpen onClose={onClose}>
            <Form
                style={{ display: 'grid', gap: 12 }}
                onSubmit={(event) => {
                    event.preventDefault();
                    change.mutate(
                        { id: kept.id, version: kept.version, ...formOfCalled(called) },
                        { onSuccess: onClose },
                    );
                }}
            >
                <RecipeFields
                    value={called}
                    onChange={(value) => setCalled({ ...called, ...value })}
                    problems={problems}
                />
                {change.error && Object.keys(problems).length === 0 && <Problem message={messageOf(change.error)} />}
                <StrongButton type="submit" isDisabled={change.isPending}>
                    Save
                </StrongButton>
            </Form>
        </Sheet>
    );
}
