import type { Turn } from '../api/client';

/** Stages of the work, as they are called over the turns. */
export const STAGES: Record<Turn['stage'], string> = {
    reserve: 'Keep the paper',
    map: 'Map the lines',
    underlayer: 'Underlayer',
    build: 'Build',
    dark: 'Darks',
    finish: 'Finish',
};

/** What is in the hand where it is no pencil, or what the pencil does. */
export const ROLES: Record<Turn['role'], string> = {
    ground: 'Ground',
    reserve: 'Paper',
    map: 'Map',
    redraw: 'Lines',
    line: 'Lines',
    underlayer: 'Layer',
    layer: 'Layer',
    rub: 'Tissue',
    wash: 'Wash',
    lift: 'Eraser',
    blend: 'Blender',
    burnish: 'Burnish',
    sparkle: 'Light',
};

type Place = Turn['places'][number];

/** What is said of a place besides its name: its part, how it fades, how its edge is. */
export const placeWords = ({ part, fade, edge }: Place) =>
    [part === 'all' ? '' : part, edge ?? '', fade && `${fade.from} falling to ${fade.to} % towards the ${fade.towards}`]
        .filter(Boolean)
        .join(', ');
