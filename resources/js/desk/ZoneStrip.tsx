import { memo } from 'react';
import styled from 'styled-components';
import type { Zone } from '../api/client';
import { spoken } from '../ui/Swatch';
import { mainTarget } from './DeskContext';
import { radius, space, type, UPRIGHT } from '../ui/theme';

const Strip = styled.ul`
    display: flex;
    flex-wrap: wrap;
    align-content: start;
    gap: ${space.xs};
    @media ${UPRIGHT} {
        flex-wrap: nowrap;
        overflow-x: auto;
        & > li {
            flex: none;
        }
    }
`;

const Item = styled.button<{ $chosen: boolean }>`
    display: flex;
    align-items: center;
    gap: 6px;
    max-width: 190px;
    min-height: 28px;
    padding: 0 ${space.s} 0 0;
    border: 1px solid ${({ theme, $chosen }) => ($chosen ? theme.ink : 'transparent')};
    border-radius: ${radius};
    background: ${({ theme }) => theme.panel};
    font-size: ${type.small};
    font-weight: ${({ $chosen }) => ($chosen ? 680 : 440)};
    cursor: pointer;
    & > i {
        flex: none;
        width: 30px;
        align-self: stretch;
    }
    & > b {
        flex: none;
        font-weight: 700;
    }
    & > span {
        overflow: hidden;
        text-overflow: ellipsis;
        white-space: nowrap;
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

interface Props {
    zones: Zone[];
    chosen: string | null;
    onChoose: (id: string) => void;
}

/** Every zone by number, colour and name; a tick where it has its recipe. */
export const ZoneStrip = memo(function ZoneStrip({ zones, chosen, onChoose }: Props) {
    return (
        <Strip aria-label="Zones">
            {zones.map((zone, index) => {
                const main = mainTarget(zone);

                return (
                    <li key={zone.id}>
                        <Item
                            type="button"
                            $chosen={zone.id === chosen}
                            aria-pressed={zone.id === chosen}
                            title={zone.name}
                            onClick={() => onChoose(zone.id)}
                        >
                            <i style={{ background: bands(zone) }} aria-hidden />
                            <b>{index + 1}</b>
                            <span>{zone.name}</span>
                            {isMatched(zone) && (
                                <>
                                    <b aria-hidden>✓</b>
                                    <span className="visually-hidden">has a recipe</span>
                                </>
                            )}
                            {main && <span className="visually-hidden">{spoken(main.colour)}</span>}
                        </Item>
                    </li>
                );
            })}
        </Strip>
    );
});
