import type { Turn } from '../api/client';
import type { Stroking } from '../desk/strokes';

type Place = Turn['places'][number];

/** Where the pencil goes, and how it travels there. */
export const litBy = (places: Place[]) => ({
    zones: [...new Set(places.map(({ zone }) => zone))],
    targets: places.flatMap(({ targets }) => targets),
    strokes: places.map(({ targets, stroke, direction }): Stroking => ({ targets, stroke, direction })),
});

/** What stays paper in the zones that the pencil goes to. */
export function paperBy(places: Place[], turns: Turn[]): string[] {
    const zones = new Set(places.map(({ zone }) => zone));
    const goesTo = new Set(places.flatMap(({ targets }) => targets));

    return turns
        .filter(({ role, step }) => step === null && (role === 'reserve' || role === 'sparkle'))
        .flatMap((turn) => turn.places)
        .filter(({ zone }) => zones.has(zone))
        .flatMap(({ targets }) => targets)
        .filter((target) => !goesTo.has(target));
}
