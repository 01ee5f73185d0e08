import { describe, expect, it } from 'vitest';
import { again, layer, operation, readStack, writeStack } from '../../resources/js/match/draft';
import { calledOut } from '../../resources/js/ui/notation';

/** What a stack says, without the keys of the editor. */
const plain = (notation: string) =>
    readStack(notation)?.map(({ kind, pencil, pressure, passes }) => [kind, pencil, pressure, passes]);

describe('a step once more', () => {
    it('is the same, under a key of its own', () => {
        const step = layer('QW:204', 40, 2);
        expect(again(step)).toEqual({ ...step, key: expect.any(String) as string });
        expect(again(step).key).not.toBe(step.key);
    });
});

describe('reading stack notation in the editor', () => {
    it('reads layers and operations from bottom to top', () => {
        expect(plain('QW:204@35x2 > wash > LO:7206@50 > blend > lift')).toEqual([
            ['layer', 'QW:204', 35, 2],
            ['wash', '', 0, 1],
            ['layer', 'LO:7206', 50, 1],
            ['blend', '', 0, 1],
            ['lift', '', 0, 1],
        ]);
    });

    it('takes white space anywhere and small letters', () => {
        expect(plain('  qw:204 @ 35 x 2>WASH ')).toEqual([
            ['layer', 'QW:204', 35, 2],
            ['wash', '', 0, 1],
        ]);
    });

    it('reads fractions and a missing pressure as easy', () => {
        expect(plain('QW:204@35.5 > QW:101')).toEqual([
            ['layer', 'QW:204', 35.5, 1],
            ['layer', 'QW:101', 50, 1],
        ]);
    });

    it('reads nothing as bare paper', () => {
        expect(readStack('')).toEqual([]);
        expect(readStack('   ')).toEqual([]);
    });

    it.each(['QW:204@', 'QW:204@0', 'QW:204@101', 'QW:204@35x0', 'QW:204@35 >', '204', 'rub', 'QW:204@35 QW:101@20'])(
        'leaves "%s" to the server, which says where it goes wrong',
        (notation) => {
            expect(readStack(notation)).toBeNull();
        },
    );

    it('gives every step a key of its own', () => {
        const keys = readStack('QW:204@35 > QW:204@35 > wash')?.map((step) => step.key) ?? [];
        expect(new Set(keys).size).toBe(3);
    });
});

describe('writing stack notation', () => {
    it.each(['QW:204@35x2 > wash > LO:7206@50', 'QW:101@95', '', 'QW:204@35.5 > blend > lift'])(
        'comes back as "%s"',
        (notation) => {
            expect(writeStack(readStack(notation) ?? [])).toBe(notation);
        },
    );

    it('leaves a single pass unsaid', () => {
        expect(writeStack([layer('QW:204', 40, 1), layer('QW:204', 40, 3), operation('wash')])).toBe(
            'QW:204@40 > QW:204@40x3 > wash',
        );
    });
});

describe('a stack as it is called out', () => {
    it.each([
        ['QW:204@35x2 > wash > LO:7206@60', '204 35 % light, 2 coats, then wash, let dry, then 7206 60 % medium'],
        ['QW:204', '204 50 % easy'],
        ['', 'bare paper'],
    ])('"%s" is "%s"', (notation, said) => {
        expect(calledOut(notation)).toBe(said);
    });
});
