import { describe, expect, it } from 'vitest';
import { daylight, dim, grey, type Theme } from '../../resources/js/ui/theme';

const channels = (hex: string) => [1, 3, 5].map((at) => parseInt(hex.slice(at, at + 2), 16));
const luminance = (hex: string) => {
    const code = (channels(hex)[0] ?? 0) / 255;

    return code <= 0.04045 ? code / 12.92 : ((code + 0.055) / 1.055) ** 2.4;
};
/** WCAG 2.2, contrast ratio. */
const contrast = (one: string, other: string) => {
    const [dark, light] = [luminance(one), luminance(other)].sort((a, b) => a - b);

    return ((light ?? 0) + 0.05) / ((dark ?? 0) + 0.05);
};

describe('greys', () => {
    it('are neutral: equal red, green and blue', () => {
        for (let L = 0; L <= 100; L++) {
            const [r, g, b] = channels(grey(L));
            expect(r).toBe(g);
            expect(g).toBe(b);
        }
    });

    it('have the lightness they are named by', () => {
        for (let L = 4; L <= 100; L += 4) {
            const y = luminance(grey(L));
            const back = y > 216 / 24389 ? 116 * Math.cbrt(y) - 16 : (y * 24389) / 27;
            expect(Math.abs(back - L)).toBeLessThan(0.35);
        }
    });

    it('reach black and white', () => {
        expect(grey(0)).toBe('#000000');
        expect(grey(100)).toBe('#ffffff');
    });
});

describe.each([
    ['daylight desk', daylight],
    ['dim studio', dim],
] as [string, Theme][])('%s', (_, theme) => {
    it.each(['desk', 'panel', 'raised'] as const)('keeps text readable on %s', (surface) => {
        expect(contrast(theme.ink, theme[surface])).toBeGreaterThan(7);
        expect(contrast(theme.quiet, theme[surface])).toBeGreaterThan(4.5);
    });

    it('keeps text readable on strong buttons and the bar', () => {
        expect(contrast(theme.onStrong, theme.strong)).toBeGreaterThan(7);
        expect(contrast(theme.onBar, theme.bar)).toBeGreaterThan(7);
    });

    it('frames controls so that they can be told from the ground', () => {
        expect(contrast(theme.quiet, theme.panel)).toBeGreaterThan(3);
        expect(contrast(theme.quiet, theme.desk)).toBeGreaterThan(3);
    });

    it('has no hue anywhere', () => {
        for (const value of Object.values(theme) as string[]) {
            const [r, g, b] = channels(value);
            expect([g, b]).toEqual([r, r]);
        }
    });
});
