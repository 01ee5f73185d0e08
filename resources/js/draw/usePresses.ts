import { useState } from 'react';
import { messageOf, type Plan, type Turn } from '../api/client';
import { useDecide, useMark, useUnmark } from '../api/kept';
import type { Decision, Mark } from '../api/marking';
import { notify } from '../ui/Notices';
import { useWet, wetUntil } from './Drying';

type Place = Turn['places'][number];

/** A press of one's own, and how it is pressed again. */
interface Press {
    mark: string;
    again: () => string;
}

/** What is pressed while one draws: whole turns, single places, what follows where it went otherwise; with a way back and forth. */
export function usePresses(piece: string, plan: Plan | undefined) {
    const mark = useMark(piece);
    const unmark = useUnmark(piece);
    const decide = useDecide(piece);
    const [wet, setWet] = useWet(piece);
    const [future, setFuture] = useState<Press[]>([]);
    const [past, setPast] = useState<Press[]>([]);
    const told = { onError: (error: Error) => notify(messageOf(error)) };

    const done = (id: string, again: () => string) => {
        setPast([...past, { mark: id, again }]);
        setFuture([]);
    };

    return {
        wet,
        dry: (id: string, name: string) => setWet((now) => now.filter((one) => one.mark !== id || one.name !== name)),
        put: (
            turn: Turn | null,
            places: Place[],
            state: Mark['state'],
            was: Mark['was'],
            otherwise?: Mark['otherwise'],
        ) => {
            const press = { keys: places.flatMap(({ keys }) => keys), state, ...(otherwise && { otherwise }) };
            const id = mark({ ...press, ...(was && { was }) }, told);
            done(id, () => mark(press, told));
            if (state === 'done' && turn && turn.dryingMinutes > 0) {
                const until = wetUntil(turn.dryingMinutes);
                setWet([...wet, ...places.map(({ name }) => ({ mark: id, name, until }))]);
            }
        },
        decide: (decision: Pick<Decision, 'target' | 'rest' | 'take'>) => {
            const again = () => decide(decision, told);
            done(again(), again);
        },
        undo: () => {
            const last = plan?.lastMarked;
            if (!last) return;
            unmark(last, told);
            setWet(wet.filter((one) => one.mark !== last));
            // What another screen pressed is taken back, but not laid again from here.
            const press = past.find((one) => one.mark === last);
            setPast(past.filter((one) => one.mark !== last));
            setFuture(press ? [press, ...future] : []);
        },
        redo: () => {
            const [press, ...rest] = future;
            if (!press) return;
            setPast([...past, { ...press, mark: press.again() }]);
            setFuture(rest);
        },
    };
}
