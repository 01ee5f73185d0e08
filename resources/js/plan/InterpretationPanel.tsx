import { useState } from 'react';
import styled from 'styled-components';
import { type Colour } from '../api/client';
import type { components } from '../api/schema';
import { useChosen, useDeskPiece } from '../desk/DeskContext';
import { Button } from '../ui/Button';
import { Field } from '../ui/Field';
import { Segments } from '../ui/Segments';
import { Swatch } from '../ui/Swatch';
import { space, type } from '../ui/theme';
import { useChanges } from './planQueries';
import { ScopeChoice, type Scope } from './ScopeChoice';

type Changes = components['schemas']['InterpretationChanges'];

const Box = styled.section`
    display: grid;
    gap: ${space.m};
    & h2 {
        font-size: ${type.title};
    }
    & > dl {
        display: grid;
        grid-template-columns: 92px minmax(0, 1fr);
        gap: ${space.s} ${space.m};
        align-items: center;
    }
    & dt {
        color: ${({ theme }) => theme.quiet};
    }
    & form {
        display: flex;
        flex-wrap: wrap;
        gap: ${space.s};
        align-items: end;
    }
`;

const CHROMA = [
    { id: '0', name: 'Grey' },
    { id: '70', name: 'Quieter' },
    { id: '100', name: 'As the photo' },
    { id: '130', name: 'Stronger' },
] as const;

const WARMTH = [
    { id: '-7', name: 'Cooler' },
    { id: '0', name: 'As the photo' },
    { id: '7', name: 'Warmer' },
] as const;

/** The option that is nearest to a number that was set some other way. */
const nearest = <T extends string>(options: readonly { id: T; name: string }[], value: number): T =>
    [...options].sort((a, b) => Math.abs(Number(a.id) - value) - Math.abs(Number(b.id) - value))[0]?.id ?? ('' as T);

/** A colour that is typed: a pencil, hex, or three numbers; and taken back. */
export function TypedColour({
    label,
    set,
    onSet,
}: {
    label: string;
    set: Colour | null;
    onSet: (text: string | null) => void;
}) {
    const [text, setText] = useState('');

    return (
        <form
            onSubmit={(event) => {
                event.preventDefault();
                if (text.trim() !== '') onSet(text.trim());
                setText('');
            }}
        >
            <Field label={label} value={text} onChange={setText} placeholder="QW:6858, #7a5230" />
            <Button type="submit">Set</Button>
            {set !== null && (
                <>
                    <Swatch colour={set} label={`${label}, as set`} width="44px" height="36px" />
                    <Button onPress={() => onSet(null)}>Clear</Button>
                </>
            )}
        </form>
    );
}

/** What the artist makes of the photo's colours, over the picture and in the chosen zone. Values stay. */
export function InterpretationPanel({ planned }: { planned: boolean }) {
    const piece = useDeskPiece();
    const { selected } = useChosen();
    const changes = useChanges(piece, planned);
    const [scope, setScope] = useState<Scope>('piece');
    const zone = scope === 'zone' ? (selected?.zone ?? null) : null;
    const now = zone ? zone.interpretation : piece.interpretation;
    const change = (interpretation: Changes) =>
        zone ? changes.changeZone(zone, { interpretation }) : changes.change({ interpretation });
    const own = piece.zones.filter(
        ({ interpretation: { chroma, lights, shadows, local } }) =>
            chroma !== 100 || lights !== 0 || shadows !== 0 || local !== null,
    );

    return (
        <Box aria-labelledby="interpretation">
            <h2 id="interpretation">Interpretation</h2>
            <ScopeChoice label="Interpretation of" scope={scope} onChange={setScope} />
            <dl>
                <dt>Colour</dt>
                <dd>
                    <Segments
                        label="Colour"
                        options={CHROMA}
                        value={nearest(CHROMA, now.chroma)}
                        onChange={(chroma) => change({ chroma: Number(chroma) })}
                    />
                </dd>
                <dt>Lights</dt>
                <dd>
                    <Segments
                        label="Lights"
                        options={WARMTH}
                        value={nearest(WARMTH, now.lights)}
                        onChange={(lights) => change({ lights: Number(lights) })}
                    />
                </dd>
                <dt>Shadows</dt>
                <dd>
                    <Segments
                        label="Shadows"
                        options={WARMTH}
                        value={nearest(WARMTH, now.shadows)}
                        onChange={(shadows) => change({ shadows: Number(shadows) })}
                    />
                </dd>
            </dl>
            {zone ? (
                <TypedColour
                    label="Another local colour, its values kept"
                    set={now.local}
                    onSet={(local) => change({ local })}
                />
            ) : (
                <TypedColour label="All in one hue" set={now.hue} onSet={(hue) => change({ hue })} />
            )}
            {own.length > 0 && <p>Of their own: {own.map(({ name }) => name).join('; ')}.</p>}
        </Box>
    );
}
