import { useEffect, useRef } from 'react';

export type Shortcuts = Record<string, () => void>;

const typing = (element: EventTarget | null) =>
    element instanceof HTMLElement &&
    (element.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(element.tagName)) &&
    (element as HTMLInputElement).type !== 'range';

/** Single keys, as on the label of the key; "mod+z" for Control or Command. Silent while a text is being typed. */
export function useShortcuts(shortcuts: Shortcuts) {
    const latest = useRef(shortcuts);
    useEffect(() => {
        latest.current = shortcuts;
    });
    useEffect(() => {
        const listen = (event: KeyboardEvent) => {
            if (typing(event.target) || event.altKey || document.querySelector('[role="dialog"]')) return;
            const mod = event.ctrlKey || event.metaKey;
            const name = `${mod ? 'mod+' : ''}${mod && event.shiftKey ? 'shift+' : ''}${event.key.toLowerCase()}`;
            const action = latest.current[name];
            if (action) {
                event.preventDefault();
                action();
            }
        };
        window.addEventListener('keydown', listen);

        return () => window.removeEventListener('keydown', listen);
    }, []);
}
