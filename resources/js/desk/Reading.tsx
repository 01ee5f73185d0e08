import { memo } from 'react';
import styled from 'styled-components';
import type { Colour } from '../api/client';
import { HueRing } from '../ui/HueRing';
import { Ladder, type LadderMark } from '../ui/Ladder';
import { Swatch } from '../ui/Swatch';
import { space, type } from '../ui/theme';

const Row = styled.section`
    display: grid;
    grid-template-columns: 132px 74px 142px minmax(0, 1fr);
    align-items: center;
    gap: ${space.m};
    height: 152px;
    @media (max-width: 1150px) {
        grid-template-columns: 96px 74px 116px minmax(0, 1fr);
    }
`;

const Surround = styled.div`
    display: grid;
    place-items: center;
    height: 146px;
    & > * {
        justify-self: center;
    }
    background: ${({ theme }) => theme.surround};
`;

const Words = styled.div`
    display: grid;
    gap: 2px;
    align-content: center;
    line-height: 1.3;
    min-width: 0;
    overflow-wrap: anywhere;
    & > strong {
        font-size: ${type.lead};
        line-height: 1.2;
    }
    & > small {
        font-size: ${type.small};
        color: ${({ theme }) => theme.quiet};
    }
`;

/** Standard deviations of a patch, in CIELAB units. */
const EVEN = 3;
const UNEVEN = 8;

function evenness(spread: number | null): string {
    // A line is kept free, so that nothing moves when a sample takes the place of a typed colour.
    if (spread === null) return '\u00a0';
    if (spread < EVEN) return 'an even patch';

    return spread < UNEVEN ? 'varies a little' : 'uneven: sample smaller';
}

interface Props {
    name: string;
    colour: Colour;
    /** Of the patch that was read; a typed colour has none. */
    spread: number | null;
    predicted?: Colour | undefined;
}

/** A colour apart from its surroundings: on neutral, on the ladder, on the hue ring, in words and in numbers. */
export const Reading = memo(function Reading({ name, colour, spread, predicted }: Props) {
    const { family, lean, character, temperature, valueStep, valuePosition } = colour.appearance;
    const marks: LadderMark[] = [{ position: valuePosition, label: 'Target' }];
    if (predicted) marks.push({ position: predicted.appearance.valuePosition, label: 'Predicted', open: true });

    return (
        <Row aria-label={`Reading of ${name}`} data-testid="reading">
            <Surround>
                <Swatch colour={colour} label={name} width="66%" height="100px" />
            </Surround>
            <Ladder marks={marks} height={140} />
            <HueRing colour={colour} size={142} />
            <Words>
                <strong>{family}</strong>
                <span>
                    {lean ? `leans ${lean}, ` : ''}
                    {character}, {temperature}
                </span>
                <span>
                    Value step <b>{valueStep}</b> of 9
                </span>
                <small>
                    L {colour.L.toFixed(1)} &nbsp;a {colour.a.toFixed(1)} &nbsp;b {colour.b.toFixed(1)}
                </small>
                <small>{evenness(spread)}</small>
            </Words>
        </Row>
    );
});
