import { Label, Slider, SliderOutput, SliderTrack } from 'react-aria-components';
import styled from 'styled-components';
import { SaidThumb } from './SaidThumb';
import { sliderLook } from './sliderLook';
import { space, type } from './theme';

const Box = styled(Slider)`
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 2px ${space.s};
    font-size: ${type.small};
    & > label {
        font-weight: 560;
        color: ${({ theme }) => theme.quiet};
    }
    ${sliderLook}
    & .track {
        grid-column: 1 / -1;
        /* At either end the thumb stays within the column. */
        margin: 0 8px;
    }
    & .track::before {
        inset: 12px -8px;
    }
`;

interface Props {
    label: string;
    value: number;
    from: number;
    to: number;
    step?: number;
    say: (value: number) => string;
    onChange: (value: number) => void;
    onEnd?: (value: number) => void;
    isDisabled?: boolean;
}

/** A number on a line, with what it means. */
export function Dial({ label, value, from, to, step = 1, say, onChange, onEnd, isDisabled = false }: Props) {
    return (
        <Box
            value={value}
            minValue={from}
            maxValue={to}
            step={step}
            isDisabled={isDisabled}
            onChange={(next) => onChange(Number(next))}
            onChangeEnd={(next) => onEnd?.(Number(next))}
        >
            <Label>{label}</Label>
            <SliderOutput>{() => say(value)}</SliderOutput>
            <SliderTrack className="track">
                <SaidThumb said={say(value)} />
            </SliderTrack>
        </Box>
    );
}
