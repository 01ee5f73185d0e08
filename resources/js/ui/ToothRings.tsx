import styled, { useTheme } from 'styled-components';
import { type } from './theme';

const RINGS = 5;

const Wrap = styled.span`
    display: inline-flex;
    align-items: center;
    gap: 6px;
    font-size: ${type.small};
    white-space: nowrap;
`;

/** Smaller than this, rings are not told apart: a bar of boxes is. */
const LEAST_RINGS = 60;

const BOX = 9;

function Rings({ used, size }: { used: number; size: number }) {
    const theme = useTheme();
    const step = size / 2 / (RINGS + 0.5);

    return (
        <svg width={size} height={size} aria-hidden>
            {Array.from({ length: RINGS }, (_, ring) => {
                const share = Math.max(0, Math.min(1, used - ring));
                const r = (ring + 1) * step;
                const around = 2 * Math.PI * r;

                return (
                    <g key={ring} fill="none" transform={`rotate(-90 ${size / 2} ${size / 2})`}>
                        <circle cx={size / 2} cy={size / 2} r={r} stroke={theme.line} strokeWidth={1} />
                        <circle
                            cx={size / 2}
                            cy={size / 2}
                            r={r}
                            stroke={theme.ink}
                            strokeWidth={step * 0.72}
                            strokeDasharray={`${around * share} ${around}`}
                        />
                    </g>
                );
            })}
        </svg>
    );
}

function Boxes({ used }: { used: number }) {
    const theme = useTheme();

    return (
        <svg width={RINGS * (BOX + 2)} height={BOX + 3} aria-hidden>
            {Array.from({ length: RINGS }, (_, box) => (
                <g key={box} transform={`translate(${box * (BOX + 2) + 0.5} 1.5)`}>
                    <rect width={BOX * Math.max(0, Math.min(1, used - box))} height={BOX} fill={theme.ink} />
                    <rect width={BOX} height={BOX} fill="none" stroke={theme.quiet} />
                </g>
            ))}
        </svg>
    );
}

/** How much of the paper's tooth is used up, a fifth each: growth rings where there is room, else a bar of five boxes. */
export function ToothRings({ left, size = 26 }: { left: number; size?: number }) {
    const used = (1 - left) * RINGS;

    return (
        <Wrap role="img" aria-label={`${Math.round(left * 100)} percent of the tooth left`}>
            {size < LEAST_RINGS ? <Boxes used={used} /> : <Rings used={used} size={size} />}
            {Math.round(left * 100)} % tooth left
        </Wrap>
    );
}
