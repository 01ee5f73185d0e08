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

/** Share of the photo's width that the loupe takes, and how many times it enlarges. */
const LOUPE = 0.26;
const ENLARGES = 4;

const Loupe = styled.div`
    position: absolute;
    width: ${100 * LOUPE}%;
    aspect-ratio: 1;
    border: 3px solid #fff;
    outline: 2px solid #111;
    background-repeat: no-repeat;
    pointer-events: none;
    /* The very spot. */
    &::before,
    &::after {
        content: '';
        position: absolute;
        background: #fff;
        outline: 1px solid #111;
    }
    &::before {
        inset: 50% 35% auto;
        height: 1px;
    }
    &::after {
        inset: 35% auto 35% 50%;
        width: 1px;
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
    onHold: (held: boolean) => void;
}

const within = (share: number) => Math.max(0, Math.min(1, share));

function CornerHandle({ name, at, size, onMove, onHold }: HandleProps) {
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
            onFocus={() => onHold(true)}
            onBlur={() => onHold(false)}
            aria-label={`${name} corner of the drawing: arrow keys move it`}
            style={{ left: `${100 * at[0]}%`, top: `${100 * at[1]}%` }}
        />
    );
}

/** Where in percent a background must lie that is so many times as large as its box, for a share of it to be in the middle. */
const middle = (share: number, times: number) => (100 * (share * times - 0.5)) / (times - 1);

interface Photo {
    url: string;
    width: number;
    height: number;
}

interface Props {
    photo: Photo;
    corners: Corner[];
    isDisabled: boolean;
    onSet: (corners: Corner[]) => void;
}

/** The photo as it was taken, with the corners of the drawing to be put right. */
export function CornersFrame({ photo, corners, isDisabled, onSet }: Props) {
    const [at, setAt] = useState(corners);
    const [held, setHeld] = useState<number | null>(null);
    const spot = held === null ? undefined : at[held];
    const times = { across: ENLARGES / LOUPE, down: (ENLARGES / LOUPE) * (photo.height / photo.width) };
    const image = useRef<HTMLImageElement>(null);
    const size = () => image.current?.getBoundingClientRect() ?? { width: 1, height: 1 };

    return (
        <Box>
            <p>Put each corner on a corner of the drawing, not of the sheet.</p>
            <Frame>
                <img ref={image} src={photo.url} alt="As it was taken" draggable={false} />
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
                        onHold={(holds) => setHeld((now) => (holds ? index : now === index ? null : now))}
                        onMove={(to) => setAt((now) => now.map((one, i) => (i === index ? to : one)))}
                    />
                ))}
                {spot && (
                    <Loupe
                        data-testid="loupe"
                        style={{
                            // On the other side, so that no hand lies over it.
                            [spot[0] < 0.5 ? 'right' : 'left']: 0,
                            top: 0,
                            backgroundImage: `url(${photo.url})`,
                            backgroundSize: `${100 * times.across}% ${100 * times.down}%`,
                            backgroundPosition: `${middle(spot[0], times.across)}% ${middle(spot[1], times.down)}%`,
                        }}
                    />
                )}
            </Frame>
            <StrongButton isDisabled={isDisabled} onPress={() => onSet(at)}>
                Compare by these corners
            </StrongButton>
        </Box>
    );
}
