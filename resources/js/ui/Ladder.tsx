import styled, { useTheme } from 'styled-components';
import { grey } from './theme';

const STEPS = 9;
/** The darkest rung, as in the engine's value scale. */
const DARKEST = 12;

const Figure = styled.svg`
    display: block;
    flex: none;
    overflow: visible;
`;

export interface LadderMark {
    position: number;
    label: string;
    open?: boolean;
}

interface Props {
    marks: LadderMark[];
    height?: number;
}

/** The nine-rung value ladder, lightest on top, with a pointer for each mark (an open one for the prediction). */
export function Ladder({ marks, height = 150 }: Props) {
    const theme = useTheme();
    const rung = height / STEPS;
    const rungs = Array.from({ length: STEPS }, (_, i) => STEPS - i);

    return (
        <Figure
            width={74}
            height={height}
            role="img"
            aria-label={marks.map((mark) => `${mark.label}: step ${mark.position.toFixed(1)} of 9`).join('; ')}
        >
            {rungs.map((step, i) => (
                <g key={step}>
                    <rect
                        x={14}
                        y={i * rung}
                        width={28}
                        height={rung}
                        fill={grey(DARKEST + ((100 - DARKEST) * (step - 1)) / (STEPS - 1))}
                    />
                    <text x={0} y={(i + 0.5) * rung} dy="0.36em" fontSize={13} fill={theme.quiet}>
                        {step}
                    </text>
                </g>
            ))}
            <rect x={14} y={0} width={28} height={height} fill="none" stroke={theme.quiet} strokeWidth={1} />
            {marks.map((mark) => {
                const y = (STEPS - mark.position + 0.5) * rung;

                return (
                    <path
                        key={mark.label}
                        d={`M${mark.open ? 56 : 44} ${y} l10 -6 v12 z`}
                        fill={mark.open ? theme.panel : theme.ink}
                        stroke={theme.ink}
                        strokeWidth={1.4}
                    />
                );
            })}
        </Figure>
    );
}
