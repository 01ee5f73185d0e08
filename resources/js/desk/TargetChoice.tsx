import { memo } from 'react';
import styled from 'styled-components';
import type { TargetRole, Zone } from '../api/client';
import { spoken } from '../ui/Swatch';
import { radius, space, type } from '../ui/theme';
import { useChosen, useHands } from './DeskContext';
import { Sign } from '../ui/Sign';

export const ROLE_NAMES: Record<TargetRole, string> = {
    light: 'light',
    middle: 'middle',
    dark: 'dark',
    reflected: 'reflected',
    accent: 'accent',
    shimmer: 'shimmer',
    line: 'lines',
};

const Row = styled.ul`
    display: flex;
    flex-wrap: wrap;
    gap: ${space.xs};
`;

const Item = styled.button<{ $chosen: boolean }>`
    display: grid;
    justify-items: start;
    gap: 2px;
    min-width: 78px;
    white-space: nowrap;
    padding: 0 0 3px;
    border: 0;
    border-bottom: 3px solid ${({ theme, $chosen }) => ($chosen ? theme.ink : 'transparent')};
    border-radius: ${radius} ${radius} 0 0;
    background: none;
    color: ${({ theme }) => theme.ink};
    font-size: ${type.small};
    font-weight: ${({ $chosen }) => ($chosen ? 700 : 440)};
    cursor: pointer;
    & > i {
        width: 100%;
        height: 30px;
    }
`;

/** The colours of a zone, one of them chosen: what the right side speaks of. */
export const TargetChoice = memo(function TargetChoice({ zone }: { zone: Zone }) {
    const { selected } = useChosen();
    const { selectZone } = useHands();

    return (
        <Row aria-label={`Colours of ${zone.name}`}>
            {zone.targets.map((target) => (
                <li key={target.id}>
                    <Item
                        type="button"
                        $chosen={target.id === selected?.target?.id}
                        aria-pressed={target.id === selected?.target?.id}
                        onClick={() => selectZone(zone.id, target.id)}
                    >
                        <i style={{ background: target.colour.hex }} aria-hidden />
                        <span>
                            {target.label}
                            {target.lineMm !== null && ` ${target.lineMm} mm`}
                            {target.recipe && (
                                <>
                                    {' '}
                                    <Sign of="done" />
                                </>
                            )}
                        </span>
                        <span className="visually-hidden">
                            {spoken(target.colour)}
                            {target.recipe ? ', has a recipe' : ''}
                        </span>
                    </Item>
                </li>
            ))}
        </Row>
    );
});
