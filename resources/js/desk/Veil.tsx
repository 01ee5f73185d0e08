import { useEffect, useRef } from 'react';
import styled, { useTheme } from 'styled-components';
import type { Parts } from './parts';
import { paintVeil, type Stroking } from './strokes';

const Sheer = styled.canvas`
    position: absolute;
    inset: 0;
    width: 100%;
    height: 100%;
    pointer-events: none;
`;

interface Props {
    parts: Parts;
    targets: readonly string[];
    strokes: readonly Stroking[];
    paper: readonly string[];
}

/** Over all of the picture but where the pencil goes; there, how the point travels. */
export function Veil({ parts, targets, strokes, paper }: Props) {
    const sheet = useRef<HTMLCanvasElement>(null);
    const { surround } = useTheme();
    useEffect(() => {
        let timer = 0;
        // Number and pressure are read first: they stand on the screen before the picture is painted.
        const frame = requestAnimationFrame(() => {
            timer = window.setTimeout(() => {
                if (sheet.current) paintVeil(sheet.current, parts, { targets, strokes, paper }, surround);
            });
        });

        return () => {
            cancelAnimationFrame(frame);
            clearTimeout(timer);
        };
    }, [parts, targets, strokes, paper, surround]);

    return <Sheer ref={sheet} data-testid="veil" />;
}
