import { Dialog, DialogTrigger } from 'react-aria-components';
import styled from 'styled-components';
import type { Piece } from '../api/client';
import { Button } from '../ui/Button';
import { Choice, Panel } from '../ui/Choice';
import { Segments } from '../ui/Segments';
import { space, type } from '../ui/theme';
import { Toggle } from '../ui/Toggle';
import { useDesk } from './DeskContext';
import { DEFAULT_RADIUS, type View } from './useSelection';
import type { ZoomState } from './useZoom';

/** One row; where it is narrow, the views are a list that opens. */
const Row = styled.div`
    container-type: inline-size;
    & > div {
        display: flex;
        align-items: center;
        justify-content: space-between;
        gap: ${space.s};
        font-size: ${type.small};
    }
    & .narrow {
        display: none;
    }
    @container (max-width: 660px) {
        & .wide {
            display: none;
        }
        & .narrow {
            display: block;
        }
    }
`;

/** A word, signs and a number stay on one line. */
const Together = styled.span`
    display: flex;
    align-items: center;
    gap: ${space.xs};
    white-space: nowrap;
`;

const Sign = styled(Button)`
    width: 32px;
    padding: 0;
`;

const Scale = styled(Button)`
    min-width: 54px;
    padding: 0 ${space.xs};
    font-variant-numeric: tabular-nums;
`;

/** Dark while something of it is on. */
const Opener = styled(Button)<{ $on: boolean }>`
    ${({ theme, $on }) => $on && `&& { background: ${theme.strong}; color: ${theme.onStrong}; }`}
`;

const More = styled(Panel)`
    display: grid;
    gap: ${space.s};
    padding: ${space.s};
    & section {
        display: grid;
        grid-template-columns: 1fr 1fr;
        gap: ${space.s};
        outline: none;
    }
    & section > span {
        grid-column: 1 / -1;
    }
`;

const Task = styled.div`
    display: flex;
    align-items: center;
    justify-content: space-between;
    gap: ${space.s};
    min-height: 36px;
    padding: 0 ${space.s};
    border: 2px dashed ${({ theme }) => theme.ink};
    font-weight: 560;
`;

const VIEW_NAMES: { id: View; name: string }[] = [
    { id: 'photo', name: 'Photo' },
    { id: 'value', name: 'Greys' },
    { id: 'steps', name: 'Steps' },
    { id: 'temperature', name: 'Warm, cool' },
    { id: 'drawing', name: 'Drawing' },
];

/** How wide the patch is on the paper. */
function millimetres({ format }: Piece, radius: number) {
    const wide = 2 * radius * (format.widthMm / (format.crop?.width ?? 1));

    return `${wide < 1 ? wide.toFixed(1) : wide.toFixed(0)} mm`;
}

interface Props {
    zoom: ZoomState;
    onResize: (factor: number) => void;
}

/** How the picture is shown and what a click on it means; while a tool is in hand, what it asks for. */
export function PictureTools({ zoom, onResize }: Props) {
    const { piece, selection, selected, tool, take } = useDesk();

    if (tool) {
        return (
            <Task role="status" data-testid="task">
                <span>{tool.title}</span>
                <Button onPress={() => take(null)}>Cancel</Button>
            </Task>
        );
    }
    const hasAreas = piece.zones.some((zone) => zone.outline !== null);

    const switches: { name: string; on: boolean; set: (on: boolean) => void; off?: boolean }[] = [
        { name: 'Mirror', on: selection.mirrored, set: (on) => selection.toggle('mirror', on) },
        { name: 'Upside down', on: selection.upsideDown, set: (on) => selection.toggle('turn', on) },
        { name: 'Grid', on: selection.gridShown, set: (on) => selection.toggle('grid', on) },
        {
            name: 'Borders',
            on: selection.bordersShown,
            set: selection.showBorders,
            off: piece.zones.length === 0,
        },
        {
            name: 'Alone on grey',
            on: selection.isolated,
            set: (on) => selection.toggle('isolate', on),
            off: !selected,
        },
        {
            name: 'Under lamp',
            on: selection.underLamp,
            set: (on) => selection.toggle('lamp', on),
            off: piece.lamp === 'daylight' || selection.view !== 'photo',
        },
    ];
    // Borders are shown unless they are hidden; all else is as it is not.
    const changed = switches.filter(({ name, on, off }) => !off && on !== (name === 'Borders')).map(({ name }) => name);

    return (
        <Row>
            <div>
                <div className="wide">
                    <Segments label="View" value={selection.view} options={VIEW_NAMES} onChange={selection.setView} />
                </div>
                <div className="narrow">
                    <Choice
                        label="View"
                        hideLabel
                        value={selection.view}
                        options={VIEW_NAMES}
                        onChange={selection.setView}
                    />
                </div>
                <DialogTrigger>
                    <Opener
                        $on={changed.length > 0}
                        aria-label={changed.length > 0 ? `More of the view: ${changed.join(', ')}` : 'More of the view'}
                    >
                        More <span aria-hidden>▾</span>
                    </Opener>
                    <More placement="bottom">
                        <Dialog aria-label="More of the view">
                            {switches.map(({ name, on, set, off = false }) => (
                                <Toggle key={name} isSelected={on} onChange={set} isDisabled={off}>
                                    {name}
                                </Toggle>
                            ))}
                            <Together>
                                <span style={{ flex: 1 }}>
                                    Sample {millimetres(piece, (selected?.spot ?? { radius: DEFAULT_RADIUS }).radius)}
                                </span>
                                <Sign aria-label="Smaller sample" onPress={() => onResize(1 / 1.4)}>
                                    −
                                </Sign>
                                <Sign aria-label="Larger sample" onPress={() => onResize(1.4)}>
                                    +
                                </Sign>
                            </Together>
                        </Dialog>
                    </More>
                </DialogTrigger>
                <Together>
                    <span aria-hidden>Click</span>
                    <Segments
                        label="A click chooses"
                        value={selection.picksSpots || !hasAreas ? 'spots' : 'zones'}
                        options={[
                            { id: 'zones', name: 'Zone' },
                            { id: 'spots', name: 'Spot' },
                        ]}
                        onChange={(what) => selection.pickSpots(what === 'spots')}
                        isDisabled={!hasAreas}
                    />
                </Together>
                <Together>
                    <Sign aria-label="Zoom out" isDisabled={zoom.scale === 1} onPress={() => zoom.by(1 / 1.5)}>
                        −
                    </Sign>
                    <Scale aria-label="Show all of it" isDisabled={zoom.scale === 1} onPress={zoom.fit}>
                        <span data-testid="zoom">{Math.round(100 * zoom.scale)} %</span>
                    </Scale>
                    <Sign aria-label="Zoom in" onPress={() => zoom.by(1.5)}>
                        +
                    </Sign>
                </Together>
            </div>
        </Row>
    );
}
