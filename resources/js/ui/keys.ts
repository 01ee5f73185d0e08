/** A key as its label has it, and what it does. "mod+z" is Control or Command and Z. */
interface Key {
    keys: readonly string[];
    does: string;
}

/** All that has a key: what is listened for, and what the help shows. */
export const KEYS = {
    look: { keys: ['1'], does: 'Look' },
    match: { keys: ['2'], does: 'Match' },
    plan: { keys: ['3'], does: 'Plan' },
    draw: { keys: ['4'], does: 'Draw' },
    compare: { keys: ['5'], does: 'Compare' },
    picture: { keys: ['c'], does: 'Go to the picture; arrows move the sampled spot, with Shift the picture' },
    next: { keys: ['n'], does: 'Next zone' },
    previous: { keys: ['p'], does: 'Previous zone' },
    click: { keys: ['e'], does: 'A click samples a spot, or chooses a zone' },
    smaller: { keys: ['k'], does: 'Smaller sample' },
    larger: { keys: ['l'], does: 'Larger sample' },
    greys: { keys: ['g'], does: 'Greys' },
    steps: { keys: ['v'], does: 'Value steps' },
    mirror: { keys: ['m'], does: 'Mirror' },
    borders: { keys: ['b'], does: 'Borders of the zones' },
    alone: { keys: ['i'], does: 'The sample alone on grey' },
    nearer: { keys: ['+', '='], does: 'Nearer' },
    farther: { keys: ['-'], does: 'Farther' },
    whole: { keys: ['0'], does: 'The whole picture' },
    yours: { keys: ['y'], does: 'Your drawing in the photo’s place, and back, in Compare' },
    done: { keys: ['d'], does: 'Done, in Draw' },
    skip: { keys: ['s'], does: 'Skip, in Draw' },
    undo: { keys: ['u', 'mod+z'], does: 'Undo, in the editor and in Draw' },
    redo: { keys: ['mod+shift+z'], does: 'Redo, in the editor and in Draw' },
    close: { keys: ['escape'], does: 'Close the editor' },
    answer: { keys: ['1', '2', '3', '4', '5', '6', '7', '8', '9'], does: 'An answer, in Practice' },
    help: { keys: ['?'], does: 'This list' },
} as const satisfies Record<string, Key>;

export type KeyName = keyof typeof KEYS;

/** As the help writes it. */
export const spokenKey = (key: string) =>
    key === '+'
        ? key
        : key
              .split('+')
              .map((part) => ({ mod: 'Ctrl', shift: 'Shift', escape: 'Esc', '-': '−' })[part] ?? part.toUpperCase())
              .join(' ');

const STORED = 'prism.single-keys';

/** Keys that are one sign each can be switched off: who speaks to the machine, or slips, would set them off. */
export const singleKeysAreOn = () => localStorage.getItem(STORED) !== 'off';

export const setSingleKeys = (on: boolean) => {
    if (on) localStorage.removeItem(STORED);
    else localStorage.setItem(STORED, 'off');
};
