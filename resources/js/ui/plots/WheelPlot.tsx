import { scaleLinear } from 'd3-scale';
import { arc, pointRadial } from 'd3-shape';
import { useId } from 'react';
import styled, { useTheme } from 'styled-components';

const PARTS = 18;
const HUES = ['red', 'orange', 'yellow', 'green', 'blue', 'violet'];
const Figure = styled.svg`
    display: block;
    width: 100%;
    max-width: 520px;
    overflow: visible;
`;

export interface WheelCell {
    position: number;
    chroma: number;
    step: number;
    reached: boolean;
}

const SIZE = 420;

/** Beside the wheel, for the names of hues. */
const SIDE = 34;

/** Chroma from which a colour is called clean, as far as the wheel goes. */
const CLEAN_FROM = 38;

/** Radii of the two rings: dull within, clean without. */
const BANDS = [
    { name: 'dull', from: 58, to: 112 },
    { name: 'clean', from: 112, to: 178 },
] as const;

/** How dense the strokes are, by how much is missing: none, some, half and more, nearly all. */
const DENSITIES = [0.12, 0.35, 0.65];
const GAPS = [0, 9, 6, 3.5];

interface Sector {
    part: number;
    clean: boolean;
    made: number;
    missing: number;
}

/** Colours by part of the wheel, dull and clean. */
function sectorsOf(cells: WheelCell[]): Sector[] {
    const sectors = Array.from({ length: PARTS }, (_, part) =>
        [false, true].map((clean): Sector => ({ part, clean, made: 0, missing: 0 })),
    ).flat();
    for (const { position, chroma, reached } of cells) {
        const part = Math.round(position) % PARTS;
        const sector = sectors[2 * part + (chroma >= CLEAN_FROM ? 1 : 0)];
        if (sector) sector[reached ? 'made' : 'missing']++;
    }

    return sectors;
}

/**
 * The wheel in 18 parts, dull colours within, clean ones without: the denser the strokes, the more of them is missing, and the number says
 * how many colours that is. What is plain is made.
 */
export function WheelPlot({ cells, label }: { cells: WheelCell[]; label: string }) {
    const theme = useTheme();
    const id = useId();
    const angle = scaleLinear([0, PARTS], [0, 2 * Math.PI]);
    const ring = arc<null>();
    const density = ({ made, missing }: Sector) => {
        const share = missing / Math.max(1, made + missing);

        return DENSITIES.filter((from) => share >= from).length;
    };

    return (
        <Figure viewBox={`${-SIZE / 2 - SIDE} ${-SIZE / 2} ${SIZE + 2 * SIDE} ${SIZE}`} role="img" aria-label={label}>
            <defs>
                {GAPS.map((gap, dense) => (
                    <pattern
                        key={gap}
                        id={`${id}-${dense}`}
                        width={gap || 8}
                        height={gap || 8}
                        patternUnits="userSpaceOnUse"
                        patternTransform="rotate(45)"
                    >
                        <rect width={gap || 8} height={gap || 8} fill={theme.panel} />
                        {dense > 0 && <line y2={gap} stroke={theme.ink} strokeWidth={1.4} />}
                    </pattern>
                ))}
            </defs>
            {sectorsOf(cells).map((sector) => {
                const band = BANDS[sector.clean ? 1 : 0];
                const shape = {
                    innerRadius: band.from,
                    outerRadius: band.to,
                    startAngle: angle(sector.part - 0.5),
                    endAngle: angle(sector.part + 0.5),
                };
                const [x, y] = pointRadial(angle(sector.part), (band.from + band.to) / 2);

                return (
                    <g key={`${sector.part} ${band.name}`}>
                        <path
                            d={ring(shape as never) ?? undefined}
                            fill={sector.made + sector.missing === 0 ? 'none' : `url(#${id}-${density(sector)})`}
                            stroke={theme.quiet}
                        />
                        {sector.missing > 0 && (
                            <>
                                <rect x={x - 10} y={y - 9} width={20} height={18} fill={theme.panel} />
                                <text
                                    x={x}
                                    y={y}
                                    dy="0.36em"
                                    fontSize={13}
                                    textAnchor="middle"
                                    fontWeight={700}
                                    fill={theme.ink}
                                >
                                    {sector.missing}
                                </text>
                            </>
                        )}
                    </g>
                );
            })}
            {HUES.map((hue, i) => {
                const [x, y] = pointRadial(angle(3 * i), BANDS[1].to + 12);

                return (
                    <text
                        key={hue}
                        x={x}
                        y={y}
                        dy="0.34em"
                        fontSize={13}
                        textAnchor={Math.abs(x) < 20 ? 'middle' : x > 0 ? 'start' : 'end'}
                        fill={theme.ink}
                    >
                        {hue}
                    </text>
                );
            })}
        </Figure>
    );
}
