import { useEffect, useState } from 'react';
import { Form } from 'react-aria-components';
import styled from 'styled-components';
import { messageOf, type Target } from '../api/client';
import { useChangeTarget } from '../api/kept';
import { useAddZone } from '../api/queries';
import { type Selected, useChosen, useDeskAbout, useHands } from '../desk/DeskContext';
import { StrongButton } from '../ui/Button';
import { Field } from '../ui/Field';
import { notify } from '../ui/Notices';
import { space } from '../ui/theme';
import { usePredicted } from './Predicting';

/** An opened recipe saves itself so long after the last change, milliseconds. */
const SAVE_AFTER = 700;

const Bar = styled.div`
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: ${space.s};
`;

interface KeepProps {
    selected: Selected;
    stack: string;
    kept: string | null;
    autosave: boolean;
}

/** Keeps the stack: as the zone's recipe, or with a free sample as a new zone. An opened kept recipe saves itself. */
export function Keep({ selected, stack, kept, autosave }: KeepProps) {
    const piece = useDeskAbout();
    const { typed } = useChosen();
    const { selectZone } = useHands();
    const { target, spot } = selected;
    const [name, setName] = useState('');
    const add = useAddZone(piece.id);
    const { mutate, isPending } = useChangeTarget(piece.id);
    const differs = stack !== kept;
    const readable = usePredicted().problem === null;

    const save = (of: Target) =>
        mutate(
            { id: of.id, version: of.version, stack },
            {
                onSuccess: () => notify(`Kept for ${of.name}`),
                onError: (error) => notify(messageOf(error)),
            },
        );
    useEffect(() => {
        if (!autosave || !target || !differs || !readable || isPending) return undefined;
        const timer = setTimeout(
            () =>
                mutate(
                    { id: target.id, version: target.version, stack },
                    { onError: (error) => notify(messageOf(error)) },
                ),
            SAVE_AFTER,
        );

        return () => clearTimeout(timer);
    }, [autosave, target, differs, readable, isPending, mutate, stack]);

    if (target) {
        return (
            <Bar>
                <StrongButton isDisabled={!differs || !readable || isPending} onPress={() => save(target)}>
                    {differs ? `Keep for ${target.name}` : `Kept for ${target.name}`}
                </StrongButton>
            </Bar>
        );
    }

    if (typed !== null) {
        return <p>A typed colour belongs to no zone. Copy the stack, or set the colour of a zone in Look.</p>;
    }

    return (
        <Form
            onSubmit={(event) => {
                event.preventDefault();
                add.mutate(
                    { ...spot, name, stack },
                    {
                        onSuccess: (added) => {
                            notify(`Kept for ${added.name}`);
                            selectZone(added.id);
                        },
                    },
                );
            }}
        >
            <Bar style={{ alignItems: 'end' }}>
                <div style={{ flex: 1 }}>
                    <Field
                        label="Name the zone this recipe is for"
                        value={name}
                        onChange={setName}
                        placeholder="rim of the float"
                        problem={add.isError ? messageOf(add.error) : undefined}
                        maxLength={80}
                    />
                </div>
                <StrongButton type="submit" isDisabled={!readable || add.isPending}>
                    Keep as zone
                </StrongButton>
            </Bar>
        </Form>
    );
}
