import { DEFAULT_RADIUS, LEAST_RADIUS, MOST_RADIUS } from './address';
import { useChosen, useHands } from './DeskContext';

/** Samples a larger or a smaller patch at the same place. */
export function useResize() {
    const { spot } = useChosen();
    const { selectSpot } = useHands();

    return (factor: number) => {
        const from = spot ?? { x: 0.5, y: 0.5, radius: DEFAULT_RADIUS };
        selectSpot({ ...from, radius: Math.min(MOST_RADIUS, Math.max(LEAST_RADIUS, from.radius * factor)) });
    };
}
