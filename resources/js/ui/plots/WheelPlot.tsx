import { scaleLinear, scaleSqrt } from 'd3-scale';
import { arc, pointRadial } from 'd3-shape';
import styled, { useTheme } from 'styled-components';
import { apart } from './apart';

const PARTS = 18;
const HUES = ['red', 'orange', 'yellow', 'green', 'blue', 'violet'];
const MOST_CHROMA = 95;
const RINGS = [20, 40, 60, 80];

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

/** Across a ring with its thickest line, and a little more. */
const RING = 18;

/** Holes above one another: the middle one, and how many there are. */
function columns(holes: WheelCell[]): [WheelCell, number][] {
    const by = new Map<string, WheelCell[]>();
    for (const hole of holes) {
        const key = `${hole.position} ${hole.chroma}`;
        by.set(key, [...(by.get(key) ?? []), hole]);
    }

    return [...by.values()].flatMap((column): [WheelCell, number][] => {
        const middle = [...column].sort((a, b) => a.step - b.step)[Math.floor(column.length / 2)];

        return middle ? [[middle, column.length]] : [];
    });
}

/** Colours on the wheel, seen from above: a dot is reached, an open ring is a hole; its number is its value step, and it is the thicker the more steps are missing there. */
export function WheelPlot({ cells, label }: { cells: WheelCell[]; label: string }) {
    const theme = useTheme();
    const outer = SIZE / 2 - 26;
    const angle = scaleLinear([0, PARTS], [0, 2 * Math.PI]);
    const radius = scaleSqrt([0, MOST_CHROMA], [0, outer - 10]).clamp(true);
    const ring = arc<null>();
    const at = (cell: WheelCell) => pointRadial(angle(cell.position), radius(cell.chroma));

    const holes = apart(
        columns(cells.filter((cell) => !cell.reached)).map(([cell, missing]) => {
            const [x, y] = at(cell);

            return { cell, missing, x, y };
        }),
        RING,
    );

    return (
        <Figure viewBox={`${-SIZE / 2 - SIDE} ${-SIZE / 2} ${SIZE + 2 * SIDE} ${SIZE}`} role="img" aria-label={label}>
            {RINGS.map((chroma) => (
                <g key={chroma}>
                    <circle r={radius(chroma)} fill="none" stroke={theme.line} />
                    <text y={-radius(chroma) - 2} fontSize={13} textAnchor="middle" fill={theme.quiet}>
                        {chroma}
                    </text>
                </g>
            ))}
            {Array.from({ length: PARTS }, (_, part) => (
                <path
                    key={part}
                    d={
                        ring.innerRadius(outer)({
                            outerRadius: outer + 6,
                            startAngle: angle(part - 0.5),
                            endAngle: angle(part + 0.5),
                        } as never) ?? undefined
                    }
                    fill={part % 3 === 0 ? theme.quiet : 'none'}
                    stroke={theme.quiet}
                />
            ))}
            {HUES.map((hue, i) => {
                const [x, y] = pointRadial(angle(3 * i), outer + 15);

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
            {cells
                .filter((cell) => cell.reached)
                .map((cell, i) => (
                    <circle key={i} cx={at(cell)[0]} cy={at(cell)[1]} r={1.7} fill={theme.quiet} />
                ))}
            {holes.map(({ cell, missing, x, y }) => (
                <g key={`${cell.position} ${cell.chroma}`} transform={`translate(${x} ${y})`}>
                    <circle
                        r={8}
                        fill={theme.panel}
                        stroke={theme.ink}
                        strokeWidth={Math.min(2.5, 0.4 + 0.7 * missing)}
                    />
                    <text dy="0.36em" fontSize={12.5} textAnchor="middle" fill={theme.ink} fontWeight={700}>
                        {cell.step}
                    </text>
                </g>
            ))}
        </Figure>
    );
}
