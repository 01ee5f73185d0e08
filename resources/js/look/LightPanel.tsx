import { useState } from 'react';
import styled from 'styled-components';
import type { Balance, Look, Zone } from '../api/client';
import { useBalance, useReserves } from '../api/lookQueries';
import { useChangePiece } from '../api/kept';
import { useDeskPiece, useHands } from '../desk/DeskContext';
import { DEFAULT_RADIUS, useView } from '../desk/address';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { Dial } from '../ui/Dial';
import { space } from '../ui/theme';
import { SchoolRows } from '../ui/SchoolRows';
import { Problem } from '../ui/States';
import { Toggle } from '../ui/Toggle';
import { WorkProgress } from '../ui/WorkProgress';
import { LightArrow } from './LightArrow';
import { Halves, Line, Part } from './parts';
import { LIGHT_NAMES, tell } from './words';

const Row = styled.div`
    display: grid;
    grid-template-columns: 92px minmax(0, 1fr);
    gap: ${space.m};
    align-items: center;
`;

const Places = styled.ul`
    display: grid;
    gap: ${space.xs};
    & button {
        border: 0;
        padding: 0;
        background: none;
        color: inherit;
        font-weight: 600;
        text-align: start;
        cursor: pointer;
    }
`;

const SHOWN = 8;

function saidBy(balance: Balance | null, lamps: Look['lamps']): string {
    if (balance === null) return 'As the camera saw it.';
    if (balance.by === 'lamp') return `Photographed under: ${lamps.find(({ id }) => id === balance.lamp)?.name ?? ''}.`;

    return balance.by === 'neutral' ? 'Told by a neutral patch.' : 'Told by a grey card.';
}

const numbers = (zones: Zone[], light: keyof typeof LIGHT_NAMES) =>
    zones.flatMap((zone, index) => (zone.traits?.light === light ? [index + 1] : []));

/** Light: of the photo, where it comes from, what one draws under, what stays paper. */
export function LightPanel({ look }: { look: Look }) {
    const piece = useDeskPiece();
    const { selectSpot, take } = useHands();
    const view = useView();
    const balance = useBalance(piece.id);
    const change = useChangePiece(piece.id);
    const { reserves, missing, find, ...looking } = useReserves(piece);
    const [degrees, setDegrees] = useState<number | null>(null);
    const photo = piece.photo;
    const set = (to: Balance | null) => balance.set.mutate({ reference: photo.id, balance: to }, tell);
    const setting = balance.open || balance.set.isPending;
    const byPatch = (by: 'neutral' | 'grey-card', title: string) =>
        take({ kind: 'spot', title, done: (spot) => set({ by, ...spot }) });
    const direction = degrees ?? look.light.degrees;

    return (
        <div>
            {piece.lines === null && (
                <Part aria-labelledby="balance">
                    <h2 id="balance">Light of the photo</h2>
                    <p data-testid="balance">{saidBy(photo.balance, look.lamps)}</p>
                    {balance.open && balance.work && (
                        <WorkProgress
                            work={balance.work}
                            onCancel={() => balance.cancel.mutate(balance.work?.id ?? '')}
                        />
                    )}
                    {balance.work?.state === 'failed' && <Problem message={balance.work.problem} />}
                    <Line>
                        <Button
                            isDisabled={setting}
                            onPress={() => byPatch('neutral', 'Click something that is white or grey in truth.')}
                        >
                            By a neutral
                        </Button>
                        <Button
                            isDisabled={setting}
                            onPress={() => byPatch('grey-card', 'Click the grey card. Its lightness is set too.')}
                        >
                            By a grey card
                        </Button>
                        <Button isDisabled={photo.balance === null || setting} onPress={() => set(null)}>
                            As the camera saw it
                        </Button>
                    </Line>
                    <Halves>
                        <Choice
                            label="Photographed under"
                            value={photo.balance?.by === 'lamp' ? (photo.balance.lamp ?? 'daylight') : 'daylight'}
                            options={look.lamps}
                            onChange={(lamp) => set(lamp === 'daylight' ? null : { by: 'lamp', lamp })}
                        />
                        <Choice
                            label="You draw under"
                            value={piece.lamp}
                            options={look.lamps}
                            onChange={(lamp) => {
                                change.mutate({ lamp }, tell);
                                view.toggle('lamp', lamp !== 'daylight');
                            }}
                        />
                    </Halves>
                    <small>
                        Colours are matched for daylight. “Under lamp” below the photo shows how it looks under the lamp
                        you draw by.
                    </small>
                </Part>
            )}
            <Part aria-labelledby="direction">
                <h2 id="direction">Where the light comes from</h2>
                <Row>
                    <LightArrow degrees={direction} />
                    <div>
                        <p data-testid="light">
                            From {look.light.words}
                            {look.light.corrected || piece.lines
                                ? ', as you say.'
                                : `; an estimate, ${look.light.agreement > 0.3 ? 'fairly sure' : look.light.agreement > 0.1 ? 'not sure' : 'hardly more than a guess'}.`}
                        </p>
                        <Dial
                            label="Correct it"
                            value={Math.round(direction)}
                            from={0}
                            to={359}
                            step={1}
                            say={(value) => `${value}°`}
                            onChange={setDegrees}
                            onEnd={(lightDegrees) =>
                                change.mutate({ lightDegrees }, { ...tell, onSettled: () => setDegrees(null) })
                            }
                        />
                        <Button
                            isDisabled={!look.light.corrected}
                            onPress={() => change.mutate({ lightDegrees: null }, tell)}
                        >
                            Back to the estimate
                        </Button>
                    </div>
                </Row>
                {piece.zones.some(({ traits }) => traits) && (
                    <p>
                        {(Object.keys(LIGHT_NAMES) as (keyof typeof LIGHT_NAMES)[])
                            .map((light) => ({ light, of: numbers(piece.zones, light) }))
                            .filter(({ of }) => of.length > 0)
                            .map(({ light, of }) => `${LIGHT_NAMES[light]}: ${of.join(', ')}`)
                            .join('; ')}
                        .
                    </p>
                )}
                <Line>
                    <Toggle
                        isSelected={view.view === 'temperature'}
                        onChange={(on) => view.setView(on ? 'temperature' : 'photo')}
                    >
                        Show warm and cool
                    </Toggle>
                    <small>Light grey is warm, dark grey is cool.</small>
                </Line>
            </Part>
            <Part aria-labelledby="reserves">
                <h2 id="reserves">What stays paper</h2>
                <SchoolRows
                    chosen={piece.schools.chosen}
                    own={piece.schools.own}
                    from="As the studio"
                    only={['highlights']}
                    onChoose={(schools) => change.mutate({ schools }, tell)}
                />
                {looking.work && (
                    <WorkProgress work={looking.work} onCancel={() => looking.cancel.mutate(looking.work?.id ?? '')} />
                )}
                {missing && <Button onPress={find}>Find what stays paper</Button>}
                {reserves && (
                    <>
                        <p>
                            {(100 * reserves.paperShare).toFixed(1)} % must stay paper,{' '}
                            {(100 * reserves.paleShare).toFixed(1)} % pale: nothing your box can lay comes nearer.
                        </p>
                        <Line>
                            <Toggle isSelected={view.reserves} onChange={(on) => view.toggle('reserves', on)}>
                                Show them in the photo
                            </Toggle>
                        </Line>
                        <Places>
                            {reserves.places.slice(0, SHOWN).map((place, i) => (
                                <li key={i}>
                                    <button
                                        type="button"
                                        onClick={() =>
                                            selectSpot({ x: place.x, y: place.y, radius: DEFAULT_RADIUS / 3 })
                                        }
                                    >
                                        {place.kind === 'paper' ? 'Paper' : 'Pale'}
                                        {place.rim ? ' rim' : ''}
                                        {place.zone ? `, ${place.zone}` : ''}
                                    </button>{' '}
                                    {place.advice}
                                </li>
                            ))}
                        </Places>
                        {reserves.places.length > SHOWN && (
                            <small>And {reserves.places.length - SHOWN} smaller ones.</small>
                        )}
                    </>
                )}
            </Part>
        </div>
    );
}
