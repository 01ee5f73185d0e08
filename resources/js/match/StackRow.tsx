import { useCallback, useState, type ReactNode } from 'react';
import { Button as AriaButton, GridListItem, Slider, SliderTrack } from 'react-aria-components';
import styled, { css } from 'styled-components';
import { SignButton } from '../ui/Button';
import { pressureText } from '../ui/Pressure';
import { SaidThumb } from '../ui/SaidThumb';
import { sliderLook } from '../ui/sliderLook';
import { radius, space, target, type } from '../ui/theme';
import type { DraftStep } from './draft';
import { PencilPicker, type Pickable } from '../ui/PencilPicker';
import { Sign } from '../ui/Sign';

const MOST_PASSES = 9;
const LEAST_PRESSURE = 5;

/** In two lines, where the column is narrow or all is made for fingers. */
const narrow = (rules: ReturnType<typeof css>) => css`
    @container (max-width: 490px) {
        ${rules}
    }
    @media (pointer: coarse) {
        ${rules}
    }
`;

const Row = styled(GridListItem)`
    display: grid;
    grid-template-columns: 18px 22px 12px minmax(150px, 2fr) minmax(86px, 1fr) 78px 22px 40px;
    align-items: center;
    gap: 6px;
    padding: ${space.xs} ${space.xs} ${space.xs} 0;
    border: 1px solid ${({ theme }) => theme.line};
    border-radius: ${radius};
    background: ${({ theme }) => theme.raised};
    &[data-focus-visible] {
        outline: 2px solid ${({ theme }) => theme.ink};
    }
    &[data-dragging] {
        opacity: 0.5;
    }
    & .tool {
        grid-column: 4 / 7;
    }
    ${narrow(css`
        grid-template-columns: 24px 44px 14px minmax(0, 1fr) auto 44px;
        & .force {
            grid-area: 2 / 4;
        }
        & .coats {
            grid-area: 2 / 5 / 2 / 7;
        }
        & .tool {
            grid-column: 4;
        }
        & .remove {
            grid-area: 1 / 5;
        }
        & .after {
            grid-area: 1 / 6;
        }
    `)}
` as typeof GridListItem;

const Handle = styled(AriaButton)`
    min-height: 40px;
    border: 0;
    background: none;
    cursor: grab;
    font-size: ${type.lead};
`;

const Force = styled(Slider)`
    display: grid;
    gap: 2px;
    & small {
        font-size: ${type.small};
        font-weight: 560;
    }
    ${sliderLook}
`;

const Moves = styled.span`
    display: grid;
    && button {
        width: 24px;
        min-height: 24px;
        padding: 0;
        border: 0;
        background: none;
    }
`;

const Passes = styled.div`
    display: flex;
    align-items: center;
    & button {
        width: 26px;
        min-height: ${target.usual};
    }
    & span {
        width: 32px;
        text-align: center;
    }
`;

interface SliderProps {
    label: string;
    pressure: number;
    onPress: (pressure: number) => void;
}

/** How hard, by a slider that answers by itself while it moves. */
function PressureSlider({ label, pressure, onPress }: SliderProps) {
    const [moved, setMoved] = useState<{ from: number; to: number } | null>(null);
    // What is laid has become another meanwhile: undone, or settled.
    const now = moved?.from === pressure ? moved.to : pressure;

    return (
        <Force
            className="force"
            aria-label={label}
            minValue={LEAST_PRESSURE}
            maxValue={100}
            step={5}
            value={now}
            onChange={(to) => {
                setMoved({ from: pressure, to: Number(to) });
                onPress(Number(to));
            }}
        >
            <SliderTrack className="track">
                <SaidThumb said={pressureText(now, 1)} />
            </SliderTrack>
            <small>{pressureText(now, 1)}</small>
        </Force>
    );
}

interface Props {
    step: DraftStep;
    index: number;
    isLast: boolean;
    box: Pickable[];
    /** The passage after it. */
    after: ReactNode;
    onMove: (by: -1 | 1) => void;
    /** Always the same. */
    onReplace: (key: string, changes: Partial<DraftStep>) => void;
    onPress: (pressure: number) => void;
    onRemove: () => void;
}

/** One step of an open recipe: moved, laid with another pencil, harder, in more coats, or not at all. */
export function StackRow({ step, index, isLast, box, after, onMove, onReplace, onPress, onRemove }: Props) {
    const { key, pencil } = step;
    // The picker is drawn anew for another pencil only, not for each pressure.
    const choose = useCallback(
        (to: string) => {
            if (to !== pencil) onReplace(key, { pencil: to });
        },
        [key, pencil, onReplace],
    );
    const name = step.kind === 'layer' ? step.pencil : step.kind;

    return (
        <Row id={step.key} textValue={`${index + 1}: ${name}`}>
            <Handle slot="drag" aria-label={`Move step ${index + 1}`}>
                <Sign of="drag" />
            </Handle>
            <Moves>
                <SignButton
                    aria-label={`Lay step ${index + 1} earlier`}
                    isDisabled={index === 0}
                    onPress={() => onMove(-1)}
                >
                    ↑
                </SignButton>
                <SignButton aria-label={`Lay step ${index + 1} later`} isDisabled={isLast} onPress={() => onMove(1)}>
                    ↓
                </SignButton>
            </Moves>
            <b>{index + 1}</b>
            {step.kind === 'layer' ? (
                <>
                    <PencilPicker
                        pencils={box}
                        value={step.pencil}
                        label={`Pencil of step ${index + 1}`}
                        onChange={choose}
                    />
                    <PressureSlider
                        label={`Pressure of step ${index + 1}`}
                        pressure={step.pressure}
                        onPress={onPress}
                    />
                    <Passes className="coats" role="group" aria-label={`Coats of step ${index + 1}`}>
                        <SignButton
                            aria-label="One coat less"
                            isDisabled={step.passes === 1}
                            onPress={() => onReplace(key, { passes: step.passes - 1 })}
                        >
                            −
                        </SignButton>
                        <span>
                            <b>{step.passes}</b> ×
                        </span>
                        <SignButton
                            aria-label="One coat more"
                            isDisabled={step.passes === MOST_PASSES}
                            onPress={() => onReplace(key, { passes: step.passes + 1 })}
                        >
                            +
                        </SignButton>
                    </Passes>
                </>
            ) : (
                <strong className="tool">
                    {step.kind === 'wash'
                        ? 'Solvent wash, dried'
                        : step.kind === 'blend'
                          ? 'Colourless blender'
                          : 'Kneaded eraser'}
                </strong>
            )}
            <SignButton className="remove" aria-label={`Remove step ${index + 1}`} onPress={onRemove}>
                ×
            </SignButton>
            <span className="after">{after}</span>
        </Row>
    );
}
