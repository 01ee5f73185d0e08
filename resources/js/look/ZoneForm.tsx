import { useState } from 'react';
import { Form } from 'react-aria-components';
import styled from 'styled-components';
import { messageOf, type Zone } from '../api/client';
import { useRemoveZone, useUndoZones } from '../api/lookQueries';
import { useChangeZone } from '../api/kept';
import { useAddZone } from '../api/queries';
import { useChosen, useDeskPiece, useHands } from '../desk/DeskContext';
import { Button, StrongButton } from '../ui/Button';
import { Field } from '../ui/Field';
import { notify } from '../ui/Notices';
import { space } from '../ui/theme';

const Row = styled(Form)`
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto auto;
    align-items: end;
    gap: ${space.s};
    padding-bottom: ${space.s};
`;

/** Names a free sample as a zone, or renames and removes the selected one. */
export function ZoneForm({ zone }: { zone: Zone | null }) {
    const piece = useDeskPiece();
    const { selected } = useChosen();
    const { selectSpot, selectZone } = useHands();
    const [name, setName] = useState(zone?.name ?? '');
    // It may be called otherwise meanwhile, by what was done to its colours.
    const [called, setCalled] = useState(zone?.name);
    if (zone && zone.name !== called) {
        setCalled(zone.name);
        setName(zone.name);
    }
    const add = useAddZone(piece.id);
    const change = useChangeZone(piece.id);
    const remove = useRemoveZone(piece.id);
    const undo = useUndoZones(piece.id);
    const failed = add.error ?? change.error;

    const submit = async () => {
        if (zone) {
            await change.mutateAsync({ id: zone.id, version: zone.version, name });
            notify(`Renamed to ${name}`);
        } else if (selected) {
            const added = await add.mutateAsync({ ...selected.spot, name });
            selectZone(added.id);
        }
    };

    return (
        <Row
            onSubmit={(event) => {
                event.preventDefault();
                submit().catch(() => undefined);
            }}
        >
            <Field
                label={zone ? 'Name of the zone' : 'Name this sample to keep it as a zone'}
                value={name}
                onChange={setName}
                placeholder="rim of the float"
                problem={failed ? messageOf(failed) : undefined}
                maxLength={80}
            />
            {zone ? (
                <>
                    <Button type="submit" isDisabled={name === zone.name || change.isPending}>
                        Rename
                    </Button>
                    <Button
                        onPress={() => {
                            selectSpot({ x: zone.x, y: zone.y, radius: zone.radius });
                            // This form is gone by then: the answer is awaited, not called back.
                            remove.mutateAsync(zone.id).then(
                                () => notify(`${zone.name} removed`, () => undo.mutate(undefined)),
                                (error: unknown) => notify(messageOf(error)),
                            );
                        }}
                    >
                        Remove
                    </Button>
                </>
            ) : (
                <StrongButton type="submit" isDisabled={add.isPending}>
                    Keep as zone
                </StrongButton>
            )}
        </Row>
    );
}
