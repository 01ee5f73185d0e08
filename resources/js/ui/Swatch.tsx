import styled from 'styled-components';
import type { Colour } from '../api/client';
import { type } from './theme';

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

/** What is judged stands on the same grey everywhere. */
const Surround = styled.span`
    display: block;
    padding: 8px;
    background: ${({ theme }) => theme.surround};
`;

const Captions = styled.span`
    display: flex;
    font-size: ${type.small};
    line-height: 18px;
    color: ${({ theme }) => theme.quiet};
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
    /** Stands on the grey that colours are judged on; width and height are with it. */
    judged?: boolean;
    /** Says below which half is which. */
    captioned?: boolean;
}

/** Target and prediction side by side with no gap, as they are compared on paper. */
export function SwatchPair({
    target,
    predicted,
    names = ['Target', 'Predicted'],
    width = '112px',
    height = '76px',
    judged = false,
    captioned = false,
}: PairProps) {
    const halves = (
        <Pair style={judged ? { width: '100%', height: '100%' } : { width, height }}>
            <Swatch colour={target} label={names[0]} width="50%" height="100%" />
            <Swatch colour={predicted} label={names[1]} width="50%" height="100%" />
        </Pair>
    );
    const pair = judged ? <Surround style={{ width, height }}>{halves}</Surround> : halves;

    return captioned ? (
        <span style={{ display: 'block', width }}>
            {pair}
            <Captions aria-hidden>
                <span>{names[0]}</span>
                <span>{names[1]}</span>
            </Captions>
        </span>
    ) : (
        pair
    );
}
