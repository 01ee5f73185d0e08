import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';

const SOURCES = import.meta.glob<string>('../../resources/js/**/*.{ts,tsx}', {
    query: '?raw',
    import: 'default',
    eager: true,
});

/** Code points of the Latin part of the font, the only one that an English page fetches. */
function shipped(): [number, number][] {
    const sheet = readFileSync('node_modules/@fontsource-variable/inter/index.css', 'utf8');
    const latin = [...sheet.matchAll(/unicode-range: ([^;}]*)/g)].map(([, range = '']) => range).at(-1) ?? '';

    return latin.split(',').map((part) => {
        const [from = '', to = from] = part.trim().replace('U+', '').split('-');

        return [parseInt(from, 16), parseInt(to, 16)];
    });
}

describe('The font that ships', () => {
    it('has each sign that the pages are written with', () => {
        const ranges = shipped();
        const has = (sign: string) =>
            ranges.some(([from, to]) => (sign.codePointAt(0) ?? 0) >= from && (sign.codePointAt(0) ?? 0) <= to);
        const lacking = Object.entries(SOURCES).flatMap(([file, source]) =>
            [...new Set(source)].filter((sign) => !has(sign)).map((sign) => `${sign} in ${file}`),
        );

        expect(Object.keys(SOURCES).length).toBeGreaterThan(100);
        expect(has('a') && has('−') && !has('✓')).toBe(true);
        expect(lacking).toEqual([]);
    });
});
