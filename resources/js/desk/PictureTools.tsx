import styled from 'styled-components';
import type { Piece } from '../api/client';
import { Button } from '../ui/Button';
import { Segments } from '../ui/Segments';
import { space, type } from '../ui/theme';
import { Toggle } from '../ui/Toggle';
import { useDesk } from './DeskContext';
import { DEFAULT_RADIUS, type View } from './useSelection';
import type { ZoomState } from './useZoom';

const Rows = styled.div`
    display: grid;
    gap: ${space.xs};
`;

const Row = styled.div`
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: ${space.xs} ${space.s};
    font-size: ${type.small};
    min-height: 34px;
    & button {
        min-height: 32px;
    }
`;

/** A sign, a number and a sign stay on one line. */
const Together = styled.span`
    display: flex;
    align-items: center;
    gap: ${space.s};
`;

const Sign = styled(Button)`
    width: 34px;
    padding: 0;
`;

const Task = styled.div`
    display: flex;
    align-items: center;
    justify-content: space-between;
    gap: ${space.s};
    min-height: 72px;
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

/** Patch size on the working picture. */
const pixels = (piece: Piece, radius: number) => (radius * piece.photo.width).toFixed(0);

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
                <Button onPress={() => take(null)}>Put down</Button>
            </Task>
        );
    }
    const hasAreas = piece.zones.some((zone) => zone.outline !== null);

    return (
        <Rows>
            <Row>
                <Segments label="View" value={selection.view} options={VIEW_NAMES} onChange={selection.setView} />
                <Toggle isSelected={selection.mirrored} onChange={(on) => selection.toggle('mirror', on)}>
                    Mirror
                </Toggle>
                <Toggle isSelected={selection.upsideDown} onChange={(on) => selection.toggle('turn', on)}>
                    Upside down
                </Toggle>
                <Toggle isSelected={selection.gridShown} onChange={(on) => selection.toggle('grid', on)}>
                    Grid
                </Toggle>
                <Toggle
                    isSelected={selection.bordersShown}
                    onChange={selection.showBorders}
                    isDisabled={piece.zones.length === 0}
                >
                    Borders
                </Toggle>
            </Row>
            <Row>
                <Segments
                    label="A click"
                    value={selection.picksSpots || !hasAreas ? 'spots' : 'zones'}
                    options={[
                        { id: 'zones', name: 'Zones' },
                        { id: 'spots', name: 'Spots' },
                    ]}
                    onChange={(what) => selection.pickSpots(what === 'spots')}
                    isDisabled={!hasAreas}
                />
                <Toggle
                    isSelected={selection.isolated}
                    isDisabled={!selected}
                    onChange={(on) => selection.toggle('isolate', on)}
                >
                    Isolate
                </Toggle>
                <Toggle
                    isSelected={selection.underLamp}
                    onChange={(on) => selection.toggle('lamp', on)}
                    isDisabled={piece.lamp === 'daylight' || selection.view !== 'photo'}
                >
                    Under lamp
                </Toggle>
                <Together>
                    <Sign aria-label="Smaller sample" onPress={() => onResize(1 / 1.4)}>
                        −
                    </Sign>
                    <b>{pixels(piece, (selected?.spot ?? { radius: DEFAULT_RADIUS }).radius)} px</b>
                    <Sign aria-label="Larger sample" onPress={() => onResize(1.4)}>
                        +
                    </Sign>
                </Together>
                <Together style={{ marginInlineStart: 'auto' }}>
                    <Sign aria-label="Zoom out" isDisabled={zoom.scale === 1} onPress={() => zoom.by(1 / 1.5)}>
                        −
                    </Sign>
                    <b data-testid="zoom">{Math.round(100 * zoom.scale)} %</b>
                    <Sign aria-label="Zoom in" onPress={() => zoom.by(1.5)}>
                        +
                    </Sign>
                    <Button isDisabled={zoom.scale === 1} onPress={zoom.fit}>
                        Fit
                    </Button>
                </Together>
            </Row>
        </Rows>
    );
}
