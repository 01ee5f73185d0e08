import { useEffect, useRef } from 'react';
import styled from 'styled-components';
import type { Review } from '../api/client';
import { useSquint, useView } from '../desk/address';
import { useChosen, useDeskPiece } from '../desk/DeskContext';
import { useHatching } from './reviewQueries';

const Frame = styled.div`
    position: relative;
    /* What is judged stands on the same grey everywhere. */
    background: ${({ theme }) => theme.surround};
    padding: 12px;
    & > div {
        position: relative;
        overflow: hidden;
        container-type: inline-size;
    }
    & i {
        position: absolute;
        width: 14px;
        height: 14px;
        margin: -7px;
        border: 2px solid #fff;
        border-radius: 50%;
        outline: 2px solid #000;
    }
    & img,
    & canvas {
        display: block;
        width: 100%;
        height: auto;
    }
    & canvas {
        position: absolute;
        inset: 0;
    }
`;

/** The drawing, set straight and in even light; over it, if wanted, hatching where its values are off. */
export function ReviewedPicture({ review, hatches }: { review: Review; hatches: boolean }) {
    const hatching = useHatching(review);
    const { mirror, turn } = useView();
    const [squint] = useSquint();
    const { spot } = useChosen();
    const crop = useDeskPiece().format.crop ?? { x: 0, y: 0, width: 1, height: 1 };
    const canvas = useRef<HTMLCanvasElement>(null);
    useEffect(() => {
        const context = canvas.current?.getContext('2d');
        if (!context || !hatching) return;
        const picture = context.createImageData(review.width, review.height);
        picture.data.set(hatching);
        context.putImageData(picture, 0, 0);
    }, [hatching, hatches, review]);

    return (
        <Frame>
            <div
                style={{
                    transform: mirror || turn ? `scale(${mirror !== turn ? -1 : 1}, ${turn ? -1 : 1})` : undefined,
                }}
            >
                <img
                    src={review.straight}
                    width={review.width}
                    height={review.height}
                    alt="Your drawing, seen from straight above and in even light"
                    style={squint > 0 ? { filter: `blur(calc(${squint / 1000} * 100cqw))` } : undefined}
                />
                {hatches && <canvas ref={canvas} width={review.width} height={review.height} aria-hidden />}
                {spot && (
                    <i
                        style={{
                            left: `${(100 * (spot.x - crop.x)) / crop.width}%`,
                            top: `${(100 * (spot.y - crop.y)) / crop.height}%`,
                        }}
                    />
                )}
            </div>
        </Frame>
    );
}
