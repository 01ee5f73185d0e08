import { useState } from 'react';
import styled from 'styled-components';
import { type Zone } from '../api/client';
import { useChosen, useDeskPiece } from '../desk/DeskContext';
import { Segments } from '../ui/Segments';
import { space, type } from '../ui/theme';
import { TypedColour } from './InterpretationPanel';
import { useChanges } from './planQueries';

type Tooth = NonNullable<Zone['ground']>['tooth'];

const TEETH: { id: Tooth; name: string }[] = [
    { id: 'as-paper', name: 'As the paper' },
    { id: 'smoother', name: 'Smoother' },
    { id: 'little', name: 'Hardly' },
];

const Box = styled.section`
    display: grid;
    gap: ${space.s};
    & h2 {
        font-size: ${type.title};
    }
    & form {
        display: flex;
        flex-wrap: wrap;
        gap: ${space.s};
        align-items: end;
    }
`;

/** What another medium has laid in the chosen zone before the first pencil: its recipes are found on that. */
export function GroundPanel({ planned }: { planned: boolean }) {
    const piece = useDeskPiece();
    const { selected } = useChosen();
    const changes = useChanges(piece, planned);
    const [tooth, setTooth] = useState<Tooth>('as-paper');
    const zone = selected?.zone ?? null;
    if (!zone) return null;
    const now = zone.ground?.tooth ?? tooth;
    const change = (ground: { colour: string; tooth: Tooth } | null) => changes.changeZone(zone, { ground });

    return (
        <Box aria-labelledby="ground">
            <h2 id="ground">Ground of {zone.name}</h2>
            <p>
                {zone.ground
                    ? 'Recipes of this zone are found on this ground.'
                    : 'Chalk, watercolour pencil or ink that lies there before the first pencil. None yet.'}
            </p>
            <TypedColour
                label="Colour of the ground"
                set={zone.ground?.colour ?? null}
                onSet={(colour) => change(colour === null ? null : { colour, tooth: now })}
            />
            <Segments
                label="It takes pencil"
                options={TEETH}
                value={now}
                onChange={(to) => {
                    setTooth(to);
                    if (zone.ground) change({ colour: zone.ground.colour.hex, tooth: to });
                }}
            />
        </Box>
    );
}
