import { useEffect, useRef } from 'react';
import styled from 'styled-components';
import type { Review } from '../api/client';
import { useHatching } from './reviewQueries';

const Frame = styled.div`
    position: relative;
    /* What is judged stands on the same grey everywhere. */
    background: ${({ theme }) => theme.surround};
    padding: 12px;
    & > div {
        position: relative;
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
            <div>
                <img
                    src={review.straight}
                    width={review.width}
                    height={review.height}
                    alt="Your drawing, seen from straight above and in even light"
                />
                {hatches && <canvas ref={canvas} width={review.width} height={review.height} aria-hidden />}
            </div>
        </Frame>
    );
}
