import { scaleBand, scaleLinear } from 'd3-scale';
import styled, { useTheme } from 'styled-components';
import { grey } from '../theme';

const WIDTH = 300;
const HEIGHT = 260;
const LEFT = 46;
const DARKEST = 12;
const STEPS = 9;

const Figure = styled.svg`
    display: block;
    width: 100%;
    max-width: 380px;
`;

interface Props {
    rungs: { step: number; reached: number; missing: number }[];
    label: string;
}

/** The value ladder with what is reached on each rung (full) and what is missing (hatched). */
export function LadderPlot({ rungs, label }: Props) {
    const theme = useTheme();
    const y = scaleBand(
        rungs.map(({ step }) => step),
        [0, HEIGHT],
    ).padding(0.12);
    const most = Math.max(1, ...rungs.map(({ reached, missing }) => reached + missing));
    const x = scaleLinear([0, most], [LEFT, WIDTH - 66]);

    return (
        <Figure viewBox={`0 0 ${WIDTH} ${HEIGHT + 22}`} role="img" aria-label={label}>
            <defs>
                <pattern id="missing" width={6} height={6} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
                    <rect width={6} height={6} fill={theme.panel} />
                    <line x1={0} y1={0} x2={0} y2={6} stroke={theme.ink} strokeWidth={2} />
                </pattern>
            </defs>
            {x.ticks(4).map((tick) => (
                <g key={tick} transform={`translate(${x(tick)} 0)`}>
                    <line y2={HEIGHT} stroke={theme.line} />
                    <text y={HEIGHT + 14} fontSize={11} textAnchor="middle" fill={theme.quiet}>
                        {tick}
                    </text>
                </g>
            ))}
            {rungs.map(({ step, reached, missing }) => {
                const top = y(step) ?? 0;

                return (
                    <g key={step}>
                        <text x={0} y={top + y.bandwidth() / 2} dy="0.36em" fontSize={11} fill={theme.ink}>
                            {step}
                        </text>
                        <rect
                            x={14}
                            y={top}
                            width={24}
                            height={y.bandwidth()}
                            fill={grey(DARKEST + ((100 - DARKEST) * (step - 1)) / (STEPS - 1))}
                            stroke={theme.line}
                        />
                        <rect x={LEFT} y={top} width={x(reached) - LEFT} height={y.bandwidth()} fill={theme.quiet} />
                        <rect
                            x={x(reached)}
                            y={top}
                            width={x(reached + missing) - x(reached)}
                            height={y.bandwidth()}
                            fill="url(#missing)"
                            stroke={theme.ink}
                        />
                        <text
                            x={x(reached + missing) + 4}
                            y={top + y.bandwidth() / 2}
                            dy="0.36em"
                            fontSize={11}
                            fill={theme.ink}
                        >
                            {missing > 0 ? `${missing} missing` : ''}
                        </text>
                    </g>
                );
            })}
        </Figure>
    );
}
