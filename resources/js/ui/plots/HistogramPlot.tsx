import { scaleLinear } from 'd3-scale';
import { useTheme } from 'styled-components';
import { grey } from '../theme';

const WIDTH = 500;
const HEIGHT = 130;
const BASE = 108;

interface Range {
    dark: number;
    light: number;
}

interface Props {
    /** Shares, darkest first, evenly over L* 0-100. */
    bars: number[];
    photo: Range;
    /** What paper and box can do; null if that is not known. */
    reach: Range | null;
    label: string;
}

/** How values are spread, each bar in its own grey, against what can be reached: beyond that it is hatched. */
export function HistogramPlot({ bars, photo, reach, label }: Props) {
    const theme = useTheme();
    const x = scaleLinear([0, 100], [0, WIDTH]);
    // One tall bar must not flatten all the others.
    const sorted = [...bars].sort((a, b) => b - a);
    const top = sorted[Math.min(2, sorted.length - 1)] ?? 1;
    const y = scaleLinear([0, Math.max(1e-6, top)], [BASE, 8]).clamp(true);
    const width = WIDTH / bars.length;

    return (
        <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} role="img" aria-label={label} style={{ width: '100%' }}>
            <defs>
                <pattern id="beyond" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
                    <line x1="0" y1="0" x2="0" y2="6" stroke={theme.ink} strokeWidth="1.6" />
                </pattern>
            </defs>
            <rect x={0} y={0} width={WIDTH} height={BASE} fill={theme.surround} />
            {bars.map((share, i) => (
                <rect
                    key={i}
                    x={i * width}
                    y={y(share)}
                    width={width}
                    height={BASE - y(share)}
                    fill={grey(((i + 0.5) * 100) / bars.length)}
                />
            ))}
            {reach &&
                [
                    [0, reach.dark],
                    [reach.light, 100],
                ].map(([from = 0, to = 0], i) => (
                    <rect
                        key={i}
                        x={x(from)}
                        y={0}
                        width={Math.max(0, x(to) - x(from))}
                        height={BASE}
                        fill="url(#beyond)"
                        opacity={0.55}
                    />
                ))}
            {[photo.dark, photo.light].map((L, i) => (
                <g key={i}>
                    <line x1={x(L)} x2={x(L)} y1={0} y2={BASE} stroke="#fff" strokeWidth={3} />
                    <line x1={x(L)} x2={x(L)} y1={0} y2={BASE} stroke="#111" strokeWidth={1.4} />
                </g>
            ))}
            {[0, 25, 50, 75, 100].map((L) => (
                <text
                    key={L}
                    x={Math.min(WIDTH - 12, Math.max(6, x(L)))}
                    y={HEIGHT - 6}
                    fontSize={13}
                    textAnchor="middle"
                    fill={theme.quiet}
                >
                    {L}
                </text>
            ))}
        </svg>
    );
}
