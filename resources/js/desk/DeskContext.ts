import { createContext, useContext } from 'react';
import type { Colour, Crop, Piece, Target, Zone } from '../api/client';
import type { Spot } from '../api/queries';
import type { useSelection } from './useSelection';

/** What the right side speaks of: one colour of the selected zone, or a free sample. */
export interface Selected {
    colour: Colour;
    spread: number;
    spot: Spot;
    zone: Zone | null;
    target: Target | null;
}

/** What a pointer on the picture does, other than choosing: it is put down again when it has done it once. */
export type Tool =
    | { kind: 'lasso'; title: string; done: (line: [number, number][]) => void }
    | { kind: 'spot'; title: string; done: (spot: Spot) => void }
    | { kind: 'zone'; title: string; done: (zone: Zone) => void }
    | { kind: 'crop'; title: string; ratio: number | null; crop: Crop; change: (crop: Crop) => void };

export interface DeskState {
    piece: Piece;
    selection: ReturnType<typeof useSelection>;
    selected: Selected | null;
    /** Draw lights the zone of the step at hand, and which of its colours, whatever is selected. */
    light: (lit: { zone: string; target: string } | null) => void;
    tool: Tool | null;
    take: (tool: Tool | null) => void;
    /** Borders that a change would make; they stand in the picture instead of those that there are. */
    preview: (borders: string | null) => void;
}

export const DeskContext = createContext<DeskState | null>(null);

export function useDesk(): DeskState {
    const desk = useContext(DeskContext);
    if (!desk) throw new Error('A stage stands on the desk only.');

    return desk;
}

/** The colour of a zone that stands for it: its middle, or the first it has. */
export const mainTarget = (zone: Zone): Target | null =>
    zone.targets.find((target) => target.role === 'middle') ?? zone.targets[0] ?? null;
