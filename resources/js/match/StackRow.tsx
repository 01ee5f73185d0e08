import { Button as AriaButton, GridListItem, Slider, SliderThumb, SliderTrack } from 'react-aria-components';
import styled from 'styled-components';
import type { Colour } from '../api/client';
import { SignButton } from '../ui/Button';
import { pressureText } from '../ui/Pressure';
import { sliderLook } from '../ui/sliderLook';
import { Swatch } from '../ui/Swatch';
import { radius, space, type } from '../ui/theme';
import type { DraftStep } from './draft';
import { PencilPicker, type Pickable } from './PencilPicker';

const MOST_PASSES = 9;

const Row = styled(GridListItem)`
    display: grid;
    grid-template-columns: 20px 22px 12px minmax(132px, 1.6fr) minmax(98px, 1fr) 80px 24px 40px;
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
    & > b {
        text-align: end;
    }
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
        min-height: 20px;
        padding: 0;
        border: 0;
        background: none;
    }
    @media (pointer: coarse) {
        && button {
            min-height: 44px;
        }
    }
`;

const Passes = styled.div`
    display: flex;
    align-items: center;
    & button {
        width: 26px;
        min-height: 32px;
    }
    & span {
        width: 32px;
        text-align: center;
    }
`;

interface Props {
    step: DraftStep;
    index: number;
    isLast: boolean;
    box: Pickable[];
    /** The passage after it; none while that is being predicted. */
    looks: Colour | undefined;
    onMove: (by: -1 | 1) => void;
    onReplace: (changes: Partial<DraftStep>, isFinal?: boolean) => void;
    onRemove: () => void;
}

/** One step of an open recipe: moved, laid with another pencil, harder, in more coats, or not at all. */
export function StackRow({ step, index, isLast, box, looks, onMove, onReplace, onRemove }: Props) {
    const name = step.kind === 'layer' ? step.pencil : step.kind;

    return (
        <Row id={step.key} textValue={`${index + 1}: ${name}`}>
            <Handle slot="drag" aria-label={`Move step ${index + 1}`}>
                ≡
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
                        onChange={(pencil) => pencil !== step.pencil && onReplace({ pencil })}
                    />
                    <Force
                        aria-label={`Pressure of step ${index + 1}`}
                        minValue={5}
                        maxValue={100}
                        step={5}
                        value={step.pressure}
                        onChange={(pressure) => onReplace({ pressure: Number(pressure) }, false)}
                        onChangeEnd={(pressure) => onReplace({ pressure: Number(pressure) })}
                    >
                        <SliderTrack className="track">
                            <SliderThumb className="thumb" />
                        </SliderTrack>
                        <small>{pressureText(step.pressure, 1)}</small>
                    </Force>
                    <Passes role="group" aria-label={`Coats of step ${index + 1}`}>
                        <SignButton
                            aria-label="One coat less"
                            isDisabled={step.passes === 1}
                            onPress={() => onReplace({ passes: step.passes - 1 })}
                        >
                            −
                        </SignButton>
                        <span>
                            <b>{step.passes}</b> ×
                        </span>
                        <SignButton
                            aria-label="One coat more"
                            isDisabled={step.passes === MOST_PASSES}
                            onPress={() => onReplace({ passes: step.passes + 1 })}
                        >
                            +
                        </SignButton>
                    </Passes>
                </>
            ) : (
                <strong style={{ gridColumn: '4 / 7' }}>
                    {step.kind === 'wash'
                        ? 'Solvent wash, dried'
                        : step.kind === 'blend'
                          ? 'Colourless blender'
                          : 'Kneaded eraser'}
                </strong>
            )}
            <SignButton aria-label={`Remove step ${index + 1}`} onPress={onRemove}>
                ×
            </SignButton>
            {looks ? <Swatch colour={looks} label={`After step ${index + 1}`} width="44px" height="40px" /> : <span />}
        </Row>
    );
}
