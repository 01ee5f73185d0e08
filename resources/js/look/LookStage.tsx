import { useState } from 'react';
import { Form } from 'react-aria-components';
import styled from 'styled-components';
import { messageOf, type SchoolId, type Zone } from '../api/client';
import { useAddZone, useChangePiece, useChangeZone, usePapers, useRemoveZone, useRestoreZone } from '../api/queries';
import { useDesk } from '../desk/DeskContext';
import { Reading } from '../desk/Reading';
import { Button, StrongButton } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { Field } from '../ui/Field';
import { notify } from '../ui/Notices';
import { Empty } from '../ui/States';
import { Swatch } from '../ui/Swatch';
import { space, type } from '../ui/theme';

const Page = styled.div`
    display: grid;
    gap: ${space.l};
    padding: ${space.m} ${space.l} ${space.l};
`;

const Row = styled.div`
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: ${space.m};
`;

const AddForm = styled(Form)`
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto auto;
    align-items: end;
    gap: ${space.s};
`;

const Table = styled.table`
    width: 100%;
    border-collapse: collapse;
    & th {
        text-align: start;
        font-size: ${type.small};
        font-weight: 560;
        color: ${({ theme }) => theme.quiet};
    }
    & td {
        padding: 3px ${space.s} 3px 0;
        border-top: 1px solid ${({ theme }) => theme.line};
        vertical-align: middle;
    }
    & td:last-child {
        text-align: end;
        padding-inline-end: 0;
    }
    & button {
        min-height: 30px;
    }
`;

export const SCHOOLS: { id: SchoolId; name: string }[] = [
    { id: 'light-to-dark', name: 'Light to dark' },
    { id: 'dark-to-light', name: 'Dark to light' },
    { id: 'middle-first', name: 'Middle first' },
    { id: 'form-first', name: 'Form first' },
];

/** Read the reference: sample colours, name the zones, see where their values lie. */
export function LookStage() {
    const { piece, selected, selection } = useDesk();
    const papers = usePapers();
    const changePiece = useChangePiece(piece.id);

    return (
        <Page>
            <h1 className="visually-hidden">Look</h1>
            {selected ? (
                <>
                    <Reading name={selected.zone?.name ?? 'Sample'} colour={selected.colour} spread={selected.spread} />
                    <ZoneForm key={selected.zone?.id ?? 'new'} zone={selected.zone} />
                </>
            ) : (
                <Empty title="Click a spot in the photo">
                    <p>Its colour appears here by itself, on neutral grey, with its value step, hue family and lean.</p>
                </Empty>
            )}
            <Row>
                <Choice
                    label="Paper"
                    value={piece.paper.id}
                    options={(papers.data ?? [piece.paper]).map((paper) => ({ id: paper.id, name: paper.name }))}
                    onChange={(paper) => changePiece.mutate({ paper })}
                />
                <Choice
                    label="School"
                    value={piece.school.id}
                    options={SCHOOLS}
                    onChange={(school) => changePiece.mutate({ school })}
                />
            </Row>
            <p>{piece.school.sentence}</p>
            {piece.zones.length > 0 && (
                <Table>
                    <thead>
                        <tr>
                            <th colSpan={3}>Zone</th>
                            <th>Value</th>
                            <th>Family</th>
                            <th>
                                <span className="visually-hidden">Select</span>
                            </th>
                        </tr>
                    </thead>
                    <tbody>
                        {piece.zones.map((zone, index) => (
                            <tr key={zone.id}>
                                <td>
                                    <Swatch colour={zone.target} label={zone.name} width="40px" height="28px" />
                                </td>
                                <td>
                                    <b>{index + 1}</b>
                                </td>
                                <td>{zone.name}</td>
                                <td>
                                    <b>{zone.target.appearance.valueStep}</b>
                                </td>
                                <td>{zone.target.appearance.family}</td>
                                <td>
                                    <Button
                                        aria-label={`Select ${zone.name}`}
                                        isDisabled={zone.id === selected?.zone?.id}
                                        onPress={() => selection.selectZone(zone.id)}
                                    >
                                        Select
                                    </Button>
                                </td>
                            </tr>
                        ))}
                    </tbody>
                </Table>
            )}
        </Page>
    );
}

/** Names a free sample as a zone, or renames and removes the selected one. */
function ZoneForm({ zone }: { zone: Zone | null }) {
    const { piece, selected, selection } = useDesk();
    const [name, setName] = useState(zone?.name ?? '');
    const add = useAddZone(piece.id);
    const change = useChangeZone(piece.id);
    const remove = useRemoveZone(piece.id);
    const restore = useRestoreZone(piece.id);
    const failed = add.error ?? change.error;

    const submit = async () => {
        if (zone) {
            await change.mutateAsync({ id: zone.id, version: zone.version, name });
            notify(`Renamed to ${name}`);
        } else if (selected) {
            const added = await add.mutateAsync({ ...selected.spot, name });
            selection.selectZone(added.id);
        }
    };

    return (
        <AddForm
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
                            selection.selectSpot({ x: zone.x, y: zone.y, radius: zone.radius });
                            // This form is gone by then: the answer is awaited, not called back.
                            remove.mutateAsync(zone.id).then(
                                () => notify(`${zone.name} removed`, () => restore.mutate(zone.id)),
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
        </AddForm>
    );
}
