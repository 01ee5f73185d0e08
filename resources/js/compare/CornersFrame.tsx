import { useRef, useState } from 'react';
import { useMove } from 'react-aria';
import styled from 'styled-components';
import { StrongButton } from '../ui/Button';
import { space, target } from '../ui/theme';
import type { Corner } from './reviewQueries';

const Frame = styled.div`
    position: relative;
    touch-action: none;
    & > img {
        display: block;
        width: 100%;
        height: auto;
    }
    & > svg {
        position: absolute;
        inset: 0;
        width: 100%;
        height: 100%;
        pointer-events: none;
    }
`;

const Handle = styled.button`
    position: absolute;
    width: ${target.touch};
    height: ${target.touch};
    translate: -50% -50%;
    padding: 0;
    border: 3px solid #fff;
    border-radius: 50%;
    background: rgb(0 0 0 / 25%);
    outline: 2px solid #111;
    cursor: move;
    &:focus-visible {
        outline-width: 4px;
    }
`;

const Box = styled.div`
    display: grid;
    gap: ${space.s};
    justify-items: start;
`;

const NAMES = ['Upper left', 'Upper right', 'Lower right', 'Lower left'];

interface HandleProps {
    name: string;
    at: Corner;
    /** The photo as it is shown, pixels. */
    size: () => { width: number; height: number };
    onMove: (to: Corner) => void;
}

const within = (share: number) => Math.max(0, Math.min(1, share));

function CornerHandle({ name, at, size, onMove }: HandleProps) {
    const { moveProps } = useMove({
        onMove: ({ deltaX, deltaY, shiftKey, pointerType }) => {
            const { width, height } = size();
            const by = pointerType === 'keyboard' && shiftKey ? 10 : 1;
            onMove([within(at[0] + (by * deltaX) / width), within(at[1] + (by * deltaY) / height)]);
        },
    });

    return (
        <Handle
            type="button"
            {...moveProps}
            aria-label={`${name} corner of the drawing: arrow keys move it`}
            style={{ left: `${100 * at[0]}%`, top: `${100 * at[1]}%` }}
        />
    );
}

interface Props {
    photo: string;
    corners: Corner[];
    isDisabled: boolean;
    onSet: (corners: Corner[]) => void;
}

/** The photo as it was taken, with the corners of the drawing to be put right. */
export function CornersFrame({ photo, corners, isDisabled, onSet }: Props) {
    const [at, setAt] = useState(corners);
    const image = useRef<HTMLImageElement>(null);
    const size = () => image.current?.getBoundingClientRect() ?? { width: 1, height: 1 };

    return (
        <Box>
            <p>Put each corner on a corner of the drawing, not of the sheet.</p>
            <Frame>
                <img ref={image} src={photo} alt="As it was taken" draggable={false} />
                <svg viewBox="0 0 1 1" preserveAspectRatio="none" aria-hidden>
                    <polygon
                        points={at.map(([x, y]) => `${x},${y}`).join(' ')}
                        fill="none"
                        stroke="#fff"
                        strokeWidth={2}
                        vectorEffect="non-scaling-stroke"
                    />
                </svg>
                {at.map((corner, index) => (
                    <CornerHandle
                        key={NAMES[index]}
                        name={NAMES[index] ?? ''}
                        at={corner}
                        size={size}
                        onMove={(to) => setAt((now) => now.map((one, i) => (i === index ? to : one)))}
                    />
                ))}
            </Frame>
            <StrongButton isDisabled={isDisabled} onPress={() => onSet(at)}>
                Compare by these corners
            </StrongButton>
        </Box>
    );
}
