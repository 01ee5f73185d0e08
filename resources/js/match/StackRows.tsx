import { createContext, memo, useCallback, useContext, useMemo } from 'react';
import { GridList, useDragAndDrop } from 'react-aria-components';
import styled from 'styled-components';
import type { Colour } from '../api/client';
import { Swatch } from '../ui/Swatch';
import { space } from '../ui/theme';
import type { DraftStep } from './draft';
import type { Pickable } from '../ui/PencilPicker';
import { StackRow } from './StackRow';

const Rows = styled(GridList)`
    display: grid;
    gap: ${space.xs};
    outline: none;
    & [data-drop-target] {
        outline: 2px solid ${({ theme }) => theme.ink};
    }
` as typeof GridList;

/** The passage after each step, the bare paper first; none while that is being predicted. */
export const Strip = createContext<Colour[]>([]);

/** What a step comes to. It alone is drawn anew when a prediction arrives. */
function After({ index }: { index: number }) {
    const colour = useContext(Strip)[index + 1];

    return colour ? <Swatch colour={colour} label={`After step ${index + 1}`} width="44px" height="40px" /> : <span />;
}

/** One step a place on or back. */
function moved(steps: DraftStep[], index: number, by: -1 | 1): DraftStep[] {
    const next = [...steps];
    next.splice(index + by, 0, ...next.splice(index, 1));

    return next;
}

interface Props {
    steps: DraftStep[];
    box: Pickable[];
    onChange: (to: (steps: DraftStep[]) => DraftStep[]) => void;
    /** Each place that the slider of a pressure comes to. */
    onPress: (key: string, pressure: number) => void;
}

/** The steps, first laid first: dragged or moved by buttons, changed, removed. */
export const StackRows = memo(function StackRows({ steps, box, onChange, onPress }: Props) {
    const { dragAndDropHooks } = useDragAndDrop<DraftStep>({
        getItems: (dragged) => [...dragged].map((key) => ({ 'text/plain': String(key) })),
        onReorder: ({ keys, target }) => {
            onChange((now) => {
                const moving = now.filter((step) => keys.has(step.key));
                const rest = now.filter((step) => !keys.has(step.key));
                const after = target.dropPosition === 'after' ? 1 : 0;
                const at = rest.findIndex((step) => step.key === target.key) + after;

                return [...rest.slice(0, at), ...moving, ...rest.slice(at)];
            });
        },
    });
    const replace = useCallback(
        (key: string, changes: Partial<DraftStep>) =>
            onChange((now) => now.map((one) => (one.key === key ? { ...one, ...changes } : one))),
        [onChange],
    );
    // A step that is another has its row drawn anew by itself; all have when one comes, goes or moves.
    const order = steps.map(({ key }) => key).join();
    const dependencies = useMemo(() => [order, box], [order, box]);

    return (
        <Rows
            aria-label="Steps, first laid first"
            items={steps}
            dragAndDropHooks={dragAndDropHooks}
            keyboardNavigationBehavior="tab"
            renderEmptyState={() => <p>Bare paper. Add a layer.</p>}
            dependencies={dependencies}
        >
            {(step) => {
                const index = steps.findIndex((candidate) => candidate.key === step.key);

                return (
                    <StackRow
                        step={step}
                        index={index}
                        isLast={index === steps.length - 1}
                        box={box}
                        after={<After index={index} />}
                        onMove={(by) => onChange((now) => moved(now, index, by))}
                        onReplace={replace}
                        onPress={(pressure) => onPress(step.key, pressure)}
                        onRemove={() => onChange((now) => now.filter(({ key }) => key !== step.key))}
                    />
                );
            }}
        </Rows>
    );
});
