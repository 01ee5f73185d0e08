import { memo } from 'react';
import { Toolbar } from 'react-aria-components';
import styled from 'styled-components';
import type { Zone } from '../api/client';
import { spoken } from '../ui/Swatch';
import { mainTarget } from './DeskContext';
import { space, type } from '../ui/theme';
import { Sign } from '../ui/Sign';

const Rail = styled.div`
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    grid-template-rows: auto minmax(0, max-content);
    align-content: start;
    gap: ${space.xs};
    min-height: 0;
    & > p {
        overflow: hidden;
        text-overflow: ellipsis;
        white-space: nowrap;
    }
`;

/** One stop for Tab; the arrows go from zone to zone. */
const Strip = styled(Toolbar)`
    display: flex;
    flex-wrap: wrap;
    align-content: start;
    gap: ${space.xs};
    min-height: 0;
    overflow-y: auto;
`;

const Item = styled.button<{ $chosen: boolean }>`
    display: grid;
    grid-template-rows: 24px 18px;
    flex: none;
    width: 38px;
    height: 44px;
    /* Laid out by itself: the next zone is chosen within a frame. */
    contain: strict;
    padding: 0;
    border: 1px solid ${({ theme, $chosen }) => ($chosen ? theme.ink : 'transparent')};
    outline: ${({ theme, $chosen }) => ($chosen ? `2px solid ${theme.ink}` : 'none')};
    outline-offset: -1px;
    background: ${({ theme }) => theme.panel};
    font-size: ${type.small};
    line-height: 18px;
    font-variant-numeric: tabular-nums;
    font-weight: 560;
    cursor: pointer;
    &:focus-visible {
        outline: 3px solid ${({ theme }) => theme.ink};
    }
`;

const VALUES = ['light', 'middle', 'dark'];

/** Its light, middle and dark side by side. */
function bands(zone: Zone): string {
    const values = zone.targets.filter(({ role }) => VALUES.includes(role));
    const shown = values.length > 0 ? values : zone.targets;
    const stops = shown.map(({ colour }, i) => {
        const at = (n: number) => `${((100 * n) / shown.length).toFixed(1)}%`;

        return `${colour.hex} ${at(i)} ${at(i + 1)}`;
    });

    return `linear-gradient(90deg, ${stops.join(', ')})`;
}

/** Every colour of it has a recipe. */
const isMatched = (zone: Zone) => zone.targets.length > 0 && zone.targets.every(({ recipe }) => recipe !== null);

interface ItemProps {
    zone: Zone;
    number: number;
    chosen: boolean;
    onChoose: (id: string) => void;
}

const ZoneItem = memo(function ZoneItem({ zone, number, chosen, onChoose }: ItemProps) {
    const main = mainTarget(zone);

    return (
        <Item type="button" $chosen={chosen} aria-pressed={chosen} title={zone.name} onClick={() => onChoose(zone.id)}>
            <i style={{ background: bands(zone) }} aria-hidden />
            <span>
                {number} {isMatched(zone) && <Sign of="done" />}
            </span>
            <span className="visually-hidden">
                {zone.name}
                {isMatched(zone) ? ', has a recipe' : ''}
                {main && `, ${spoken(main.colour)}`}
            </span>
        </Item>
    );
});

interface Props {
    zones: Zone[];
    chosen: string | null;
    onChoose: (id: string) => void;
}

/** Every zone by number and colour, a tick where it has its recipe; the chosen one by name. */
export const ZoneStrip = memo(function ZoneStrip({ zones, chosen, onChoose }: Props) {
    const at = zones.findIndex(({ id }) => id === chosen);
    const zone = zones[at];
    const matched = zones.filter(isMatched).length;

    return (
        <Rail>
            <p data-testid="chosen-zone">
                {zone ? (
                    <>
                        <b>{at + 1}</b> {zone.name}
                        {isMatched(zone) ? '' : ', no recipe yet'}
                    </>
                ) : (
                    `${zones.length} zones, ${matched} with recipes`
                )}
            </p>
            <Strip aria-label="Zones">
                {zones.map((zone, index) => (
                    <ZoneItem
                        key={zone.id}
                        zone={zone}
                        number={index + 1}
                        chosen={zone.id === chosen}
                        onChoose={onChoose}
                    />
                ))}
            </Strip>
        </Rail>
    );
});
