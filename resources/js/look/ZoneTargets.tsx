import { useState } from 'react';
import { Form } from 'react-aria-components';
import styled from 'styled-components';
import { messageOf, type Target, type TargetRole, type Zone } from '../api/client';
import { useAddTarget, useRemoveTarget, useRestoreTarget } from '../api/lookQueries';
import { useChangeTarget } from '../api/kept';
import { useDeskPiece, useHands } from '../desk/DeskContext';
import { ROLE_NAMES } from '../desk/TargetChoice';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { Field } from '../ui/Field';
import { notify } from '../ui/Notices';
import { Swatch } from '../ui/Swatch';
import { space, target, type } from '../ui/theme';
import { Line } from './parts';
import { tell } from './words';

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
        padding: 2px ${space.s} 2px 0;
        border-top: 1px solid ${({ theme }) => theme.line};
        vertical-align: middle;
    }
    & td:last-child {
        text-align: end;
        padding-inline-end: 0;
        white-space: nowrap;
    }
    & td:last-child button {
        min-height: ${target.usual};
        padding: 0 8px;
        font-size: ${type.small};
    }
`;

const LabForm = styled(Form)`
    display: grid;
    grid-template-columns: 1fr 1fr 1fr auto auto;
    gap: ${space.s};
    align-items: end;
`;

const ROLES = (Object.keys(ROLE_NAMES) as TargetRole[]).map((id) => ({ id, name: ROLE_NAMES[id] }));

/** The colours of a zone, with how much of it each is; they can be set by sample or by number, added and removed. */
export function ZoneTargets({ zone }: { zone: Zone }) {
    const piece = useDeskPiece();
    const { selectZone, take } = useHands();
    const add = useAddTarget(piece.id);
    const change = useChangeTarget(piece.id);
    const remove = useRemoveTarget(piece.id);
    const restore = useRestoreTarget(piece.id);
    const [editing, setEditing] = useState<string | null>(null);
    const [role, setRole] = useState<TargetRole>('accent');
    const edited = zone.targets.find(({ id }) => id === editing) ?? null;

    return (
        <>
            <Table>
                <thead>
                    <tr>
                        <th>
                            <span className="visually-hidden">Colour</span>
                        </th>
                        <th>Role</th>
                        <th>Value</th>
                        <th>Family</th>
                        <th>Share</th>
                        <th>
                            <span className="visually-hidden">Change</span>
                        </th>
                    </tr>
                </thead>
                <tbody>
                    {zone.targets.map((target) => (
                        <tr key={target.id}>
                            <td>
                                <Swatch colour={target.colour} label={target.name} width="40px" height="26px" />
                            </td>
                            <td>{target.label}</td>
                            <td>
                                <b>{target.colour.appearance.valueStep}</b>
                            </td>
                            <td>{target.colour.appearance.family}</td>
                            <td>{target.edited ? 'set' : `${Math.max(1, Math.round(100 * target.share))} %`}</td>
                            <td>
                                <Button
                                    aria-label={`Set ${target.label}`}
                                    onPress={() => setEditing(editing === target.id ? null : target.id)}
                                >
                                    Set
                                </Button>{' '}
                                <Button
                                    aria-label={`Remove ${target.label}`}
                                    isDisabled={zone.targets.length < 2}
                                    onPress={() =>
                                        remove.mutate(target.id, {
                                            ...tell,
                                            onSuccess: () =>
                                                notify(`${target.name} removed`, () => restore.mutate(target.id)),
                                        })
                                    }
                                >
                                    ×
                                </Button>
                            </td>
                        </tr>
                    ))}
                </tbody>
            </Table>
            {edited && (
                <SetColour
                    key={edited.id + edited.version}
                    target={edited}
                    problem={change.error ? messageOf(change.error) : undefined}
                    onSet={(colour) =>
                        change.mutate(
                            { id: edited.id, version: edited.version, colour },
                            { onSuccess: () => setEditing(null) },
                        )
                    }
                />
            )}
            <Line style={{ alignItems: 'end' }}>
                <Choice label="One colour more" value={role} options={ROLES} onChange={setRole} />
                <Button
                    onPress={() =>
                        take({
                            kind: 'spot',
                            title: `Click the photo where ${zone.name} has its ${ROLE_NAMES[role]}.`,
                            done: (spot) =>
                                add.mutate(
                                    { zone: zone.id, role, ...spot },
                                    { ...tell, onSuccess: (target) => selectZone(zone.id, target.id) },
                                ),
                        })
                    }
                >
                    Sample it
                </Button>
            </Line>
        </>
    );
}

interface SetProps {
    target: Target;
    problem: string | undefined;
    onSet: (colour: { L: number; a: number; b: number } | null) => void;
}

function SetColour({ target, problem, onSet }: SetProps) {
    const [typed, setTyped] = useState({
        L: target.read.L.toFixed(1),
        a: target.read.a.toFixed(1),
        b: target.read.b.toFixed(1),
    });
    const [wrong, setWrong] = useState<string | undefined>();
    const submit = () => {
        const [L, a, b] = [typed.L, typed.a, typed.b].map((text) => Number(text.replace(',', '.')));
        if ([L, a, b].some((value) => value === undefined || !Number.isFinite(value))) {
            setWrong('L, a and b are numbers, such as 46.5');

            return;
        }
        setWrong(undefined);
        onSet({ L: L ?? 0, a: a ?? 0, b: b ?? 0 });
    };

    return (
        <LabForm
            aria-label={`Set ${target.name}`}
            onSubmit={(event) => {
                event.preventDefault();
                submit();
            }}
        >
            {(['L', 'a', 'b'] as const).map((axis) => (
                <Field
                    key={axis}
                    label={axis}
                    value={typed[axis]}
                    onChange={(text) => setTyped({ ...typed, [axis]: text })}
                    problem={axis === 'L' ? (wrong ?? problem) : undefined}
                />
            ))}
            <Button type="submit">Set</Button>
            <Button isDisabled={!target.edited} onPress={() => onSet(null)}>
                As in the photo
            </Button>
        </LabForm>
    );
}
