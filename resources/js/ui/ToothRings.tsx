import styled, { useTheme } from 'styled-components';

const RINGS = 5;

const Wrap = styled.span`
    display: inline-flex;
    align-items: center;
    gap: 6px;
    font-size: 12px;
    white-space: nowrap;
`;

/** Growth rings: each closed ring is a fifth of the paper's tooth used up. Open rings are room for more layers. */
export function ToothRings({ left, size = 26 }: { left: number; size?: number }) {
    const theme = useTheme();
    const used = (1 - left) * RINGS;
    const step = size / 2 / (RINGS + 0.5);

    return (
        <Wrap role="img" aria-label={`${Math.round(left * 100)} percent of the tooth left`}>
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
            {Math.round(left * 100)} %
        </Wrap>
    );
}
