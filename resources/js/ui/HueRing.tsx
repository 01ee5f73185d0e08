import styled, { useTheme } from 'styled-components';
import type { Colour } from '../api/client';

const PARTS = 18;
const HUES = ['red', 'orange', 'yellow', 'green', 'blue', 'violet'];

const Figure = styled.svg`
    display: block;
    width: 100%;
    flex: none;
    overflow: visible;
`;

interface Props {
    colour: Colour;
    size?: number;
}

/**
 * The 18-part wheel with the lean arrow: it points at the colour's place, and is as long as the colour is clean. The
 * ring itself has no hue; its parts are named, so that the only colour on it is the artist's.
 */
export function HueRing({ colour, size = 150 }: Props) {
    const theme = useTheme();
    const centre = size / 2;
    const outer = centre - 18;
    const inner = outer - 9;
    const at = (position: number, radius: number): [number, number] => {
        const angle = (position / PARTS) * 2 * Math.PI - Math.PI / 2;

        return [centre + radius * Math.cos(angle), centre + radius * Math.sin(angle)];
    };
    const { wheelPosition, chroma, family, lean } = colour.appearance;
    const reach = Math.min(1, Math.sqrt(chroma / 90)) * (inner - 4);
    const [tipX, tipY] = at(wheelPosition, reach);
    const [leftX, leftY] = at(wheelPosition - 0.42, reach - 11);
    const [rightX, rightY] = at(wheelPosition + 0.42, reach - 11);

    return (
        <Figure
            viewBox={`0 0 ${size} ${size}`}
            role="img"
            aria-label={`On the hue ring: ${family}${lean ? `, leans ${lean}` : ''}, chroma ${Math.round(chroma)}`}
        >
            {Array.from({ length: PARTS }, (_, part) => {
                const pure = part % 3 === 0;
                const [x1, y1] = at(part - 0.5, inner);
                const [x2, y2] = at(part - 0.5, outer);

                return (
                    <g key={part}>
                        <line x1={x1} y1={y1} x2={x2} y2={y2} stroke={theme.line} strokeWidth={1} />
                        {pure && (
                            <text
                                x={at(part, outer + 10)[0]}
                                y={at(part, outer + 10)[1]}
                                dy="0.34em"
                                textAnchor="middle"
                                fontSize={13}
                                fill={theme.quiet}
                            >
                                {HUES[part / 3]?.[0]?.toUpperCase()}
                            </text>
                        )}
                    </g>
                );
            })}
            <circle cx={centre} cy={centre} r={outer} fill="none" stroke={theme.quiet} />
            <circle cx={centre} cy={centre} r={inner} fill="none" stroke={theme.line} />
            {chroma > 1 && (
                <>
                    <line x1={centre} y1={centre} x2={tipX} y2={tipY} stroke={theme.ink} strokeWidth={2.2} />
                    {reach > 16 && (
                        <path d={`M${tipX} ${tipY} L${leftX} ${leftY} L${rightX} ${rightY} z`} fill={theme.ink} />
                    )}
                </>
            )}
            <circle cx={centre} cy={centre} r={5} fill={colour.hex} stroke={theme.ink} strokeWidth={1.2} />
        </Figure>
    );
}
