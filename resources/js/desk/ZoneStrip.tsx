import styled from 'styled-components';
import type { Zone } from '../api/client';
import { spoken } from '../ui/Swatch';
import { radius, space, type } from '../ui/theme';

const Strip = styled.ul`
    display: flex;
    flex-wrap: wrap;
    align-content: start;
    gap: ${space.xs};
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
        width: 22px;
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

interface Props {
    zones: Zone[];
    chosen: string | null;
    onChoose: (id: string) => void;
}

/** Every zone by number, colour and name; a tick where it has its recipe. */
export function ZoneStrip({ zones, chosen, onChoose }: Props) {
    return (
        <Strip aria-label="Zones">
            {zones.map((zone, index) => (
                <li key={zone.id}>
                    <Item
                        type="button"
                        $chosen={zone.id === chosen}
                        aria-pressed={zone.id === chosen}
                        title={zone.name}
                        onClick={() => onChoose(zone.id)}
                    >
                        <i style={{ background: zone.target.hex }} aria-hidden />
                        <b>{index + 1}</b>
                        <span>{zone.name}</span>
                        {zone.recipe && (
                            <>
                                <b aria-hidden>✓</b>
                                <span className="visually-hidden">has a recipe</span>
                            </>
                        )}
                        <span className="visually-hidden">{spoken(zone.target)}</span>
                    </Item>
                </li>
            ))}
        </Strip>
    );
}
