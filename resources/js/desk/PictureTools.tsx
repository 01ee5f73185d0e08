import { Dialog, DialogTrigger } from 'react-aria-components';
import styled from 'styled-components';
import type { Piece } from '../api/client';
import { Button } from '../ui/Button';
import { Choice, Panel } from '../ui/Choice';
import { Segments } from '../ui/Segments';
import { space, type } from '../ui/theme';
import { Toggle } from '../ui/Toggle';
import { DEFAULT_RADIUS, useView, type View } from './address';
import { useChosen, useDeskAbout, useHands, useTool } from './DeskContext';
import { useResize } from './useResize';
import { useZoom, useZoomed } from './zoom';
import { Sign } from '../ui/Sign';

/** One row; where it is narrow, the views are a list that opens. */
const Row = styled.div`
    container-type: inline-size;
    & > div {
        display: flex;
        /* Only where not even the narrow row has room: a window that is magnified. */
        flex-wrap: wrap;
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

const Square = styled(Button)`
    width: 32px;
    padding: 0;
`;

const Scale = styled(Button)`
    width: 62px;
    padding: 0 ${space.xs};
    contain: layout;
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

const viewNames = (piece: Pick<Piece, 'lines'>): { id: View; name: string }[] => [
    { id: 'photo', name: piece.lines ? 'Picture' : 'Photo' },
    { id: 'value', name: 'Greys' },
    { id: 'steps', name: 'Steps' },
    { id: 'temperature', name: 'Warm, cool' },
    { id: 'drawing', name: 'Drawing' },
];

/** How wide the patch is on the paper. */
function millimetres({ format }: Pick<Piece, 'format'>, radius: number) {
    const wide = 2 * radius * (format.widthMm / (format.crop?.width ?? 1));

    return `${wide < 1 ? wide.toFixed(1) : wide.toFixed(0)} mm`;
}

/** How large the picture is shown: all that follows the wheel beside the picture itself. */
function Percent() {
    return <span data-testid="zoom">{useZoomed(({ scale }) => Math.round(100 * scale))} %</span>;
}

function Zooming() {
    const zoom = useZoom();
    const isWhole = useZoomed(({ scale }) => scale === 1);

    return (
        <Together>
            <Square aria-label="Zoom out" isDisabled={isWhole} onPress={() => zoom.by(1 / 1.5)}>
                −
            </Square>
            <Scale aria-label="Show all of it" isDisabled={isWhole} onPress={zoom.fit}>
                <Percent />
            </Scale>
            <Square aria-label="Zoom in" onPress={() => zoom.by(1.5)}>
                +
            </Square>
        </Together>
    );
}

interface Switch {
    name: string;
    on: boolean;
    set: (on: boolean) => void;
    off?: boolean;
    /** It shows what is chosen, and nothing while nothing is. */
    ofChosen?: boolean;
}

function Switches({ switches }: { switches: Switch[] }) {
    const { selected } = useChosen();

    return switches.map(({ name, on, set, off = false, ofChosen = false }) => (
        <Toggle key={name} isSelected={on} onChange={set} isDisabled={off || (ofChosen && !selected)}>
            {name}
        </Toggle>
    ));
}

/** How wide the sampled patch is on the paper. */
function SampleSize() {
    const piece = useDeskAbout();
    const { spot } = useChosen();
    const resize = useResize();

    return (
        <Together>
            <span style={{ flex: 1 }}>Sample {millimetres(piece, spot?.radius ?? DEFAULT_RADIUS)}</span>
            <Square aria-label="Smaller sample" onPress={() => resize(1 / 1.4)}>
                −
            </Square>
            <Square aria-label="Larger sample" onPress={() => resize(1.4)}>
                +
            </Square>
        </Together>
    );
}

/** How the picture is shown and what a click on it means; while a tool is in hand, what it asks for. */
export function PictureTools() {
    const piece = useDeskAbout();
    const view = useView();
    const tool = useTool();
    const { take } = useHands();

    if (tool) {
        return (
            <Task role="status" data-testid="task">
                <span>{tool.title}</span>
                <Button onPress={() => take(null)}>Cancel</Button>
            </Task>
        );
    }
    const { hasAreas } = piece;

    const switches: Switch[] = [
        { name: 'Mirror', on: view.mirror, set: (on) => view.toggle('mirror', on) },
        { name: 'Upside down', on: view.turn, set: (on) => view.toggle('turn', on) },
        { name: 'Grid', on: view.grid, set: (on) => view.toggle('grid', on) },
        { name: 'Centre lines', on: view.centre, set: (on) => view.toggle('centre', on) },
        {
            name: 'Borders',
            on: view.borders,
            set: (on) => view.toggle('borders', on),
            off: !piece.hasZones,
        },
        {
            name: 'Alone on grey',
            ofChosen: true,
            on: view.isolate,
            set: (on) => view.toggle('isolate', on),
        },
        {
            name: 'Under lamp',
            on: view.lamp,
            set: (on) => view.toggle('lamp', on),
            off: piece.lamp === 'daylight' || view.view !== 'photo',
        },
    ];
    // Borders are shown unless they are hidden; all else is as it is not.
    const changed = switches.filter(({ name, on, off }) => !off && on !== (name === 'Borders')).map(({ name }) => name);

    return (
        <Row>
            <div>
                <div className="wide">
                    <Segments label="View" value={view.view} options={viewNames(piece)} onChange={view.setView} />
                </div>
                <div className="narrow">
                    <Choice
                        label="View"
                        hideLabel
                        value={view.view}
                        options={viewNames(piece)}
                        onChange={view.setView}
                    />
                </div>
                <DialogTrigger>
                    <Opener
                        $on={changed.length > 0}
                        aria-label={changed.length > 0 ? `More of the view: ${changed.join(', ')}` : 'More of the view'}
                    >
                        More <Sign of="more" />
                    </Opener>
                    <More placement="bottom">
                        <Dialog aria-label="More of the view">
                            <Switches switches={switches} />
                            <SampleSize />
                        </Dialog>
                    </More>
                </DialogTrigger>
                <Together>
                    <span aria-hidden>Click</span>
                    <Segments
                        label="A click chooses"
                        value={view.pick === 'spots' || !hasAreas ? 'spots' : 'zones'}
                        options={[
                            { id: 'zones', name: 'Zone' },
                            { id: 'spots', name: 'Spot' },
                        ]}
                        onChange={(what) => view.pickSpots(what === 'spots')}
                        isDisabled={!hasAreas}
                    />
                </Together>
                <Zooming />
            </div>
        </Row>
    );
}
