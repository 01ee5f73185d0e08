import { onlineManager, useMutation } from '@tanstack/react-query';
import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { Saved } from '../../resources/js/desk/Saved';
import { ZoneStrip } from '../../resources/js/desk/ZoneStrip';
import { Reading } from '../../resources/js/desk/Reading';
import { RecipeCard } from '../../resources/js/match/RecipeCard';
import { Boundary } from '../../resources/js/ui/Boundary';
import { Button } from '../../resources/js/ui/Button';
import { useDeskLight } from '../../resources/js/ui/DeskLight';
import { Field } from '../../resources/js/ui/Field';
import { GrainSection } from '../../resources/js/ui/GrainSection';
import { HueRing } from '../../resources/js/ui/HueRing';
import { Ladder } from '../../resources/js/ui/Ladder';
import { pressureText, pressureWord } from '../../resources/js/ui/Pressure';
import { Problem } from '../../resources/js/ui/States';
import { spoken, Swatch, SwatchPair } from '../../resources/js/ui/Swatch';
import { Tick } from '../../resources/js/ui/Tick';
import { ToothRings } from '../../resources/js/ui/ToothRings';
import { KEYS, setSingleKeys, spokenKey } from '../../resources/js/ui/keys';
import { useKeys } from '../../resources/js/ui/useKeys';
import { counted, placeName } from '../../resources/js/ui/words';
import { colour, recipe, section, show, step, wash, zone } from './fixtures';

describe('the words for pressure', () => {
    // The same table as the engine's own test.
    it.each([
        [12, 'whisper'],
        [33, 'light'],
        [45, 'easy'],
        [62, 'medium'],
        [78, 'firm'],
        [84, 'firm'],
        [85, 'burnish'],
        [100, 'burnish'],
    ])('%i is %s', (percent, word) => {
        expect(pressureWord(percent)).toBe(word);
    });

    it('names coats only when there are more than one', () => {
        expect(pressureText(50, 1)).toBe('50 % easy');
        expect(pressureText(50, 3)).toBe('50 % easy, 3 coats');
    });
});

describe('a swatch', () => {
    it('says its colour to those who do not see it', () => {
        show(<Swatch colour={colour()} label="Target" />);
        expect(screen.getByRole('img', { name: 'Target: green; a tone, step 4 of 9, L 46' })).toBeTruthy();
        expect(spoken(colour({ L: 80.6 }))).toContain('L 81');
    });

    it('touches its prediction without a gap', () => {
        show(<SwatchPair target={colour()} predicted={colour({ hex: '#507a62' })} />);
        const [target, predicted] = screen.getAllByRole('img');
        expect(target?.style.width).toBe('50%');
        expect(predicted?.dataset.hex).toBe('#507a62');
        expect(target?.nextElementSibling).toBe(predicted);
    });
});

describe('the value ladder', () => {
    it('has nine rungs and a pointer for each mark', () => {
        const { container } = show(
            <Ladder
                marks={[
                    { position: 4.1, label: 'Target' },
                    { position: 5, label: 'Predicted', open: true },
                ]}
                height={180}
            />,
        );
        expect(screen.getByRole('img', { name: 'Target: step 4.1 of 9; Predicted: step 5.0 of 9' })).toBeTruthy();
        expect(container.querySelectorAll('g rect')).toHaveLength(9);
        const pointers = [...container.querySelectorAll('path')].map((path) => path.getAttribute('d') ?? '');
        // Step 5 of 9 is in the middle of the height.
        expect(pointers[1]).toContain(' 90 ');
        expect(pointers).toHaveLength(2);
    });

    it('has its lightest rung on top', () => {
        const { container } = show(<Ladder marks={[]} />);
        const fills = [...container.querySelectorAll('g rect')].map((rect) => rect.getAttribute('fill'));
        expect(fills[0]).toBe('#ffffff');
        expect([...fills].sort().reverse()).toEqual(fills);
    });
});

describe('the hue ring', () => {
    it('says place, lean and chroma', () => {
        show(<HueRing colour={colour({}, { lean: 'blue' })} />);
        expect(screen.getByRole('img', { name: 'On the hue ring: green, leans blue, chroma 18' })).toBeTruthy();
    });

    it('points further out the cleaner a colour is, and nowhere for a grey', () => {
        const length = (chroma: number) => {
            const { container, unmount } = show(<HueRing colour={colour({}, { chroma, wheelPosition: 0 })} />);
            const line = [...container.querySelectorAll('line')].at(-1);
            const grey = line?.getAttribute('stroke-width') === '1';
            const long = grey ? 0 : 75 - Number(line?.getAttribute('y2'));
            unmount();

            return long;
        };
        expect(length(0)).toBe(0);
        expect(length(60)).toBeGreaterThan(length(15) * 1.5);
        expect(length(300)).toBeLessThan(60);
    });

    it('has its colour in the dot only', () => {
        const { container } = show(<HueRing colour={colour({ hex: '#aa3311' })} />);
        expect([...container.querySelectorAll('[fill="#aa3311"]')].map((element) => element.tagName)).toEqual([
            'circle',
        ]);
    });
});

describe('growth rings', () => {
    it.each([
        [1, '100 percent of the tooth left', 0],
        [0.5, '50 percent of the tooth left', 2.5],
        [0, '0 percent of the tooth left', 5],
    ])('for %d left', (left, name, used) => {
        const { container } = show(<ToothRings left={left} size={60} />);
        expect(screen.getByRole('img', { name })).toBeTruthy();
        const filled = [...container.querySelectorAll('circle[stroke-dasharray]')].map((ring) => {
            const [on = 0, around = 1] = (ring.getAttribute('stroke-dasharray') ?? '').split(' ').map(Number);

            return on / around;
        });
        expect(filled.reduce((sum, share) => sum + share, 0)).toBeCloseTo(used, 5);
    });
});

describe('the grain section', () => {
    it('says how full peaks and valleys are', () => {
        show(<GrainSection bins={section} paper="#f4f2ee" />);
        expect(
            screen.getByRole('img', { name: 'Grain section, 1 films: Full at the peaks, open in the valleys.' }),
        ).toBeTruthy();
    });

    it('draws a film in its own colour, the limit broken and the paper', () => {
        const { container } = show(<GrainSection bins={section} paper="#f4f2ee" />);
        expect(container.querySelectorAll('path[fill="#305090"]')).toHaveLength(1);
        expect(container.querySelectorAll('path[stroke-dasharray]')).toHaveLength(1);
        expect(container.querySelectorAll('path[fill="#f4f2ee"]')).toHaveLength(1);
        expect(screen.getByText('Full at the peaks, open in the valleys.')).toBeTruthy();
    });

    it('is bare for bare paper', () => {
        const { container } = show(
            <GrainSection bins={section.map((bin) => ({ ...bin, films: [] }))} paper="#f4f2ee" />,
        );
        expect(container.querySelectorAll('path')).toHaveLength(3);
    });
});

describe('a recipe card', () => {
    it('calls out numbers first, in the order in which they are laid', () => {
        show(<RecipeCard rank="No. 1" target={colour()} recipe={recipe()} onOpen={() => undefined} />);
        const list = screen.getByRole('list', { name: 'Steps, first laid first' });
        expect([...list.querySelectorAll('b')].map((number) => number.textContent)).toEqual(['404', '519']);
        expect(list.textContent).toContain('95 % burnish');
        expect(screen.getByText('on target')).toBeTruthy();
        expect(screen.getByText(/dE00 0.6 ± 3.0|dE00 0.6 ± 2.9/)).toBeTruthy();
    });

    it('marks the underlayer, operations and warnings in words', () => {
        show(
            <RecipeCard
                rank="No. 2"
                target={colour()}
                recipe={recipe({
                    underlayer: 0,
                    steps: [step('201', 30), wash, step('513', 60, 2)],
                    warnings: [
                        {
                            code: 'low_tooth',
                            sentence: 'Little tooth left for corrections.',
                            cure: null,
                            cureStack: null,
                        },
                    ],
                })}
                onOpen={() => undefined}
            />,
        );
        expect(screen.getByText('30 % light, under it')).toBeTruthy();
        expect(screen.getByText('wash, let dry')).toBeTruthy();
        expect(screen.getByText(/60 % medium, 2 coats/)).toBeTruthy();
        expect(screen.getByText('Little tooth left for corrections.')).toBeTruthy();
    });

    it('says to leave the paper where the stack is empty', () => {
        show(
            <RecipeCard
                rank="No. 1"
                target={colour()}
                recipe={recipe({ stack: '', steps: [] })}
                onOpen={() => undefined}
            />,
        );
        expect(screen.getByText('Leave the paper bare.')).toBeTruthy();
    });

    it('tells rounds once, with how often they are laid, and what is said in a line', () => {
        const steps = [step('544', 30), ...[1, 2, 3].flatMap(() => [step('404', 45, 2), step('422', 40)])];
        const rounds = [
            { times: 1, from: 0, steps: 1 },
            { times: 3, from: 1, steps: 2 },
        ];
        show(
            <RecipeCard
                rank="No. 1"
                target={colour()}
                recipe={recipe({ steps, rounds, build: '3 rounds: 404, then 422.', underlayer: 0 })}
                onOpen={() => undefined}
            />,
        );
        const list = screen.getByRole('list', { name: 'Steps, first laid first' });
        expect(within(list).getByText('3 rounds')).toBeTruthy();
        expect([...list.querySelectorAll('b')].map((number) => number.textContent)).toEqual(['544', '404', '422']);
    });

    it('marks what breaks a rule, and offers what avoids a warning', async () => {
        const see = vi.fn();
        show(
            <RecipeCard
                rank="No. 3"
                target={colour()}
                recipe={recipe({
                    breaks: 'Only a burnish reaches this: 3.1 nearer.',
                    warnings: [
                        {
                            code: 'muddy',
                            sentence: 'This goes muddy.',
                            cure: '607 in place of 722 avoids it, 0.3 further off.',
                            cureStack: 'QW:607@40',
                        },
                    ],
                })}
                onOpen={() => undefined}
                onStack={see}
            />,
        );
        expect(screen.getByText('Only a burnish reaches this: 3.1 nearer.')).toBeTruthy();
        await userEvent.click(screen.getByRole('button', { name: /See what avoids it: 607 in place of 722/ }));
        expect(see).toHaveBeenCalledWith('QW:607@40');
    });

    it('opens by its button', async () => {
        const open = vi.fn();
        show(<RecipeCard rank="No. 1" target={colour()} recipe={recipe()} onOpen={open} />);
        await userEvent.click(screen.getByRole('button', { name: 'Adjust recipe No. 1' }));
        expect(open).toHaveBeenCalledOnce();
    });
});

describe('the zone strip', () => {
    const zones = [
        zone('a', 'Float, light', { recipe: recipe() }),
        zone('b', 'A zone with a name far too long for any strip below a picture'),
    ];

    it('numbers the zones, tells which have a recipe and which is chosen', () => {
        show(<ZoneStrip zones={zones} chosen="b" onChoose={() => undefined} />);
        const [first, second] = screen.getAllByRole('button');
        expect(first?.textContent).toContain('has a recipe');
        expect(second?.textContent).not.toContain('has a recipe');
        expect(first?.getAttribute('aria-pressed')).toBe('false');
        expect(second?.getAttribute('aria-pressed')).toBe('true');
        expect(second?.title).toContain('far too long');
    });

    it('chooses by click', async () => {
        const choose = vi.fn();
        show(<ZoneStrip zones={zones} chosen={null} onChoose={choose} />);
        await userEvent.click(screen.getByRole('button', { name: /Float, light/ }));
        expect(choose).toHaveBeenCalledWith('a');
    });
});

describe('the reading', () => {
    it('tells everything in words and numbers', () => {
        show(<Reading name="Float" colour={colour({}, { lean: 'blue' })} spread={1} />);
        const reading = screen.getByTestId('reading');
        expect(reading.textContent).toContain('green');
        expect(reading.textContent).toContain('leans blue, a tone, cool');
        expect(reading.textContent).toContain('Value step 4 of 9');
        expect(reading.textContent).toContain('L 46.4');
        expect(reading.textContent).toContain('an even patch');
    });

    it.each([
        [5, 'varies a little'],
        [20, 'uneven: sample smaller'],
    ])('says of a spread of %i: %s', (spread, words) => {
        show(<Reading name="Float" colour={colour()} spread={spread} />);
        expect(screen.getByTestId('reading').textContent).toContain(words);
    });

    it('shows the prediction on the ladder beside the target', () => {
        show(<Reading name="Float" colour={colour()} spread={1} predicted={colour({}, { valuePosition: 5.2 })} />);
        expect(screen.getByRole('img', { name: 'Target: step 4.1 of 9; Predicted: step 5.2 of 9' })).toBeTruthy();
    });
});

describe('fields and states', () => {
    it('ties a problem to its field', () => {
        show(<Field label="Title" problem="Give the piece a title." />);
        const field = screen.getByLabelText('Title');
        expect(field.getAttribute('aria-invalid')).toBe('true');
        expect(
            document.getElementById(field.getAttribute('aria-describedby')?.split(' ').at(-1) ?? '')?.textContent,
        ).toBe('Give the piece a title.');
    });

    it('lets a refused form be sent again', async () => {
        const sent = vi.fn((event: { preventDefault: () => void }) => event.preventDefault());
        show(
            <form onSubmit={sent}>
                <Field label="Title" problem="Give the piece a title." />
                <Button type="submit">Send</Button>
            </form>,
        );
        await userEvent.click(screen.getByRole('button', { name: 'Send' }));
        expect(sent).toHaveBeenCalledOnce();
    });

    it('says what went wrong and offers another try only where there is one', async () => {
        const retry = vi.fn();
        const { unmount } = show(<Problem message="The studio does not answer." retry={retry} />);
        expect(screen.getByRole('alert').textContent).toContain('does not answer');
        await userEvent.click(screen.getByRole('button', { name: 'Try again' }));
        expect(retry).toHaveBeenCalledOnce();
        unmount();
        show(<Problem message="There is no such piece." />);
        expect(screen.queryByRole('button')).toBeNull();
    });

    it('ticks by click and key', async () => {
        const change = vi.fn();
        show(<Tick onChange={change}>No black</Tick>);
        await userEvent.click(screen.getByRole('checkbox', { name: 'No black' }));
        await userEvent.keyboard(' ');
        expect(change.mock.calls).toEqual([[true], [false]]);
    });
});

describe('the light of the desk', () => {
    function Lamp() {
        const { setting, toggle } = useDeskLight();

        return <Button onPress={toggle}>{setting}</Button>;
    }

    it('changes, and is kept on this machine', async () => {
        const { unmount } = show(<Lamp />);
        await userEvent.click(screen.getByRole('button', { name: 'daylight' }));
        expect(screen.getByRole('button', { name: 'dim' })).toBeTruthy();
        expect(document.documentElement.dataset.desk).toBe('dim');
        unmount();
        show(<Lamp />);
        expect(screen.getByRole('button', { name: 'dim' })).toBeTruthy();
    });
});

describe('what is saved', () => {
    function Change() {
        const change = useMutation({ mutationFn: () => Promise.resolve(1) });

        return <button onClick={() => change.mutate()}>Change</button>;
    }

    afterEach(() => onlineManager.setOnline(true));

    it('waits without a network, and is sent when it is back', async () => {
        show(
            <>
                <Saved />
                <Change />
                <Change />
            </>,
        );
        const said = () => screen.getByTestId('saved').textContent;
        expect(said()).toBe('Saved');
        onlineManager.setOnline(false);
        const [one, other] = screen.getAllByRole('button', { name: 'Change' });
        if (one) await userEvent.click(one);
        await waitFor(() => expect(said()).toBe('1 change waits for the network'));
        if (other) await userEvent.click(other);
        await waitFor(() => expect(said()).toBe('2 changes wait for the network'));
        onlineManager.setOnline(true);
        await waitFor(() => expect(said()).toBe('Saved'));
    });
});

describe('a page that breaks', () => {
    it('says so in its place, and is tried again', async () => {
        vi.spyOn(console, 'error').mockImplementation(() => undefined);
        let broken = true;
        const Page = () => {
            if (broken) throw new Error('No such thing.');

            return <p>All is well</p>;
        };
        show(
            <>
                <p>The bar</p>
                <Boundary>
                    <Page />
                </Boundary>
            </>,
        );
        expect(screen.getByRole('alert').textContent).toContain('What you saved is safe');
        expect(screen.getByText('The bar')).toBeTruthy();
        broken = false;
        await userEvent.click(screen.getByRole('button', { name: 'Try again' }));
        expect(screen.getByText('All is well')).toBeTruthy();
    });
});

describe('words', () => {
    it('count and place', () => {
        expect([counted(1, 'field'), counted(2, 'field'), counted(0, 'swatch', 'swatches')]).toEqual([
            '1 field',
            '2 fields',
            '0 swatches',
        ]);
        expect([placeName(0.1, 0.9), placeName(0.5, 0.5), placeName(0.9, 0.5)]).toEqual([
            'lower left',
            'centre',
            'right',
        ]);
    });
});

describe('keys', () => {
    function Listening({ on }: { on: Parameters<typeof useKeys>[0] }) {
        useKeys(on);

        return (
            <>
                <input aria-label="name" />
                <button>Save</button>
                <div role="slider" aria-label="force" aria-valuenow={5} tabIndex={0} />
            </>
        );
    }

    it('answer to single signs and to Control', async () => {
        const on = { next: vi.fn(), undo: vi.fn(), redo: vi.fn(), help: vi.fn() };
        show(<Listening on={on} />);
        await userEvent.keyboard('n?{Control>}z{/Control}{Control>}{Shift>}z{/Shift}{/Control}');
        expect(on.next).toHaveBeenCalledOnce();
        expect(on.help).toHaveBeenCalledOnce();
        expect(on.undo).toHaveBeenCalledOnce();
        expect(on.redo).toHaveBeenCalledOnce();
    });

    it('are silent on what takes signs or arrows itself, not on a button', async () => {
        const on = { next: vi.fn(), nearer: vi.fn() };
        show(<Listening on={on} />);
        await userEvent.type(screen.getByLabelText('name'), 'nine');
        screen.getByRole('slider').focus();
        await userEvent.keyboard('n+');
        expect(on.next).not.toHaveBeenCalled();
        expect(on.nearer).not.toHaveBeenCalled();
        screen.getByRole('button').focus();
        await userEvent.keyboard('n');
        expect(on.next).toHaveBeenCalledOnce();
    });

    it('are silent while a sheet lies over the desk', async () => {
        const on = { next: vi.fn() };
        show(
            <>
                <Listening on={on} />
                <div role="dialog" aria-label="Keys" />
            </>,
        );
        await userEvent.keyboard('n');
        expect(on.next).not.toHaveBeenCalled();
    });

    it('of one sign can be switched off, and on again', async () => {
        const on = { next: vi.fn(), undo: vi.fn(), help: vi.fn() };
        setSingleKeys(false);
        show(<Listening on={on} />);
        await userEvent.keyboard('nu?{Control>}z{/Control}');
        expect(on.next).not.toHaveBeenCalled();
        expect(on.help).not.toHaveBeenCalled();
        expect(on.undo).toHaveBeenCalledOnce();
        setSingleKeys(true);
        await userEvent.keyboard('n');
        expect(on.next).toHaveBeenCalledOnce();
    });

    it('are each for one thing only where they are listened for, and said as they are labelled', () => {
        // Practice has none of the desk’s: figures are answers there, and stages here.
        const { answer, ...desk } = KEYS;
        expect(new Set(answer.keys).size).toBe(9);
        const all = Object.values(desk).flatMap(({ keys }) => [...keys]);
        expect(new Set(all).size).toBe(all.length);
        expect(['mod+shift+z', '+', '-', 'escape', 'n'].map(spokenKey)).toEqual(['Ctrl Shift Z', '+', '−', 'Esc', 'N']);
    });
});
