import { cleanup, configure } from '@testing-library/react';
import { afterEach, vi } from 'vitest';
import { forgetNotices } from '../../resources/js/ui/Notices';

// A shared machine may stall for seconds.
configure({ asyncUtilTimeout: 10_000 });

// jsdom has no CSS object; React Aria only escapes keys with it, and ours need no escaping.
const CSS = { escape: (key: string) => key };
Object.assign(globalThis, { CSS });
Object.assign(window, { CSS });

// jsdom lays nothing out; the parts only need an observer to be there.
class ResizeObserver {
    observe() {
        return undefined;
    }
    unobserve() {
        return undefined;
    }
    disconnect() {
        return undefined;
    }
}
Object.assign(globalThis, { ResizeObserver });

// jsdom would go through every rule of every sheet for each element that a query passes. Here only what an element says
// of itself counts; what the sheets do is seen in the browser tests.
const gone = document.createElement('i').style;
gone.display = 'none';
const computed = (element: HTMLElement) => (element.hidden ? gone : element.style);
Object.assign(window, { getComputedStyle: computed });

// jsdom draws nothing.
HTMLCanvasElement.prototype.getContext = () => null;

afterEach(() => {
    cleanup();
    forgetNotices();
    vi.restoreAllMocks();
    vi.unstubAllGlobals();
    localStorage.clear();
    document.cookie = 'XSRF-TOKEN=; expires=Thu, 01 Jan 1970 00:00:00 GMT';
});
