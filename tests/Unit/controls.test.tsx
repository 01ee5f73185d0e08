import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { describe, expect, it, vi } from 'vitest';
import { PencilPicker } from '../../resources/js/ui/PencilPicker';
import { spokenMinutes } from '../../resources/js/ui/words';
import { Choice } from '../../resources/js/ui/Choice';
import { Dial } from '../../resources/js/ui/Dial';
import { HistogramPlot } from '../../resources/js/ui/plots/HistogramPlot';
import { Segments } from '../../resources/js/ui/Segments';
import { Tick } from '../../resources/js/ui/Tick';
import { Toggle } from '../../resources/js/ui/Toggle';
import { pencil, show } from './fixtures';

describe('a number on a line', () => {
    function Minutes({ ended }: { ended: (value: number) => void }) {
        const [value, set] = useState(90);

        return (
            <Dial
                label="A session"
                value={value}
                from={30}
                to={120}
                step={15}
                say={spokenMinutes}
                onChange={set}
                onEnd={ended}
            />
        );
    }

    it('goes by steps from the keyboard, says what it means, and stays within its ends', async () => {
        const ended = vi.fn();
        show(<Minutes ended={ended} />);
        const slider = screen.getByRole('slider', { name: 'A session' });
        expect(screen.getByText('1 h 30 min')).toBeTruthy();
        slider.focus();
        await userEvent.keyboard('{ArrowRight}');
        expect(screen.getByText('1 h 45 min')).toBeTruthy();
        await userEvent.keyboard('{End}');
        expect(screen.getByText('2 h')).toBeTruthy();
        await userEvent.keyboard('{ArrowRight}');
        expect(screen.getByText('2 h')).toBeTruthy();
        await userEvent.keyboard('{Home}');
        expect(screen.getByText('30 min')).toBeTruthy();
        expect(ended.mock.calls.map(([value]) => value as number)).toContain(120);
    });

    it.each([
        [0, '0 min'],
        [59.4, '59 min'],
        [59.6, '1 h'],
        [61, '1 h 1 min'],
        [600, '10 h'],
    ])('says %s minutes as %s', (minutes, said) => {
        expect(spokenMinutes(minutes)).toBe(said);
    });
});

describe('one of a few', () => {
    const SIZES = [
        { id: 'few', name: 'Few' },
        { id: 'some', name: 'Some' },
        { id: 'many', name: 'Many' },
    ] as const;
    type Size = (typeof SIZES)[number]['id'];

    function Sizes({ chosen, off = false }: { chosen: (id: Size) => void; off?: boolean }) {
        const [size, set] = useState<Size>('some');

        return (
            <Segments
                label="How many"
                value={size}
                options={SIZES}
                onChange={(id) => {
                    set(id);
                    chosen(id);
                }}
                isDisabled={off}
            />
        );
    }

    it('shows all and marks one', async () => {
        const chosen = vi.fn();
        show(<Sizes chosen={chosen} />);
        const group = screen.getByRole('radiogroup', { name: 'How many' });
        const states = () =>
            within(group)
                .getAllByRole('radio')
                .map((radio) => radio.getAttribute('aria-checked'));
        expect(states()).toEqual(['false', 'true', 'false']);
        await userEvent.click(screen.getByRole('radio', { name: 'Many' }));
        expect(states()).toEqual(['false', 'false', 'true']);
        expect(chosen).toHaveBeenCalledExactlyOnceWith('many');
    });

    it('never lets none be chosen', async () => {
        const chosen = vi.fn();
        show(<Sizes chosen={chosen} />);
        await userEvent.click(screen.getByRole('radio', { name: 'Some' }));
        expect(screen.getByRole('radio', { name: 'Some' }).getAttribute('aria-checked')).toBe('true');
    });

    it('can be out of reach', async () => {
        const chosen = vi.fn();
        show(<Sizes chosen={chosen} off />);
        await userEvent.click(screen.getByRole('radio', { name: 'Few' }));
        expect(chosen).not.toHaveBeenCalled();
    });

    it('opens as a list, and is chosen from the keyboard', async () => {
        const chosen = vi.fn();
        show(<Choice label="Size" value="some" options={[...SIZES]} onChange={chosen} />);
        screen.getByRole('button', { name: /Size/ }).focus();
        await userEvent.keyboard('{Enter}');
        const options = await screen.findAllByRole('option');
        expect(options.map((option) => option.textContent)).toEqual(['Few', 'Some', 'Many']);
        await userEvent.keyboard('{ArrowDown}{Enter}');
        await waitFor(() => expect(chosen).toHaveBeenCalledWith('many'));
    });
});

describe('on or off', () => {
    it('says which', async () => {
        const on = vi.fn();
        show(
            <>
                <Toggle isSelected={false} onChange={on}>
                    Mirror
                </Toggle>
                <Tick isSelected onChange={on}>
                    No black
                </Tick>
            </>,
        );
        expect(screen.getByRole('button', { name: 'Mirror' }).getAttribute('aria-pressed')).toBe('false');
        await userEvent.click(screen.getByRole('button', { name: 'Mirror' }));
        expect(on).toHaveBeenLastCalledWith(true);
        await userEvent.click(screen.getByRole('checkbox', { name: 'No black' }));
        expect(on).toHaveBeenLastCalledWith(false);
    });
});

describe('a pencil out of the box', () => {
    const box = [
        pencil('404', true, { name: 'Pennant Blue' }),
        pencil('519', true, { name: 'Starboard Green' }),
        pencil('201', true, { name: 'Port Lamp' }),
    ];
    const [first] = box;

    function Picker({ chosen }: { chosen: (id: string) => void }) {
        return <PencilPicker pencils={box} value={first?.id ?? ''} label="Pencil of step 1" onChange={chosen} />;
    }

    it('is found by its exact number before those that begin so, then by name, then by a former name, which is told', async () => {
        const many = [
            pencil('4041', true, { name: 'Long' }),
            pencil('404', true, { name: 'Pennant Blue', aliases: ['Flag Blue'] }),
            pencil('17', true, { name: 'Flagstone' }),
        ];
        show(<PencilPicker pencils={many} value="" label="Pencil" onChange={vi.fn()} />);
        const input = screen.getByRole('combobox', { name: 'Pencil' });
        const options = async (typed: string) => {
            await userEvent.clear(input);
            await userEvent.type(input, typed);

            return (await screen.findAllByRole('option')).map(({ textContent }) => textContent);
        };
        expect((await options('404'))[0]).toMatch(/^404 Pennant/);
        const byName = await options('flag');
        expect(byName[0]).toMatch(/^17 Flagstone/);
        expect(byName[1]).toMatch(/^404 .*formerly Flag Blue/);
    });

    it('shows number and name', () => {
        show(<Picker chosen={vi.fn()} />);
        expect(screen.getByRole('combobox', { name: 'Pencil of step 1' }).getAttribute('value')).toContain('404');
    });

    it.each([
        ['by number', '519'],
        ['by a part of the name', 'board'],
    ])('is found %s', async (_, typed) => {
        const chosen = vi.fn();
        show(<Picker chosen={chosen} />);
        const input = screen.getByRole('combobox', { name: 'Pencil of step 1' });
        await userEvent.clear(input);
        await userEvent.type(input, typed);
        const options = await screen.findAllByRole('option');
        expect(options).toHaveLength(1);
        expect(options[0]?.textContent).toContain('Starboard Green');
        await userEvent.keyboard('{ArrowDown}{Enter}');
        await waitFor(() => expect(chosen).toHaveBeenCalledWith(box[1]?.id));
    });
});

describe('the histogram', () => {
    const bars = [0, 0, 0.05, 0.1, 0.6, 0.1, 0.1, 0.05, 0, 0];
    const plot = (reach: { dark: number; light: number } | null) => {
        const { container } = show(
            <HistogramPlot bars={bars} photo={{ dark: 22, light: 78 }} reach={reach} label="Values from 22 to 78" />,
        );
        const drawn = [...container.querySelectorAll('rect')].slice(1);

        return {
            bars: drawn.slice(0, bars.length),
            beyond: drawn.slice(bars.length).map((rect) => [rect.getAttribute('x'), rect.getAttribute('width')]),
        };
    };

    it('draws a bar for each, none higher than the plot though one stands out', () => {
        const heights = plot(null).bars.map((bar) => Number(bar.getAttribute('height')));
        expect(heights).toHaveLength(10);
        expect(heights[0]).toBe(0);
        expect(heights[4]).toBe(heights[3]);
        expect(heights[2]).toBeCloseTo((heights[3] ?? 0) / 2);
        expect(screen.getByRole('img', { name: 'Values from 22 to 78' })).toBeTruthy();
    });

    it('hatches what paper and box cannot reach, if that is known', () => {
        expect(plot({ dark: 20, light: 95 }).beyond).toEqual([
            ['0', '100'],
            ['475', '25'],
        ]);
    });

    it('hatches nothing otherwise', () => {
        expect(plot(null).beyond).toEqual([]);
    });
});
