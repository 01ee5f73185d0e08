import { cleanup } from '@testing-library/react';
import { afterEach, vi } from 'vitest';

// jsdom has no CSS object; React Aria only escapes keys with it, and ours need no escaping.
const CSS = { escape: (key: string) => key };
Object.assign(globalThis, { CSS });
Object.assign(window, { CSS });

// jsdom draws nothing.
HTMLCanvasElement.prototype.getContext = () => null;

afterEach(() => {
    cleanup();
    vi.restoreAllMocks();
    localStorage.clear();
    document.cookie = 'XSRF-TOKEN=; expires=Thu, 01 Jan 1970 00:00:00 GMT';
});
