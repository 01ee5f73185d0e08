import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import { TrioPanel } from '../../resources/js/match/TrioPanel';
import { colour, recipe, show } from './fixtures';
import { serve } from './server';

async function found(further: number, near: boolean) {
    serve({
        'POST /api/zones/z1/trio': () => ({
            pencils: { light: '101', middle: '202', dark: '303' },
            recipes: { light: recipe(), middle: recipe(), dark: recipe() },
            further,
            near,
        }),
    });
    show(
        <TrioPanel
            zone="z1"
            targets={{ light: colour(), middle: colour(), dark: colour() }}
            onOpen={() => undefined}
        />,
    );
    await userEvent.click(screen.getByRole('button', { name: 'Find three for this zone' }));

    return (await screen.findByTestId('trio')).textContent;
}

describe('three neighbouring hues', () => {
    it('are laid out with what they cost', async () => {
        expect(await found(1.94, true)).toBe('101 light, 202 middle, 303 dark, 1.9 further off than the free choice.');
        expect(screen.getAllByTestId('recipe')).toHaveLength(3);
    });

    it('are only told of where the box has none near', async () => {
        expect(await found(10.53, false)).toBe(
            'Your box has no three near these colours. The nearest: 101 light, 202 middle, 303 dark, 10.5 further off than the free choice.',
        );
        expect(screen.queryByTestId('recipe')).toBeNull();
    });
});
