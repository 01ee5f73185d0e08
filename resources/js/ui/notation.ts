import type { Step } from '../api/client';
import { pressureText } from './Pressure';

/** A step as the notation of stacks has it. */
export interface NotedStep {
    kind: Step['kind'];
    pencil: string;
    pressure: number;
    passes: number;
}

const DEFAULT_PRESSURE = 50;

/** Stack notation to steps. What cannot be read is left to the server, which says where it goes wrong. */
export function readNotation(notation: string): NotedStep[] | null {
    if (notation.trim() === '') return [];
    const steps: NotedStep[] = [];
    for (const text of notation.split('>').map((part) => part.replace(/\s+/g, ''))) {
        const word = text.toLowerCase();
        if (word === 'wash' || word === 'blend' || word === 'lift') {
            steps.push({ kind: word, pencil: '', pressure: 0, passes: 1 });
            continue;
        }
        const found = /^([A-Za-z]\w*:[\w.-]+)(?:@(\d{1,3}(?:\.\d{1,2})?)(?:x(\d))?)?$/i.exec(text);
        const pressure = Number(found?.[2] ?? DEFAULT_PRESSURE);
        const passes = Number(found?.[3] ?? 1);
        if (!found?.[1] || pressure < 1 || pressure > 100 || passes < 1) return null;
        steps.push({ kind: 'layer', pencil: found[1].toUpperCase(), pressure, passes });
    }

    return steps;
}

export const numberOf = (pencil: string) => pencil.split(':')[1] ?? pencil;

export const OPERATIONS: Record<Step['kind'], string> = {
    layer: 'layer',
    wash: 'wash, let dry',
    blend: 'blender',
    lift: 'eraser, one dab',
};

/** A stack as it is called out, bottom to top: numbers, pressures with their words, coats. */
export function calledOut(notation: string): string {
    const steps = readNotation(notation) ?? [];

    return steps.length === 0
        ? 'bare paper'
        : steps
              .map(({ kind, pencil, pressure, passes }) =>
                  kind === 'layer' ? `${numberOf(pencil)} ${pressureText(pressure, passes)}` : OPERATIONS[kind],
              )
              .join(', then ');
}
