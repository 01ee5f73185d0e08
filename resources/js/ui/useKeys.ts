import { useEffect, useRef } from 'react';
import { KEYS, singleKeysAreOn, type KeyName } from './keys';

type Actions = Partial<Record<KeyName, (pressed: string) => void>>;

/** What takes signs or arrows itself while it has the focus. */
const TAKES_KEYS = [
    'input:not([type=checkbox], [type=button])',
    'textarea',
    'select',
    '[contenteditable]',
    '[role=slider]',
    '[role=spinbutton]',
    '[role=combobox]',
    '[role=listbox]',
    '[role=option]',
    '[role=menu]',
    '[role=menuitem]',
    '[role=grid]',
].join(', ');

function nameOf(event: KeyboardEvent) {
    const mod = event.ctrlKey || event.metaKey;

    return `${mod ? 'mod+' : ''}${mod && event.shiftKey ? 'shift+' : ''}${event.key.toLowerCase()}`;
}

/** Listens for keys by what they do. Silent while something has the focus that takes them itself, and under a sheet. */
export function useKeys(actions: Actions) {
    const latest = useRef(actions);
    useEffect(() => {
        latest.current = actions;
    });
    useEffect(() => {
        const listen = (event: KeyboardEvent) => {
            const taken = event.target instanceof Element && event.target.closest(TAKES_KEYS) !== null;
            if (taken || event.altKey || document.querySelector('[role="dialog"]')) return;
            const pressed = nameOf(event);
            if (pressed.length === 1 && !singleKeysAreOn()) return;
            for (const [name, action] of Object.entries(latest.current)) {
                if (action && (KEYS[name as KeyName].keys as readonly string[]).includes(pressed)) {
                    event.preventDefault();
                    action(pressed);

                    return;
                }
            }
        };
        window.addEventListener('keydown', listen);

        return () => window.removeEventListener('keydown', listen);
    }, []);
}
