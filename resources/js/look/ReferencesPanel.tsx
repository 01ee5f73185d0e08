import { useState } from 'react';
import { FileTrigger } from 'react-aria-components';
import styled from 'styled-components';
import { messageOf, type Reference } from '../api/client';
import {
    useAddReference,
    useChangeReference,
    useRemoveReference,
    useReplacePhoto,
    useRestoreReference,
    useSameSpot,
    useTakePhotoBack,
} from '../api/lookQueries';
import { useChosen, useDeskPiece, useHands } from '../desk/DeskContext';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { Field } from '../ui/Field';
import { notify } from '../ui/Notices';
import { Swatch } from '../ui/Swatch';
import { radius, space, type } from '../ui/theme';
import { Line, Part } from './parts';
import { ReferencePicture } from './ReferencePicture';
import { tell } from './words';

const ROLES: { id: Reference['role']; name: string }[] = [
    { id: 'colour', name: 'Colour' },
    { id: 'form', name: 'Form and pose' },
    { id: 'direction', name: 'Direction of strokes' },
    { id: 'light', name: 'Light' },
];

const Entries = styled.ul`
    display: grid;
    gap: ${space.m};
    & > li {
        display: grid;
        grid-template-columns: 150px minmax(0, 1fr);
        gap: ${space.m};
        padding-top: ${space.m};
        border-top: 1px solid ${({ theme }) => theme.line};
    }
    & > li > div {
        display: grid;
        gap: ${space.s};
        align-content: start;
    }
`;

const Spots = styled.ul`
    display: flex;
    flex-wrap: wrap;
    gap: ${space.s};
    & > li {
        width: 112px;
        font-size: ${type.small};
    }
`;

const Refused = styled.p`
    padding: ${space.s};
    border: 2px dashed ${({ theme }) => theme.ink};
    border-radius: ${radius};
`;

/** The photos of a piece: what each is trusted for, and the same spot of the subject in all of them. */
export function ReferencesPanel() {
    const piece = useDeskPiece();
    const { selected } = useChosen();
    const add = useAddReference(piece.id);
    const [name, setName] = useState('');
    const [role, setRole] = useState<Reference['role']>('light');
    const same = useSameSpot(piece, selected?.spot ?? null);

    return (
        <div>
            {piece.references.length > 1 && (
                <Part aria-labelledby="same">
                    <h2 id="same">The same spot in each</h2>
                    {selected && same.data ? (
                        <Spots data-testid="same-spot">
                            {same.data.map((spot) => (
                                <li key={spot.reference.id}>
                                    {spot.sample ? (
                                        <Swatch
                                            colour={spot.sample.colour}
                                            label={spot.reference.name}
                                            width="100%"
                                            height="56px"
                                        />
                                    ) : (
                                        <p>lies outside</p>
                                    )}
                                    <b>{spot.reference.name}</b>
                                    {spot.sample && (
                                        <>
                                            <br />
                                            step {spot.sample.colour.appearance.valueStep},{' '}
                                            {spot.sample.colour.appearance.family}
                                        </>
                                    )}
                                </li>
                            ))}
                        </Spots>
                    ) : (
                        <p>{same.isError ? messageOf(same.error) : 'Choose a spot in the photo.'}</p>
                    )}
                </Part>
            )}
            <Entries>
                {piece.references.map((reference, index) => (
                    <Entry key={reference.id} reference={reference} first={index === 0} />
                ))}
            </Entries>
            <Part aria-labelledby="add" style={{ marginTop: 20 }}>
                <h2 id="add">Another photo of the subject</h2>
                <Line style={{ alignItems: 'end' }}>
                    <Field label="Name" value={name} onChange={setName} placeholder="evening light" maxLength={80} />
                    <Choice label="Trusted for" value={role} options={ROLES} onChange={setRole} />
                    <FileTrigger
                        acceptedFileTypes={['image/*']}
                        onSelect={(files) => {
                            const photo = files?.[0];
                            if (photo)
                                add.mutate(
                                    { photo, name: name || photo.name.replace(/\.\w+$/, '').slice(0, 80), role },
                                    { onSuccess: () => setName('') },
                                );
                        }}
                    >
                        <Button isDisabled={add.isPending}>
                            {add.isPending ? 'Reading the photo' : 'Add a photo'}
                        </Button>
                    </FileTrigger>
                </Line>
                {add.isError && <Refused role="alert">{messageOf(add.error)}</Refused>}
            </Part>
        </div>
    );
}

function Entry({ reference, first }: { reference: Reference; first: boolean }) {
    const piece = useDeskPiece();
    const { take } = useHands();
    const change = useChangeReference(piece.id);
    const replace = useReplacePhoto(piece.id);
    const takeBack = useTakePhotoBack(piece.id);
    const remove = useRemoveReference(piece.id);
    const restore = useRestoreReference(piece.id);
    const [name, setName] = useState(reference.name);
    const ofLines = first && piece.lines !== null;
    const [pairing, setPairing] = useState<{ x: number; y: number } | null>(null);
    const set = (changes: Omit<Parameters<typeof change.mutate>[0], 'reference'>) =>
        change.mutate({ reference: reference.id, ...changes }, tell);

    return (
        <li data-testid="reference">
            <ReferencePicture
                reference={reference}
                asks={pairing !== null}
                onSpot={(u, v) => {
                    if (!pairing) return;
                    set({ pairs: [...reference.pairs, [pairing.x, pairing.y, u, v]] });
                    setPairing(null);
                }}
            />
            <div>
                <Line style={{ alignItems: 'end' }}>
                    <Field
                        label="Name"
                        value={name}
                        onChange={setName}
                        onBlur={() => name !== '' && name !== reference.name && set({ name })}
                        maxLength={80}
                    />
                    <Choice
                        label="Trusted for"
                        value={reference.role}
                        options={ROLES}
                        onChange={(role) => set({ role })}
                    />
                </Line>
                <Line>
                    {!ofLines && (
                        <FileTrigger
                            acceptedFileTypes={['image/*']}
                            onSelect={(files) => {
                                const photo = files?.[0];
                                if (photo)
                                    replace.mutate(
                                        { reference: reference.id, photo },
                                        {
                                            onSuccess: () =>
                                                notify('Another photo is shown now', () =>
                                                    takeBack.mutate(reference.id, tell),
                                                ),
                                        },
                                    );
                            }}
                        >
                            <Button isDisabled={replace.isPending}>
                                {replace.isPending ? 'Reading the photo' : 'Replace'}
                            </Button>
                        </FileTrigger>
                    )}
                    {!first && (
                        <>
                            {piece.lines === null && (
                                <Button isDisabled={change.isPending} onPress={() => set({ first: true })}>
                                    Read zones in this one
                                </Button>
                            )}
                            <Button
                                onPress={() => {
                                    // This entry is gone by then: the answer is awaited, not called back.
                                    remove
                                        .mutateAsync(reference.id)
                                        .then(
                                            () =>
                                                notify(`${reference.name} removed`, () => restore.mutate(reference.id)),
                                            tell.onError,
                                        );
                                }}
                            >
                                Remove
                            </Button>
                        </>
                    )}
                </Line>
                {replace.isError && <Refused role="alert">{messageOf(replace.error)}</Refused>}
                {first ? (
                    <small>
                        {ofLines
                            ? 'Your line drawing, as its areas are coloured.'
                            : 'Zones and colours are read in this photo.'}
                    </small>
                ) : (
                    <Line>
                        <small>
                            {pairing
                                ? 'Now click the same spot in the small picture.'
                                : reference.pairs.length === 0
                                  ? 'Aligned by the edges of the photos.'
                                  : `Aligned by ${reference.pairs.length} ${reference.pairs.length === 1 ? 'pair' : 'pairs'} of spots.`}
                        </small>
                        <Button
                            onPress={() =>
                                take({
                                    kind: 'spot',
                                    title: `Click a spot that ${reference.name} shows too.`,
                                    done: setPairing,
                                })
                            }
                        >
                            Align by a spot
                        </Button>
                        {reference.pairs.length > 0 && (
                            <Button onPress={() => set({ pairs: reference.pairs.slice(0, -1) })}>
                                Take the last pair away
                            </Button>
                        )}
                    </Line>
                )}
            </div>
        </li>
    );
}
