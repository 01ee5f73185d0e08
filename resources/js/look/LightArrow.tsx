import { useTheme } from 'styled-components';

/** A ball lit from where the light comes from, and the arrow of the light. */
export function LightArrow({ degrees }: { degrees: number }) {
    const theme = useTheme();
    const x = Math.cos((degrees * Math.PI) / 180);
    const y = -Math.sin((degrees * Math.PI) / 180);

    return (
        <svg viewBox="-46 -46 92 92" role="img" aria-label={`Light from ${Math.round(degrees)} degrees`}>
            <defs>
                <radialGradient id="ball" cx={0.5 + 0.3 * x} cy={0.5 + 0.3 * y} r={0.75}>
                    <stop offset="0" stopColor="#fff" />
                    <stop offset="0.55" stopColor="#8a8a8a" />
                    <stop offset="1" stopColor="#222" />
                </radialGradient>
                <marker id="tip" viewBox="0 0 8 8" refX={6} refY={4} markerWidth={7} markerHeight={7} orient="auto">
                    <path d="M0 0L8 4L0 8Z" fill={theme.ink} />
                </marker>
            </defs>
            <circle r={22} fill="url(#ball)" />
            <line
                x1={44 * x}
                y1={44 * y}
                x2={27 * x}
                y2={27 * y}
                stroke={theme.ink}
                strokeWidth={2.4}
                markerEnd="url(#tip)"
            />
        </svg>
    );
}
