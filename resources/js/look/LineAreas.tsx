import { useState } from 'react';
import { type Piece } from '../api/client';
import { useChangePiece } from '../api/kept';
import { useDeskPiece } from '../desk/DeskContext';
import { Dial } from '../ui/Dial';
import { counted } from '../ui/words';
import { tell } from './words';

/** Millimetres. */
const WIDEST = 5;

/** What was found in a line drawing, and how much paper stays beside its lines. */
export function LineAreas({ lines }: { lines: NonNullable<Piece['lines']> }) {
    const piece = useDeskPiece();
    const change = useChangePiece(piece.id);
    const [moving, setMoving] = useState<number | null>(null);
    const areas = piece.zones.filter(({ outline }) => outline !== null);
    const paper = areas.filter(({ colouring }) => colouring?.colours === null).length;

    return (
        <>
            <p data-testid="areas">
                {counted(areas.length, 'area')}, {paper === 0 ? 'all coloured' : `${paper} still paper`}.
                {lines.gaps > 0 && ` ${counted(lines.gaps, 'gap')} in the lines bridged.`}
                {lines.more > 0 && ` ${counted(lines.more, 'small area')} left as paper: a piece takes no more.`}
            </p>
            <Dial
                label="Paper beside the lines"
                value={moving ?? lines.marginMm}
                from={0}
                to={WIDEST}
                step={0.25}
                say={(mm) => `${mm} mm`}
                onChange={setMoving}
                onEnd={(marginMm) => change.mutate({ marginMm }, { ...tell, onSettled: () => setMoving(null) })}
            />
        </>
    );
}
