import { useState } from 'react';
import styled from 'styled-components';
import type { Turn } from '../api/client';
import { useSession } from '../api/queries';
import { useDeskPiece } from '../desk/DeskContext';
import { useParts } from '../desk/parts';
import { directionOf, naturalTurn } from '../desk/strokes';
import { Toggle } from '../ui/Toggle';
import { type } from '../ui/theme';

type Place = Turn['places'][number];

const Large = styled(Toggle)`
    justify-self: start;
    && {
        min-height: 48px;
        font-size: ${type.body};
    }
`;

/** Less is not worth turning the sheet for, degrees; and told in steps of so many. */
const LEAST = 20;
const STEP = 5;

/** By how much the sheet is to be turned so that the strokes of a place come from the wrist, degrees; null: as it lies. */
export function useTurnedSheet(place: Place | undefined) {
    const piece = useDeskPiece();
    const parts = useParts(piece.id, place !== undefined);
    const isLeftHand = useSession().data?.user?.hand === 'left';
    const [turned, setTurned] = useState<string | null>(null);
    const direction = parts && place ? directionOf(parts, place) : null;
    const by = direction === null ? 0 : STEP * Math.round(naturalTurn(direction, isLeftHand) / STEP);
    const naturally = Math.abs(by) < LEAST ? null : by;
    const key = place?.keys[0] ?? null;
    const isTurned = naturally !== null && turned !== null && turned === key;

    return {
        naturally,
        turnedBy: isTurned ? naturally : 0,
        setTurned: (on: boolean) => setTurned(on ? key : null),
    };
}

/** Turns the picture as the sheet is turned on the table. */
export function TurnSheet({
    by,
    isTurned,
    onChange,
}: {
    by: number;
    isTurned: boolean;
    onChange: (on: boolean) => void;
}) {
    return (
        <Large isSelected={isTurned} onChange={onChange}>
            Turn the sheet {Math.abs(by)}° to the {by > 0 ? 'right' : 'left'}
        </Large>
    );
}
