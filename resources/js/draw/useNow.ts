import { useEffect, useState } from 'react';

const EVERY = 1000;

/** The time, each second, as long as somebody waits for something. */
export function useNow(waits: boolean): number {
    const [now, set] = useState(() => Date.now());
    useEffect(() => {
        if (!waits) return undefined;
        const tick = () => set(Date.now());
        const first = setTimeout(tick);
        const timer = setInterval(tick, EVERY);

        return () => {
            clearTimeout(first);
            clearInterval(timer);
        };
    }, [waits]);

    return now;
}
