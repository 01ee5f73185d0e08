import { useRef, useState, type KeyboardEvent, type ReactNode } from 'react';
import styled from 'styled-components';
import { type } from './theme';

/** A place in a picture, shares of its width and height. */
export type Place = readonly [number, number];

/** Of an arrow key, as a share of the picture; with Shift a tenth of it. */
const STEP = 0.02;

const Frame = styled.div`
    position: relative;
    width: fit-content;
    max-width: 100%;
    cursor: crosshair;
    touch-action: manipulation;
    & > img {
        display: block;
        max-width: 100%;
        max-height: 62vh;
    }
    & > svg {
        position: absolute;
        inset: 0;
        width: 100%;
        height: 100%;
        overflow: visible;
        pointer-events: none;
    }
    &:focus-visible {
        outline: 3px solid ${({ theme }) => theme.ink};
        outline-offset: 2px;
    }
`;

const Mark = styled.span`
    position: absolute;
    display: grid;
    place-items: center;
    min-width: 22px;
    height: 22px;
    padding: 0 5px;
    translate: -50% -50%;
    border: 2px solid #fff;
    outline: 1.5px solid #111;
    background: #111;
    color: #fff;
    font-size: ${type.small};
    font-weight: 650;
    pointer-events: none;
`;

const Cross = styled(Mark)`
    min-width: 14px;
    height: 14px;
    padding: 0;
    background: transparent;
`;

interface Props {
    src: string;
    alt: string;
    /** What is pointed at next, as in "the white sheet". */
    asks: string | null;
    marks: { label: string; at: Place }[];
    onPoint: (place: Place) => void;
    /** Drawn over the picture, in a box of 0 to 1. */
    children?: ReactNode;
}

/** A picture in which one points at places: by a click, or by arrow keys and Enter. */
export function PointPicture({ src, alt, asks, marks, onPoint, children }: Props) {
    const frame = useRef<HTMLDivElement>(null);
    const [cross, setCross] = useState<Place | null>(null);
    const key = (event: KeyboardEvent) => {
        const by = event.shiftKey ? STEP / 10 : STEP;
        const moves: Record<string, Place> = {
            ArrowLeft: [-by, 0],
            ArrowRight: [by, 0],
            ArrowUp: [0, -by],
            ArrowDown: [0, by],
        };
        const move = moves[event.key];
        const [x, y] = cross ?? [0.5, 0.5];
        if (move) {
            event.preventDefault();
            const within = (value: number) => Math.min(1, Math.max(0, value));
            setCross(cross === null ? [x, y] : [within(x + move[0]), within(y + move[1])]);
        } else if (event.key === 'Enter' && asks !== null && cross !== null) {
            event.preventDefault();
            onPoint(cross);
        }
    };

    return (
        // The arrow keys and Enter do what the mouse does.

        <Frame
            ref={frame}
            role="application"

            tabIndex={0}
            aria-label={
                asks === null
                    ? alt
                    : `${alt}. Point at ${asks}: arrow keys move the cross, Enter sets it, Shift for small steps`
            }
            onKeyDown={key}
            onBlur={() => setCross(null)}
            onClick={(event) => {
                const box = frame.current?.getBoundingClientRect();
                if (!box || asks === null) return;
                setCross(null);
                onPoint([(event.clientX - box.left) / box.width, (event.clientY - box.top) / box.height]);
            }}
        >
            <img src={src} alt="" draggable={false} />
            {children}
            {marks.map(({ label, at: [x, y] }, index) => (
                <Mark key={index} style={{ left: `${100 * x}%`, top: `${100 * y}%` }} aria-hidden>
                    {label}
                </Mark>
            ))}
            {cross && asks !== null && (
                <Cross style={{ left: `${100 * cross[0]}%`, top: `${100 * cross[1]}%` }} aria-hidden />
            )}
        </Frame>
    );
}
