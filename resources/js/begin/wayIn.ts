import { useBox, usePieces, useSession, usePaperName } from '../api/queries';
import { useCalibrations } from '../swatches/swatchQueries';
import { counted } from '../ui/words';

export type StepId = 'pencils' | 'paper' | 'photo';

export const STEPS: { id: StepId; asks: string }[] = [
    { id: 'pencils', asks: 'Which pencils do you have?' },
    { id: 'paper', asks: 'Which paper do you draw on?' },
    { id: 'photo', asks: 'What will you draw?' },
];

/** Minutes that a pencil takes on a swatch card: three fields, the last in two coats. */
const CARD_MINUTES = 1;
/** Of printing and photographing it. */
const AROUND_MINUTES = 5;

/** What comes next, and what it would bring. */
export interface Next {
    what: string;
    brings: string;
    to: { step: StepId } | { address: string } | { card: string[] };
}

interface Known {
    pencils: number;
    /** RANGE:NUMBER of those without a colour. */
    colourless: string[];
    /** Swatches that predictions rest on. */
    swatches: number;
    paper: string | null;
    pieces: number;
}

/** How long a swatch card of so many pencils takes, minutes. */
export const cardMinutes = (pencils: number) => 5 * Math.ceil((AROUND_MINUTES + CARD_MINUTES * pencils) / 5);

export function nextOf({ pencils, colourless, swatches, pieces }: Known): Next {
    if (pencils === 0)
        return {
            what: 'Say which pencils you have',
            brings: 'Recipes are made of your own pencils: without them there are none.',
            to: { step: 'pencils' },
        };
    if (colourless.length > 0)
        return {
            what: `A swatch card of ${counted(colourless.length, 'pencil')}`,
            brings: `Print it, fill it, photograph it, about ${cardMinutes(colourless.length)} minutes: then they have colours, and recipes can use them.`,
            to: { card: colourless },
        };
    if (pieces === 0)
        return {
            what: 'Choose a photo',
            brings: 'A click on it gives the first recipes.',
            to: { step: 'photo' },
        };
    if (swatches === 0)
        return {
            what: 'A chart of your hand',
            brings: 'Recipes rest on how the pencils look by themselves. A chart brings how they look from your hand, on your paper.',
            to: { address: '/swatches/charts' },
        };

    return { what: 'Your pieces', brings: 'Everything is there.', to: { address: '/pieces' } };
}

/** How each of the three stands. */
export function saidOf(step: StepId, { pencils, colourless, swatches, paper, pieces }: Known): string | null {
    if (step === 'paper') return paper;
    if (step === 'photo') return pieces === 0 ? null : counted(pieces, 'piece');
    if (pencils === 0) return null;
    const colours =
        colourless.length === pencils
            ? 'no colours yet'
            : colourless.length > 0
              ? `${colourless.length} without a colour`
              : swatches > 0
                ? `calibrated on ${counted(swatches, 'swatch', 'swatches')}`
                : 'colours as they are by themselves';

    return `${counted(pencils, 'pencil')}, ${colours}`;
}

/** What is known of the way into the studio; null while it is fetched. */
export function useRoad(): Known | null {
    const session = useSession();
    const box = useBox();
    const pieces = usePieces();
    const calibrations = useCalibrations();
    const paperName = usePaperName();
    if (!session.data?.user || !box.data || !pieces.data || !calibrations.data) return null;
    const { paper } = session.data.user;

    return {
        pencils: box.data.length,
        colourless: box.data.filter(({ hex }) => hex === null).map(({ id }) => id),
        swatches: calibrations.data.calibrations.find(({ id }) => id === calibrations.data.inForce)?.swatches ?? 0,
        paper: paper === null ? null : paperName(paper),
        pieces: pieces.data.length,
    };
}
