import { useEffect, useState } from 'react';

/** State that outlives the page, in the browser's own store; what cannot be read there is taken as new. */
export function useKeptState<T>(name: string, fresh: T) {
    const [value, set] = useState<T>(() => {
        try {
            const kept = localStorage.getItem(name);

            return kept === null ? fresh : (JSON.parse(kept) as T);
        } catch {
            return fresh;
        }
    });
    useEffect(() => {
        localStorage.setItem(name, JSON.stringify(value));
    }, [name, value]);

    return [value, set] as const;
}
