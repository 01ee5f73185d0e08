import { messageOf } from '../api/client';
import { notify } from '../ui/Notices';

export const LIGHT_NAMES = {
    lit: 'light side',
    'half-lit': 'half light',
    shadow: 'shadow side',
    'cast-shadow': 'cast shadow',
} as const;

/** Says what went wrong with a change. */
export const tell = { onError: (error: Error) => notify(messageOf(error)) };
