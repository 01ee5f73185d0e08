import { createContext, useContext, useDeferredValue, useMemo, type ReactNode } from 'react';
import { useDebounce } from 'use-debounce';
import { messageOf, type StackPrediction } from '../api/client';
import { supportOf, usePrediction } from '../api/queries';
import { useDeskAbout, type Selected } from '../desk/DeskContext';

/** The prediction is asked for at most so often, milliseconds. */
const ASKED = 100;

interface Predicted {
    /** What the open stack comes to; while it is being asked, what it came to before. */
    known: StackPrediction | undefined;
    /** Why it comes to nothing. */
    problem: string | null;
}

const PredictedContext = createContext<Predicted>({ known: undefined, problem: null });

/** What the open stack comes to. Who asks is drawn anew when a prediction arrives, and nobody else. */
export const usePredicted = () => useContext(PredictedContext);

interface Props {
    selected: Selected;
    /** As it is under the hand. */
    stack: string;
    children: ReactNode;
}

/** Predicts the open stack, layer by layer, while it changes. */
export function Predicting({ selected, stack, children }: Props) {
    const piece = useDeskAbout();
    const [debounced] = useDebounce(stack, ASKED, { leading: true, maxWait: 2 * ASKED });
    // The slider goes first, then it is asked for.
    const asked = useDeferredValue(debounced);
    const { data, error } = usePrediction(
        piece.id,
        supportOf(piece.paper.id, selected.zone),
        selected.zone?.id ?? null,
        selected.colour,
        asked,
    );
    const problem = error && messageOf(error);
    const now = useMemo(() => ({ known: data, problem }), [data, problem]);

    // The slider goes before what it comes to.
    return <PredictedContext value={useDeferredValue(now)}>{children}</PredictedContext>;
}
