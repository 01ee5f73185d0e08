import { pressureText } from '../ui/Pressure';
import type { Step } from '../api/client';

/** A step in the editor, with a key of its own so that it can be dragged. */
export interface DraftStep {
    key: string;
    kind: Step['kind'];
    pencil: string;
    pressure: number;
    passes: number;
}

let made = 0;
const nextKey = () => `step-${++made}`;

export const layer = (pencil: string, pressure = 35, passes = 1): DraftStep => ({
    key: nextKey(),
    kind: 'layer',
    pencil,
    pressure,
    passes,
});

/** The same step once more. */
export const again = (step: DraftStep): DraftStep => ({ ...step, key: nextKey() });

export const operation = (kind: 'wash' | 'blend' | 'lift'): DraftStep => ({ ...layer('', 0), kind });

/** Stack notation to steps. What cannot be read is left to the server, which says where it goes wrong. */
export function readStack(notation: string): DraftStep[] | null {
    if (notation.trim() === '') return [];
    const steps: DraftStep[] = [];
    for (const text of notation.split('>').map((part) => part.replace(/\s+/g, ''))) {
        const word = text.toLowerCase();
        if (word === 'wash' || word === 'blend' || word === 'lift') {
            steps.push(operation(word));
            continue;
        }
        const found = /^([A-Za-z]\w*:[\w.-]+)(?:@(\d{1,3}(?:\.\d{1,2})?)(?:x(\d))?)?$/i.exec(text);
        const pressure = Number(found?.[2] ?? 50);
        const passes = Number(found?.[3] ?? 1);
        if (!found?.[1] || pressure < 1 || pressure > 100 || passes < 1) return null;
        steps.push(layer(found[1].toUpperCase(), pressure, passes));
    }

    return steps;
}

/** A stack as it is called out, bottom to top: numbers, pressures with their words, coats. */
export const calledOut = (notation: string) =>
    (readStack(notation) ?? [])
        .map(({ kind, pencil, pressure, passes }) =>
            kind === 'layer' ? `${pencil.split(':')[1] ?? pencil} ${pressureText(pressure, passes)}` : kind,
        )
        .join(', then ');

export const writeStack = (steps: DraftStep[]) =>
    steps
        .map((step) =>
            step.kind === 'layer'
                ? `${step.pencil}@${step.pressure}${step.passes > 1 ? `x${step.passes}` : ''}`
                : step.kind,
        )
        .join(' > ');
