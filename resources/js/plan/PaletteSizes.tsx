import { ToggleButton, ToggleButtonGroup } from 'react-aria-components';
import styled from 'styled-components';
import type { Plan } from '../api/client';
import { radius, space, type } from '../ui/theme';
import { counted } from '../ui/words';

const Columns = styled(ToggleButtonGroup)`
    display: grid;
    grid-auto-flow: column;
    grid-auto-columns: minmax(0, 1fr);
    gap: ${space.xs};
    & > button {
        display: grid;
        grid-template-rows: 20px 64px minmax(76px, auto) 24px;
        gap: ${space.xs};
        justify-items: center;
        padding: ${space.xs};
        border: 1px solid transparent;
        border-radius: ${radius};
        background: ${({ theme }) => theme.raised};
        color: ${({ theme }) => theme.ink};
        font-size: ${type.small};
        font-variant-numeric: tabular-nums;
        cursor: pointer;
    }
    & > button[data-hovered] {
        border-color: ${({ theme }) => theme.quiet};
    }
    & > button[data-selected] {
        outline: 3px solid ${({ theme }) => theme.ink};
        outline-offset: -2px;
        font-weight: 700;
    }
    & > button[data-focus-visible] {
        outline: 3px dashed ${({ theme }) => theme.ink};
        outline-offset: 1px;
    }
    & b {
        align-self: end;
        font-size: ${type.lead};
        line-height: 1;
    }
`;

/** How far the picture is missed: the taller the farther. */
const Miss = styled.span`
    display: flex;
    align-items: end;
    width: 100%;
    height: 64px;
    border-bottom: 1px solid ${({ theme }) => theme.quiet};
    & > span {
        flex: 1;
        background: ${({ theme }) => theme.quiet};
    }
`;

/** The pencils of a size, lightest first. */
const Chips = styled.span`
    display: flex;
    flex-wrap: wrap;
    align-content: start;
    justify-content: center;
    width: 100%;
    & > i {
        width: 10px;
        height: 10px;
    }
`;

type Curve = NonNullable<Plan['palette']>['curve'];

interface Props {
    curve: Curve;
    /** As it is asked for; null: the whole box. */
    size: number | null;
    onChoose: (size: number | null) => void;
}

/** What each number of pencils costs, and which they would be: pressed, the picture is planned with so many. */
export function PaletteSizes({ curve, size, onChoose }: Props) {
    const most = Math.max(...curve.map(({ dE00 }) => dE00));
    const whole = curve.at(-1)?.size;

    return (
        <Columns
            aria-label="Pencils in the palette"
            selectionMode="single"
            disallowEmptySelection
            selectedKeys={[String(size ?? whole)]}
            onSelectionChange={(keys) => {
                const [chosen] = keys;
                if (chosen !== undefined) onChoose(Number(chosen) === whole ? null : Number(chosen));
            }}
        >
            {curve.map(({ size: count, dE00, hexes }) => (
                <ToggleButton
                    key={count}
                    id={String(count)}
                    aria-label={`${count === whole ? 'The whole box, ' : ''}${counted(count, 'pencil')}, ${dE00.toFixed(1)} off`}
                >
                    <span>{dE00.toFixed(1)}</span>
                    <Miss aria-hidden>
                        <span style={{ height: `${most > 0 ? (100 * dE00) / most : 0}%` }} />
                    </Miss>
                    <Chips aria-hidden>
                        {hexes.map((hex, index) => (
                            <i key={index} style={{ background: hex }} />
                        ))}
                    </Chips>
                    <b>{count}</b>
                </ToggleButton>
            ))}
        </Columns>
    );
}
