import { createContext, useContext, type RefObject } from 'react';
import type { Colour, Crop, Piece, Target, Zone } from '../api/client';
import type { Spot } from '../api/queries';
import type { Address } from './address';
import type { Stroking } from './strokes';

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

export interface Chosen {
    selected: Selected | null;
    /** Where that is; of a free sample before its colour is read. */
    spot: Spot | null;
    /** Why a sampled spot has no colour. */
    problem: string | null;
    pinned: Spot | null;
    /** Whether a stack lies open in the editor; which one it is by now, {@link useEdited}. */
    isEditing: boolean;
    /** A colour to match that was typed. */
    typed: string | null;
}

type Chooses = Address['chooses'];

/** What a stage can do to the desk. None of it ever changes, so that who only acts is never drawn anew. */
export interface Hands extends Chooses {
    take: (tool: Tool | null) => void;
    /** Borders that a change would make; they stand in the picture instead of those that there are. */
    preview: (borders: string | null) => void;
    /** Draw lights where the turn at hand goes to, whatever is selected. */
    light: (lit: Lit | null) => void;
}

export interface Lit {
    zones: string[];
    /** Colours of these zones that it goes to. */
    targets: string[];
    strokes: Stroking[];
    /** Colours beside them that stay paper. */
    paper: string[];
    /** The sheet turned by so many degrees, clockwise, so that the strokes come easily. */
    turnedBy: number;
}

/** What the picture shows besides what is selected. */
export interface Overlay {
    borders: string | null;
    lit: Lit | null;
}

/** Of the piece, what no stroke of work on its zones changes. */
export type About = Omit<Piece, 'zones'> & {
    hasZones: boolean;
    /** Whether some zone has an outline. */
    hasAreas: boolean;
};

/** Parted, so that what changes draws only what speaks of it. */
export const PieceContext = createContext<Piece | null>(null);
export const AboutContext = createContext<About | null>(null);
export const ChosenContext = createContext<Chosen | null>(null);
export const EditedContext = createContext<RefObject<string | null> | null>(null);
export const HandsContext = createContext<Hands | null>(null);
export const ToolContext = createContext<Tool | null>(null);
export const OverlayContext = createContext<Overlay | null>(null);

function given<T>(value: T | null): T {
    if (value === null) throw new Error('A stage stands on the desk only.');

    return value;
}

/** The piece that lies on the desk. */
export const useDeskPiece = (): Piece => given(useContext(PieceContext));

/** The piece without its zones: a recipe that is kept draws nobody anew who asks for no more. */
export const useDeskAbout = (): About => given(useContext(AboutContext));

/** What is chosen. Beside the picture it follows when there is time: the picture answers first. */
export const useChosen = (): Chosen => given(useContext(ChosenContext));

/** The stack that lies open in the editor, as the address has it: looked up, so that no step of the hand draws the desk anew. */
export const useEdited = (): RefObject<string | null> => given(useContext(EditedContext));

export const useHands = (): Hands => given(useContext(HandsContext));

/** What the hand holds over the picture. */
export const useTool = (): Tool | null => useContext(ToolContext);

export const useOverlay = (): Overlay => given(useContext(OverlayContext));

/** The colour of a zone that stands for it: its middle, or the first it has. */
export const mainTarget = (zone: Zone): Target | null =>
    zone.targets.find((target) => target.role === 'middle') ?? zone.targets[0] ?? null;
