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
        if (sheet.current) paintVeil(sheet.current, parts, { targets, strokes, paper }, surround);
    }, [parts, targets, strokes, paper, surround]);

    return <Sheer ref={sheet} data-testid="veil" />;
}
