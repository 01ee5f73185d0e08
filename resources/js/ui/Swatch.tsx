import styled from 'styled-components';
import type { Colour } from '../api/client';

/** How a colour is told without seeing it. */
export const spoken = (colour: Colour) => `${colour.appearance.sentence}, L ${Math.round(colour.L)}`;

const Patch = styled.span`
    display: block;
    flex: none;
    forced-color-adjust: none;
`;

interface SwatchProps {
    colour: Colour;
    label: string;
    width?: string;
    height?: string;
}

/** One colour, flat, without an edge: an edge would change it. */
export function Swatch({ colour, label, width = '36px', height = '36px' }: SwatchProps) {
    return (
        <Patch
            role="img"
            aria-label={`${label}: ${spoken(colour)}`}
            style={{ width, height, background: colour.hex }}
            data-hex={colour.hex}
        />
    );
}

const Pair = styled.span`
    display: flex;
    flex: none;
    & > * {
        flex: 1 1 50%;
    }
`;

interface PairProps {
    target: Colour;
    predicted: Colour;
    names?: [string, string];
    width?: string;
    height?: string;
}

/** Target and prediction side by side with no gap, as they are compared on paper. */
export function SwatchPair({
    target,
    predicted,
    names = ['Target', 'Predicted'],
    width = '112px',
    height = '76px',
}: PairProps) {
    return (
        <Pair style={{ width, height }}>
            <Swatch colour={target} label={names[0]} width="50%" height="100%" />
            <Swatch colour={predicted} label={names[1]} width="50%" height="100%" />
        </Pair>
    );
}
