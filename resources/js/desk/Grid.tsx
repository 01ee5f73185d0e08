import styled from 'styled-components';
import type { Piece } from '../api/client';
import { WHOLE } from './zoom';
import { type } from '../ui/theme';

const MM_PER_INCH = 25.4;

/** About so many squares across, whatever the size of the drawing. */
const SQUARES = 8;

const STEPS = { mm: [5, 10, 20, 25, 50, 100, 200], in: [0.25, 0.5, 1, 2, 4, 8] } as const;

const Lines = styled.svg`
    position: absolute;
    inset: 0;
    width: 100%;
    height: 100%;
    pointer-events: none;
    & line {
        vector-effect: non-scaling-stroke;
    }
`;

const Label = styled.span`
    position: absolute;
    padding: 0 3px;
    background: #fff;
    color: #111;
    font-size: ${type.small};
    line-height: 16px;
    pointer-events: none;
`;

/** The side of a square, in the unit. */
export function squareOf(format: Piece['format']): number {
    const across = Math.max(format.widthMm, format.heightMm) / (format.unit === 'in' ? MM_PER_INCH : 1);
    const steps = STEPS[format.unit];

    return steps.find((step) => across / step <= SQUARES + 2) ?? steps[steps.length - 1] ?? 1;
}

/** Squares over what is drawn, with their measures on the paper: figures that read the right way, however the picture is turned. */
export function Grid({ format, turned }: { format: Piece['format']; turned: string | undefined }) {
    const crop = format.crop ?? WHOLE;
    const square = squareOf(format);
    const mm = square * (format.unit === 'in' ? MM_PER_INCH : 1);
    const along = (length: number) => Array.from({ length: Math.floor(length / mm + 1e-6) + 1 }, (_, i) => i);
    const columns = along(format.widthMm).map((i) => ({ i, at: crop.x + (crop.width * i * mm) / format.widthMm }));
    const rows = along(format.heightMm).map((i) => ({ i, at: crop.y + (crop.height * i * mm) / format.heightMm }));
    const text = (i: number) => String(Math.round(i * square * 100) / 100);

    return (
        <div data-testid="grid" aria-hidden>
            <Lines viewBox="0 0 1 1" preserveAspectRatio="none">
                {(['#111', '#fff'] as const).flatMap((stroke) =>
                    [
                        ...columns.map(({ i, at }) => ({
                            key: `c${i}${stroke}`,
                            x1: at,
                            x2: at,
                            y1: crop.y,
                            y2: crop.y + crop.height,
                        })),
                        ...rows.map(({ i, at }) => ({
                            key: `r${i}${stroke}`,
                            y1: at,
                            y2: at,
                            x1: crop.x,
                            x2: crop.x + crop.width,
                        })),
                    ].map(({ key, ...line }) => (
                        <line key={key} {...line} stroke={stroke} strokeWidth={stroke === '#111' ? 2 : 0.8} />
                    )),
                )}
            </Lines>
            {columns.slice(1).map(({ i, at }) => (
                <Label key={i} style={{ transform: turned, left: `${100 * at}%`, top: `${100 * crop.y}%` }}>
                    {text(i)}
                </Label>
            ))}
            {rows.slice(1).map(({ i, at }) => (
                <Label key={i} style={{ transform: turned, left: `${100 * crop.x}%`, top: `${100 * at}%` }}>
                    {text(i)}
                </Label>
            ))}
        </div>
    );
}

/** The middle of what is drawn, across and down, and from corner to corner. */
export function CentreLines({ format }: { format: Piece['format'] }) {
    const { x, y, width, height } = format.crop ?? WHOLE;
    const lines = [
        { x1: x + width / 2, x2: x + width / 2, y1: y, y2: y + height },
        { x1: x, x2: x + width, y1: y + height / 2, y2: y + height / 2 },
        { x1: x, x2: x + width, y1: y, y2: y + height },
        { x1: x, x2: x + width, y1: y + height, y2: y },
    ];

    return (
        <Lines viewBox="0 0 1 1" preserveAspectRatio="none" data-testid="centre-lines" aria-hidden>
            {lines.flatMap((line, index) =>
                (['#111', '#fff'] as const).map((stroke) => (
                    <line
                        key={`${index} ${stroke}`}
                        {...line}
                        stroke={stroke}
                        strokeWidth={stroke === '#111' ? 2.4 : 1}
                        strokeDasharray={index > 1 ? '7 5' : undefined}
                    />
                )),
            )}
        </Lines>
    );
}
