import styled from 'styled-components';
import type { Reference } from '../api/client';

const Frame = styled.button<{ $asks: boolean }>`
    position: relative;
    display: block;
    align-self: start;
    width: 100%;
    padding: 0;
    border: 0;
    background: none;
    outline: ${({ theme, $asks }) => ($asks ? `3px dashed ${theme.ink}` : 'none')};
    cursor: ${({ $asks }) => ($asks ? 'crosshair' : 'default')};
    & > img {
        display: block;
        width: 100%;
        height: auto;
    }
    & > i {
        position: absolute;
        width: 9px;
        height: 9px;
        translate: -50% -50%;
        border: 2px solid #fff;
        border-radius: 50%;
        outline: 1.5px solid #111;
    }
`;

interface Props {
    reference: Reference;
    /** It waits for a click. */
    asks: boolean;
    onSpot: (x: number, y: number) => void;
}

/** A reference in small, with the spots by which it is aligned. */
export function ReferencePicture({ reference, asks, onSpot }: Props) {
    return (
        <Frame
            type="button"
            $asks={asks}
            disabled={!asks}
            aria-label={asks ? `Click the same spot in ${reference.name}` : reference.name}
            onClick={(event) => {
                const box = event.currentTarget.getBoundingClientRect();
                onSpot((event.clientX - box.left) / box.width, (event.clientY - box.top) / box.height);
            }}
        >
            <img src={reference.url} width={reference.width} height={reference.height} alt="" />
            {reference.pairs.map(([, , u = 0, v = 0], i) => (
                <i key={i} style={{ left: `${100 * u}%`, top: `${100 * v}%` }} />
            ))}
        </Frame>
    );
}
