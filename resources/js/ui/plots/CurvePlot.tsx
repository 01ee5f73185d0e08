import { scaleLinear } from 'd3-scale';
import { line, symbol, symbolCircle, symbolSquare } from 'd3-shape';
import styled, { useTheme } from 'styled-components';

const WIDTH = 440;
const HEIGHT = 230;
const MARGIN = { left: 50, right: 16, top: 10, bottom: 42 };

/** Two names are so far apart at least. */
const NAME = 26;

const Figure = styled.svg`
    display: block;
    width: 100%;
    max-width: 520px;
`;

export interface Curve {
    name: string;
    points: { x: number; y: number }[];
}

interface Props {
    curves: Curve[];
    x: string;
    y: string;
    label: string;
    marked?: number;
    /** Where the axis across begins. */
    from?: number;
}

function CurveName({
    curve,
    shift,
    x,
    y,
}: {
    /** Away from the name of the other curve. */
    shift: number;
    curve: Curve;
    x: (value: number) => number;
    y: (value: number) => number;
}) {
    const theme = useTheme();
    const last = curve.points.at(-1);
    const before = curve.points.at(-2);
    // Where the curve does not come from.
    const below = last && before && before.y > last.y;

    return (
        last && (
            <text
                x={x(last.x)}
                y={y(last.y) + (shift !== 0 ? shift : below ? 19 : -9)}
                fontSize={13}
                textAnchor="end"
                fill={theme.ink}
            >
                {curve.name}
            </text>
        )
    );
}

/** One or two curves: the first with full dots on a full line, the second with open squares on a dashed one. */
export function CurvePlot({ curves, x: xName, y: yName, label, marked, from = 0 }: Props) {
    const theme = useTheme();
    const points = curves.flatMap((curve) => curve.points);
    const x = scaleLinear(
        [from, Math.max(from + 1, ...points.map((point) => point.x))],
        [MARGIN.left, WIDTH - MARGIN.right],
    ).nice();
    const y = scaleLinear(
        [0, Math.max(1, ...points.map((point) => point.y))],
        [HEIGHT - MARGIN.bottom, MARGIN.top],
    ).nice();
    const path = line<{ x: number; y: number }>(
        (point) => x(point.x),
        (point) => y(point.y),
    );

    // Where two curves end in one place, one is named below and the other above.
    const ends = curves.map((curve) => y(curve.points.at(-1)?.y ?? 0));
    const namesMeet = ends.length > 1 && Math.abs((ends[0] ?? 0) - (ends[1] ?? 0)) < NAME;

    return (
        <Figure viewBox={`0 0 ${WIDTH} ${HEIGHT}`} role="img" aria-label={label}>
            {y.ticks(5).map((tick) => (
                <g key={tick} transform={`translate(0 ${y(tick)})`}>
                    <line x1={MARGIN.left} x2={WIDTH - MARGIN.right} stroke={theme.line} />
                    <text x={MARGIN.left - 6} dy="0.34em" fontSize={13} textAnchor="end" fill={theme.quiet}>
                        {tick}
                    </text>
                </g>
            ))}
            {x
                .ticks(8)
                .filter(Number.isInteger)
                .map((tick) => (
                    <text
                        key={tick}
                        x={x(tick)}
                        y={HEIGHT - MARGIN.bottom + 17}
                        fontSize={13}
                        textAnchor="middle"
                        fill={theme.quiet}
                    >
                        {tick}
                    </text>
                ))}
            <text x={(MARGIN.left + WIDTH) / 2} y={HEIGHT - 4} fontSize={13} textAnchor="middle" fill={theme.ink}>
                {xName}
            </text>
            <text
                transform={`translate(11 ${HEIGHT / 2}) rotate(-90)`}
                fontSize={13}
                textAnchor="middle"
                fill={theme.ink}
            >
                {yName}
            </text>
            {marked !== undefined && (
                <line
                    x1={x(marked)}
                    x2={x(marked)}
                    y1={MARGIN.top}
                    y2={HEIGHT - MARGIN.bottom}
                    stroke={theme.ink}
                    strokeDasharray="2 3"
                />
            )}
            {curves.map((curve, i) => (
                <g key={curve.name}>
                    <path
                        d={path(curve.points) ?? undefined}
                        fill="none"
                        stroke={theme.ink}
                        strokeWidth={1.6}
                        strokeDasharray={i === 0 ? undefined : '6 4'}
                    />
                    {curve.points.map((point) => (
                        <path
                            key={point.x}
                            transform={`translate(${x(point.x)} ${y(point.y)})`}
                            d={symbol(i === 0 ? symbolCircle : symbolSquare, 48)() ?? undefined}
                            fill={i === 0 ? theme.ink : theme.panel}
                            stroke={theme.ink}
                            strokeWidth={1.4}
                        />
                    ))}
                    <CurveName
                        curve={curve}
                        shift={namesMeet ? (i === ends.indexOf(Math.min(...ends)) ? -9 : 19) : 0}
                        x={x}
                        y={y}
                    />
                </g>
            ))}
        </Figure>
    );
}
