import { memo } from 'react';
import { Button, Disclosure, DisclosurePanel, Heading } from 'react-aria-components';
import styled from 'styled-components';
import type { Piece, Plan } from '../api/client';
import { space, target, type } from '../ui/theme';

const Fold = styled(Disclosure)`
    & h3 {
        font-size: ${type.body};
    }
    & h3 > button {
        padding: 0;
        border: 0;
        background: none;
        min-height: ${target.usual};
        font: inherit;
        font-weight: 600;
        cursor: pointer;
    }
    & h3 > button::before {
        content: '+ ';
    }
    &[data-expanded] h3 > button::before {
        content: '− ';
    }
`;

const Zones = styled.ul`
    display: grid;
    gap: ${space.xs};
    padding-top: ${space.xs};
    & > li {
        display: grid;
        grid-template-columns: 150px minmax(0, 1fr);
        gap: ${space.s};
        border-top: 1px solid ${({ theme }) => theme.line};
        padding-top: ${space.xs};
    }
    & button {
        padding: 0;
        border: 0;
        background: none;
        min-height: 24px;
        font-weight: 600;
        text-align: start;
        cursor: pointer;
    }
`;

interface Props {
    beginnings: Plan['beginnings'];
    zones: Piece['zones'];
    onChoose: (zone: string) => void;
}

/** On which base the colours of each zone stand, and why one of them stands apart. */
export const BeginningsPanel = memo(function BeginningsPanel({ beginnings, zones, onChoose }: Props) {
    const numbers = new Map(zones.map(({ id }, index) => [id, index + 1]));
    if (beginnings.length === 0) return null;

    return (
        <Fold>
            <Heading level={3}>
                <Button slot="trigger">How each zone is begun</Button>
            </Heading>
            <DisclosurePanel>
                <Zones>
                    {beginnings.map(({ zone, name, sentence }) => (
                        <li key={zone} data-testid="beginning">
                            <button type="button" onClick={() => onChoose(zone)}>
                                {numbers.get(zone)} {name}
                            </button>
                            <span>{sentence}</span>
                        </li>
                    ))}
                </Zones>
            </DisclosurePanel>
        </Fold>
    );
});
