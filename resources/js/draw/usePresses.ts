import { useState } from 'react';
import { messageOf, type DrawingEntry, type Plan, type Turn } from '../api/client';
import { useDecide, useDrawingLog, useMark, useNote, usePhotograph, useUnmark } from '../api/kept';
import type { About, Decision, Mark } from '../api/marking';
import { notify } from '../ui/Notices';
import { useWet, wetUntil } from './Drying';

type Place = Turn['places'][number];

/** What one has made oneself, and how it is made again. */
interface Press {
    mark: string;
    again: () => string;
}

/** A diary that is folded does not show that these are gone. */
const TAKEN_BACK: Partial<Record<DrawingEntry['kind'], string>> = {
    note: 'The note is taken back.',
    photo: 'The photo is taken back.',
};

/**
 * What is made while one draws: whole turns and single places laid, what follows where it went otherwise, notes and photos;
 * with a way back and forth through all of it.
 */
export function usePresses(piece: string, plan: Plan | undefined) {
    const mark = useMark(piece);
    const unmark = useUnmark(piece);
    const decide = useDecide(piece);
    const write = useNote(piece);
    const photograph = usePhotograph(piece);
    const log = useDrawingLog(piece).data;
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
        write: (note: string, about: About) => {
            const again = () => write(note, about, told);
            done(again(), again);
        },
        photograph: (photo: Blob, about: About) => {
            const again = () => photograph(photo, about, told);
            done(again(), again);
        },
        undo: () => {
            const last = plan?.lastMarked;
            if (!last) return;
            unmark(last, told);
            const said = TAKEN_BACK[log?.find((entry) => entry.mark === last)?.kind ?? 'done'];
            if (said) notify(said);
            setWet(wet.filter((one) => one.mark !== last));
            // What another screen pressed is taken back, but not laid again from here.
            const press = past.find((one) => one.mark === last);
            setPast(past.filter((one) => one.mark !== last));
            setFuture(press ? [press, ...future] : []);
        },
        canRedo: future.length > 0,
        redo: () => {
            const [press, ...rest] = future;
            if (!press) return;
            setPast([...past, { ...press, mark: press.again() }]);
            setFuture(rest);
        },
    };
}
