import styled from 'styled-components';

const WORDS: [number, string][] = [
    [20, 'whisper'],
    [35, 'light'],
    [50, 'easy'],
    [65, 'medium'],
    [80, 'firm'],
    [95, 'burnish'],
];
const BURNISH = 85;

/** The studio's word for a pressure; the same as the engine's. */
export function pressureWord(percent: number): string {
    if (percent >= BURNISH) return 'burnish';

    return WORDS.reduce((best, word) => (Math.abs(word[0] - percent) < Math.abs(best[0] - percent) ? word : best))[1];
}

export const pressureText = (percent: number, passes: number) =>
    `${percent} % ${pressureWord(percent)}${passes > 1 ? `, ${passes} coats` : ''}`;

const Bar = styled.span`
    display: block;
    height: 4px;
    background: ${({ theme }) => theme.line};
    & > span {
        display: block;
        height: 100%;
        background: ${({ theme }) => theme.ink};
    }
`;

/** Pressure as a bar: longer is harder. */
export function PressureBar({ percent }: { percent: number }) {
    return (
        <Bar aria-hidden>
            <span style={{ width: `${percent}%` }} />
        </Bar>
    );
}
