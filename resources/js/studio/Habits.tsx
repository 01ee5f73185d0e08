import { useState } from 'react';
import { messageOf, type AccountChanges } from '../api/client';
import { useChangeAccount, useSession, useWords } from '../api/queries';
import { Choice } from '../ui/Choice';
import { useDeskLight } from '../ui/DeskLight';
import { setSingleKeys, singleKeysAreOn } from '../ui/keys';
import { notify } from '../ui/Notices';
import { Row } from '../ui/Page';
import { Segments } from '../ui/Segments';
import { Tick } from '../ui/Tick';
import { useKeptState } from '../ui/useKeptState';

/** Lengths of a sitting, minutes. */
const SITTINGS = ['30', '45', '60', '90', '120', '180', '240'];

/** How one works: what new pieces begin with, and what this machine does. */
export function Habits() {
    const user = useSession().data?.user;
    const words = useWords();
    const change = useChangeAccount();
    const { setting, toggle } = useDeskLight();
    const [loud, setLoud] = useKeptState('prism.sound', true);
    const [single, setSingle] = useState(singleKeysAreOn);
    if (!user) return null;
    const set = (changes: AccountChanges) => change.mutate(changes, { onError: (error) => notify(messageOf(error)) });
    const sittings = [...new Set([...SITTINGS, String(user.sessionMinutes)])].sort((a, b) => Number(a) - Number(b));

    return (
        <>
            <h3>Your hand</h3>
            <p>Plans go to the places of a turn so that it rests on what is not drawn yet.</p>
            <Segments
                label="The hand you draw with"
                value={user.hand}
                options={[
                    { id: 'right', name: 'Right' },
                    { id: 'left', name: 'Left' },
                ]}
                onChange={(hand) => set({ hand })}
            />
            <h3>New pieces begin with</h3>
            <Row>
                <Choice
                    label="You draw under"
                    value={user.lamp}
                    options={words.data?.lamps ?? []}
                    onChange={(lamp) => set({ lamp })}
                />
                <Choice
                    label="A sitting lasts"
                    value={String(user.sessionMinutes)}
                    options={sittings.map((id) => ({ id, name: `${id} minutes` }))}
                    onChange={(minutes) => set({ sessionMinutes: Number(minutes) })}
                />
                <Choice
                    label="Lengths in"
                    value={user.unit}
                    options={[
                        { id: 'mm', name: 'millimetres' },
                        { id: 'in', name: 'inches' },
                    ]}
                    onChange={(unit) => set({ unit })}
                />
            </Row>
            <h3>On this machine</h3>
            <Row style={{ alignItems: 'center' }}>
                <Segments
                    label="Light of the desk"
                    value={setting}
                    options={[
                        { id: 'daylight', name: 'Daylight desk' },
                        { id: 'dim', name: 'Dim studio' },
                    ]}
                    onChange={(next) => {
                        if (next !== setting) toggle();
                    }}
                />
                <Tick isSelected={loud} onChange={setLoud}>
                    A tone when something is dry
                </Tick>
                <Tick
                    isSelected={single}
                    onChange={(on) => {
                        setSingleKeys(on);
                        setSingle(on);
                    }}
                >
                    Single keys work
                </Tick>
            </Row>
        </>
    );
}
