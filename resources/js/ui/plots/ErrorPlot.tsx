import { scaleLinear, scalePoint } from 'd3-scale';
import styled, { useTheme } from 'styled-components';

const ROW = 20;
const LEFT = 92;
const WIDTH = 560;
const TOP = 18;

const Figure = styled.svg`
    display: block;
    width: 100%;
    max-width: 640px;
`;

interface Props {
    rows: { name: string; before: number; after: number; count: number }[];
    label: string;
}

/** For each pencil the mean error before (open ring) and after (full dot) on one line. */
export function ErrorPlot({ rows, label }: Props) {
    const theme = useTheme();
    const height = TOP + ROW * rows.length + 26;
    const most = Math.max(1, ...rows.flatMap(({ before, after }) => [before, after]));
    const x = scaleLinear([0, most], [LEFT, WIDTH - 12]).nice();
    const y = scalePoint(
        rows.map(({ name }) => name),
        [TOP + ROW / 2, TOP + ROW * (rows.length - 0.5)],
    );

    return (
        <Figure viewBox={`0 0 ${WIDTH} ${height}`} role="img" aria-label={label}>
            {x.ticks(6).map((tick) => (
                <g key={tick} transform={`translate(${x(tick)} 0)`}>
                    <line y1={TOP} y2={height - 26} stroke={theme.line} />
                    <text y={height - 12} fontSize={13} textAnchor="middle" fill={theme.quiet}>
                        {tick}
                    </text>
                </g>
            ))}
            <text x={WIDTH - 12} y={12} fontSize={13} textAnchor="end" fill={theme.quiet}>
                mean dE00: ring before, dot after
            </text>
            {rows.map((row) => {
                const at = y(row.name) ?? 0;

                return (
                    <g key={row.name}>
                        <text
                            x={LEFT - 10}
                            y={at}
                            dy="0.36em"
                            fontSize={13}
                            fontWeight={680}
                            textAnchor="end"
                            fill={theme.ink}
                        >
                            {row.name}
                        </text>
                        <line
                            x1={x(row.before)}
                            x2={x(row.after)}
                            y1={at}
                            y2={at}
                            stroke={theme.quiet}
                            strokeWidth={1.4}
                        />
                        <circle
                            cx={x(row.before)}
                            cy={at}
                            r={4.2}
                            fill={theme.panel}
                            stroke={theme.ink}
                            strokeWidth={1.3}
                        />
                        <circle cx={x(row.after)} cy={at} r={4.2} fill={theme.ink} />
                    </g>
                );
            })}
        </Figure>
    );
}
