import { createContext, useContext } from 'react';
import type { Colour, Piece, Zone } from '../api/client';
import type { Spot } from '../api/queries';
import type { useSelection } from './useSelection';

/** What the right side speaks of: the selected zone, or a free sample. */
export interface Selected {
    colour: Colour;
    spread: number;
    spot: Spot;
    zone: Zone | null;
}

export interface DeskState {
    piece: Piece;
    selection: ReturnType<typeof useSelection>;
    selected: Selected | null;
    /** Draw lights the zone of the step at hand, whatever is selected. */
    light: (zoneId: string | null) => void;
}

export const DeskContext = createContext<DeskState | null>(null);

export function useDesk(): DeskState {
    const desk = useContext(DeskContext);
    if (!desk) throw new Error('A stage stands on the desk only.');

    return desk;
}
