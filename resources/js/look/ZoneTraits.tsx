import { useState } from 'react';
import styled from 'styled-components';
import type { Zone, ZoneCorrections } from '../api/client';
import { useChangeZone } from '../api/kept';
import { useDeskPiece } from '../desk/DeskContext';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { Dial } from '../ui/Dial';
import { Line, Thirds } from './parts';
import { LIGHT_NAMES, tell } from './words';

const SURFACES = [
    { id: 'hard', name: 'Hard and shiny' },
    { id: 'smooth', name: 'Smooth and matt' },
    { id: 'soft', name: 'Soft' },
    { id: 'rough', name: 'Rough' },
    { id: 'stranded', name: 'Grained, with a direction' },
] as const;

const DISTANCES = [
    { id: 'near', name: 'Near' },
    { id: 'between', name: 'Between' },
    { id: 'far', name: 'Far' },
] as const;

const EDGES = [
    { id: 'crisp', name: 'Crisp' },
    { id: 'soft', name: 'Soft' },
] as const;

const IMPORTANCE = [
    { id: '1', name: 'Quiet' },
    { id: '2', name: 'Usual' },
    { id: '3', name: 'Draws the eye' },
] as const;

const LIGHTS = (Object.keys(LIGHT_NAMES) as (keyof typeof LIGHT_NAMES)[]).map((id) => ({ id, name: LIGHT_NAMES[id] }));

/** In a narrow column it takes a line of its own: its name and its degrees stand side by side. */
const Wide = styled.div`
    @media (max-width: 1150px) {
        grid-column: 1 / -1;
    }
`;

interface DirectionProps {
    label: string;
    degrees: number | null;
    onSet: (degrees: number) => void;
}

/** Which way the strands run: followed while it is dragged, set when it is let go. */
function Direction({ label, degrees, onSet }: DirectionProps) {
    const [moved, setMoved] = useState<number | null>(null);

    return (
        <Wide>
            <Dial
                label={label}
                value={moved ?? Math.round(degrees ?? 0)}
                from={0}
                to={180}
                step={5}
                say={(now) => (degrees === null && moved === null ? 'none' : `${now}°`)}
                onChange={setMoved}
                onEnd={onSet}
            />
        </Wide>
    );
}

/** How a zone is lit and finished: estimates, each of which the artist may correct. */
export function ZoneTraits({ zone }: { zone: Zone }) {
    const piece = useDeskPiece();
    const change = useChangeZone(piece.id);
    const { traits } = zone;
    if (!traits) return null;
    const correct = (corrections: ZoneCorrections) =>
        change.mutate({ id: zone.id, version: zone.version, corrections }, tell);
    const label = (name: string, trait: string) => (traits.corrected.includes(trait) ? name : `${name} (estimated)`);

    return (
        <>
            <Thirds>
                <Choice
                    label={label('Light', 'light')}
                    value={traits.light}
                    options={LIGHTS}
                    onChange={(light) => correct({ light })}
                />
                <Choice
                    label={label('Surface', 'surface')}
                    value={traits.surface}
                    options={SURFACES}
                    onChange={(surface) => correct({ surface })}
                />
                <Choice
                    label={label('Edge', 'crisp')}
                    value={traits.crisp ? 'crisp' : 'soft'}
                    options={EDGES}
                    onChange={(edge) => correct({ crisp: edge === 'crisp' })}
                />
                <Choice
                    label={label('Distance', 'distance')}
                    value={traits.distance}
                    options={DISTANCES}
                    onChange={(distance) => correct({ distance })}
                />
                <Choice
                    label={label('Importance', 'importance')}
                    value={String(traits.importance) as '1' | '2' | '3'}
                    options={IMPORTANCE}
                    onChange={(importance) => correct({ importance: Number(importance) })}
                />
                <Direction
                    key={`${zone.id} ${traits.direction ?? 'none'}`}
                    label={label('Direction', 'direction')}
                    degrees={traits.direction}
                    onSet={(direction) => correct({ direction })}
                />
            </Thirds>
            <Line>
                <small>
                    {traits.warmth > 2
                        ? 'Warmer than the picture as a whole.'
                        : traits.warmth < -2
                          ? 'Cooler than the picture as a whole.'
                          : 'As warm as the picture as a whole.'}
                    {zone.touching.length > 0 &&
                        ` Touches ${zone.touching
                            .map((other) => piece.zones.findIndex(({ id }) => id === other.zone) + 1)
                            .filter((number) => number > 0)
                            .sort((a, b) => a - b)
                            .join(', ')}.`}
                </small>
                {traits.corrected.length > 0 && (
                    <Button
                        onPress={() =>
                            correct({
                                light: null,
                                surface: null,
                                crisp: null,
                                distance: null,
                                importance: null,
                                direction: null,
                            })
                        }
                    >
                        Back to the estimates
                    </Button>
                )}
            </Line>
        </>
    );
}
