import { readNotation, type NotedStep } from '../ui/notation';

/** A step in the editor, with a key of its own so that it can be dragged. */
export interface DraftStep extends NotedStep {
    key: string;
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

/** Stack notation to steps of the editor; null where it cannot be read. */
export const readStack = (notation: string): DraftStep[] | null =>
    readNotation(notation)?.map((step) => ({ ...step, key: nextKey() })) ?? null;

export const writeStack = (steps: DraftStep[]) =>
    steps
        .map((step) =>
            step.kind === 'layer'
                ? `${step.pencil}@${step.pressure}${step.passes > 1 ? `x${step.passes}` : ''}`
                : step.kind,
        )
        .join(' > ');
