import styled from 'styled-components';
import type { Skill } from '../api/client';

const WIDTH = 220;
const HEIGHT = 44;
const PAD = 5;
const LEVELS = 5;

const Plot = styled.svg`
    display: block;
    width: 220px;
    height: 44px;
    & path {
        fill: none;
        stroke: ${({ theme }) => theme.ink};
        stroke-width: 2;
    }
    & circle {
        fill: ${({ theme }) => theme.panel};
        stroke: ${({ theme }) => theme.ink};
        stroke-width: 1.5;
    }
    & circle[data-good] {
        fill: ${({ theme }) => theme.ink};
    }
    & line {
        stroke: ${({ theme }) => theme.line};
    }
`;

/** How a skill came along: the level of each round, filled where it was a good one. */
export function Curve({ name, rounds }: { name: string; rounds: Skill['rounds'] }) {
    if (rounds.length === 0) return null;
    const x = (at: number) => PAD + (at / Math.max(1, rounds.length - 1)) * (WIDTH - 2 * PAD);
    const y = (level: number) => HEIGHT - PAD - ((level - 1) / (LEVELS - 1)) * (HEIGHT - 2 * PAD);
    const last = rounds.at(-1);

    return (
        <Plot
            viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
            role="img"
            aria-label={`${name}: ${rounds.length} rounds, levels ${rounds.map(({ level }) => level).join(', ')}; the last ${last?.right ?? 0} of ${last?.of ?? 0} right`}
        >
            <line x1={0} x2={WIDTH} y1={y(1)} y2={y(1)} />
            <line x1={0} x2={WIDTH} y1={y(LEVELS)} y2={y(LEVELS)} />
            <path d={rounds.map(({ level }, at) => `${at === 0 ? 'M' : 'L'}${x(at)} ${y(level)}`).join('')} />
            {rounds.map(({ level, right, of, at }, index) => (
                <circle key={at} cx={x(index)} cy={y(level)} r={3} data-good={right * 5 >= 4 * of || undefined} />
            ))}
        </Plot>
    );
}
