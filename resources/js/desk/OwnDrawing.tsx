import { useEffect, useState } from 'react';
import { useLocation } from 'react-router';
import styled from 'styled-components';
import type { Piece } from '../api/client';
import { useReviews } from '../api/queries';
import { useView } from './address';

/** How long each of both is shown, ms: slow enough to see what jumps. */
const BEAT = 800;

const Over = styled.img`
    position: absolute;
    user-select: none;
    pointer-events: none;
`;

/** Now one, now the other. */
function useBeat(beats: boolean): boolean {
    const [on, set] = useState(false);
    useEffect(() => {
        if (!beats) return undefined;
        const clock = setInterval(() => set((was) => !was), BEAT);

        return () => clearInterval(clock);
    }, [beats]);

    return beats && on;
}

interface Props {
    piece: Piece;
    view: ReturnType<typeof useView>;
    /** What the photo is seen through. */
    filter: string | undefined;
}

/** In Compare: the drawing in the photo's place, set straight, in the same view; over all of it or from some place on. */
export function OwnDrawing({ piece, view, filter }: Props) {
    const compares = useLocation().pathname.endsWith('/compare');
    const isWanted = compares && (view.own || view.flicker || view.wipe !== null);
    const reviews = useReviews(piece.id, isWanted).data;
    const beat = useBeat(isWanted && view.flicker);
    const review = reviews?.find(({ photo }) => photo === view.check) ?? reviews?.[0];
    const from = view.flicker ? (beat ? 0 : 100) : view.own ? 0 : (view.wipe ?? 100);
    if (!isWanted || !review) return null;
    const crop = piece.format.crop ?? { x: 0, y: 0, width: 1, height: 1 };
    const greys = view.view === 'value' || view.view === 'steps';

    return (
        <Over
            src={greys ? review.values : review.straight}
            alt=""
            draggable={false}
            data-testid="own"
            style={{
                left: `${100 * crop.x}%`,
                top: `${100 * crop.y}%`,
                width: `${100 * crop.width}%`,
                height: `${100 * crop.height}%`,
                clipPath: `inset(0 0 0 ${from}%)`,
                filter,
            }}
        />
    );
}
