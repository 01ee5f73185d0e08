import { useEffect } from 'react';

/** Keeps the screen awake while one draws, where the browser can. */
export function useWakeLock() {
    useEffect(() => {
        let lock: WakeLockSentinel | null = null;
        let left = false;
        const hold = () => {
            if (document.visibilityState !== 'visible' || !('wakeLock' in navigator)) return;
            navigator.wakeLock
                .request('screen')
                .then((held) => {
                    lock = held;
                    if (left) void held.release();
                })
                // Refused on low battery, for one; drawing goes on without it.
                .catch(() => undefined);
        };
        hold();
        document.addEventListener('visibilitychange', hold);

        return () => {
            left = true;
            document.removeEventListener('visibilitychange', hold);
            void lock?.release();
        };
    }, []);
}
