import styled from 'styled-components';
import { useLines, type Ends } from './address';

const Lines = styled.svg`
    position: absolute;
    inset: 0;
    width: 100%;
    height: 100%;
    overflow: visible;
    pointer-events: none;
    & line {
        vector-effect: non-scaling-stroke;
    }
`;

const End = styled.span`
    position: absolute;
    width: 9px;
    height: 9px;
    translate: -50% -50%;
    border: 2px solid #fff;
    border-radius: 50%;
    outline: 1.5px solid #111;
    pointer-events: none;
`;

function Between({ ends: [x1, y1, x2, y2], dashed }: { ends: Ends; dashed?: boolean }) {
    return (['#111', '#fff'] as const).map((stroke) => (
        <line
            key={stroke}
            {...{ x1, y1, x2, y2 }}
            stroke={stroke}
            strokeWidth={stroke === '#111' ? 4 : 1.6}
            strokeDasharray={dashed && stroke === '#fff' ? '8 5' : undefined}
        />
    ));
}

/** Lines laid over the picture: that of the photo whole, that of the drawing dashed, and a plumb line from top to bottom. */
export function MeasuredLines() {
    const { line, mine, plumb } = useLines();
    if (!line && !mine && plumb === null) return null;

    return (
        <div data-testid="measured" aria-hidden>
            <Lines viewBox="0 0 1 1" preserveAspectRatio="none">
                {plumb !== null && <Between ends={[plumb, 0, plumb, 1]} />}
                {line && <Between ends={line} />}
                {mine && <Between ends={mine} dashed />}
            </Lines>
            {[line, mine]
                .flatMap((ends) => (ends ? [ends.slice(0, 2), ends.slice(2)] : []))
                .map(([x = 0, y = 0], i) => (
                    <End key={i} style={{ left: `${100 * x}%`, top: `${100 * y}%` }} />
                ))}
        </div>
    );
}
