import { useLayoutEffect, useMemo, useState } from 'react';
import { useLocation } from 'react-router';
import styled from 'styled-components';
import type { Piece, Zone } from '../api/client';
import { useKeptReserves, useLook } from '../api/lookQueries';
import { usePlan } from '../api/queries';
import { useSquint, useView } from './address';
import { CropFrame } from './CropFrame';
import { useChosen, useDeskPiece, useOverlay, useTool } from './DeskContext';
import { drawingUrl } from './drawing';
import { CentreLines, Grid } from './Grid';
import { MeasuredLines } from './MeasuredLines';
import { OwnDrawing } from './OwnDrawing';
import { PictureFilters } from './PictureFilters';
import { useParts } from './parts';
import { PictureLines } from './PictureLines';
import { Sheet } from './Sheet';
import type { Stroking } from './strokes';
import { usePointers } from './usePointers';
import { Veil } from './Veil';
import { useZoom, useZoomed, WHOLE } from './zoom';

const MAGNIFY = 9;
/** From here on the larger picture is shown. */
const CLOSE = 1.4;

const Frame = styled.div`
    position: relative;
    width: 100%;
    margin: auto;
    overflow: hidden;
    container-type: inline-size;
    cursor: crosshair;
    touch-action: none;
    background: ${({ theme }) => theme.surround};
`;

/** Where nothing is shown but one step: hatched, so that no grey is mistaken for a value. */
const Hatched = styled.div`
    position: absolute;
    inset: 0;
    background: repeating-linear-gradient(
        45deg,
        ${({ theme }) => theme.surround} 0 6px,
        ${({ theme }) => theme.line} 6px 8px
    );
`;

const Reserved = styled.div`
    position: absolute;
    background: repeating-linear-gradient(45deg, #111 0 2px, #fff 2px 5px);
    mask-size: 100% 100%;
    pointer-events: none;
`;

const Waiting = styled.p`
    position: absolute;
    inset: 0;
    display: grid;
    place-items: center;
    background: ${({ theme }) => theme.surround};
`;

const Isolated = styled.div`
    position: absolute;
    inset: 0;
    display: grid;
    place-items: center;
    background: ${({ theme }) => theme.surround};
    & > div {
        display: flex;
        width: min(68%, 460px);
        aspect-ratio: 2;
    }
    & > div > * {
        flex: 1;
        background-repeat: no-repeat;
    }
`;

const NONE: Zone[] = [];
const NOWHERE: string[] = [];
const NO_STROKES: Stroking[] = [];

/** What of the plan is shown in the picture: the drawing to be, where the pencil goes, and the zones it goes to. */
function usePlanShown(piece: Piece, view: ReturnType<typeof useView>) {
    const { lit } = useOverlay();
    const { pathname } = useLocation();
    const plan = usePlan(piece.id, view.view === 'drawing' || view.places !== null || lit !== null).data;
    const draws = pathname.endsWith('/draw');
    const shown = pathname.endsWith('/plan') ? plan?.turns.find(({ number }) => number === view.places) : undefined;
    const litTargets = draws && lit ? lit.targets : null;
    const goesTo = useMemo(
        () => litTargets ?? shown?.places.flatMap(({ targets }) => targets) ?? NOWHERE,
        [litTargets, shown],
    );
    const parts = useParts(piece.id, plan !== undefined && (draws || goesTo.length > 0));

    return {
        drawing: plan ? drawingUrl(piece.id, plan, view.stage ?? plan.total) : null,
        veil:
            parts && goesTo.length > 0
                ? {
                      parts,
                      targets: goesTo,
                      strokes: (draws && lit?.strokes) || NO_STROKES,
                      paper: (draws && lit?.paper) || NOWHERE,
                  }
                : null,
        turnedBy: draws && lit ? lit.turnedBy : 0,
        litZones: draws && lit ? piece.zones.filter(({ id }) => lit.zones.includes(id)) : NONE,
    };
}

/** Turned clockwise, and so much smaller that its corners stay in sight. */
function turnedWithin(degrees: number, ratio: number): string {
    const angle = Math.abs((degrees * Math.PI) / 180);
    const [c, s] = [Math.abs(Math.cos(angle)), Math.abs(Math.sin(angle))];

    return `rotate(${degrees}deg) scale(${Math.min(1 / (c + s / ratio), 1 / (s * ratio + c)).toFixed(4)})`;
}

interface PhotoProps {
    piece: Piece;
    view: ReturnType<typeof useView>;
    source: string | undefined;
    filters: string;
    onShown: (source: string | null) => void;
}

/** The photo itself, or the drawing in its place, in the view chosen, as blurred as one squints. */
function Photo({ piece, view, source, filters, onShown }: PhotoProps) {
    const { photo } = piece;
    const [squint] = useSquint();
    const zoomed = useZoomed(({ scale }) => (squint > 0 ? scale : 1));
    const seen = [squint > 0 ? `blur(calc(${(squint * zoomed) / 1000} * 100cqw))` : '', filters];
    const filter = seen.filter(Boolean).join(' ') || undefined;

    return (
        <>
            <img
                src={source}
                width={photo.width}
                height={photo.height}
                alt=""
                draggable={false}
                style={filter ? { filter } : undefined}
                onLoad={() => onShown(source ?? null)}
                data-testid="photo"
            />
            <OwnDrawing piece={piece} view={view} filter={filter} />
        </>
    );
}

/**
 * The reference with its layers: the photo in the view chosen, reserves, borders and numbers of zones, the sampled spot, the
 * grid, and what a tool draws. One crop and one zoom for all of them. A click chooses a zone or samples a spot, a drag moves
 * the picture, the wheel and two fingers enlarge it.
 */
export function Picture() {
    const piece = useDeskPiece();
    const { selected, spot, pinned } = useChosen();
    const tool = useTool();
    const { borders } = useOverlay();
    const view = useView();
    const look = useLook(piece.id).data;
    const reserves = useKeptReserves(piece, view.reserves).data ?? undefined;
    const { drawing, veil, litZones, turnedBy } = usePlanShown(piece, view);
    const zoom = useZoom();
    const isClose = useZoomed(({ scale }) => scale > CLOSE);

    const [shown, setShown] = useState<string | null>(null);

    const { photo, format } = piece;
    const region = tool?.kind === 'crop' ? WHOLE : (format.crop ?? WHOLE);
    useLayoutEffect(() => zoom.showWithin(region), [zoom, region]);
    const ratio = (photo.width * region.width) / (photo.height * region.height);
    const scale = look?.scales.find(({ steps }) => steps === view.steps);
    const lamp = look?.lamps.find(({ id }) => id === piece.lamp);
    const stepped = view.view === 'steps' && scale !== undefined;
    const sources = {
        photo: isClose ? photo.largeUrl : photo.url,
        value: photo.valueUrl,
        steps: photo.valueUrl,
        temperature: photo.temperatureUrl,
        drawing: drawing ?? undefined,
    };
    const source = sources[view.view];
    const filters = [
        stepped ? (view.only === null ? 'url(#prism-steps)' : 'url(#prism-only)') : '',
        view.view === 'photo' && view.lamp && lamp && lamp.id !== 'daylight' ? 'url(#prism-lamp)' : '',
    ]
        .filter(Boolean)
        .join(' ');
    const flipped =
        view.mirror || view.turn ? `scale(${view.mirror !== view.turn ? -1 : 1}, ${view.turn ? -1 : 1})` : undefined;
    const transform =
        [turnedBy === 0 ? '' : turnedWithin(turnedBy, ratio), flipped ?? ''].join(' ').trim() || undefined;
    const { frame, drawn, handlers } = usePointers({ piece, view, tool, spot, ratio });

    return (
        <Frame
            ref={frame}
            tabIndex={0}
            role="application"
            aria-label="Reference. Arrow keys move the sampled spot, Shift and arrows move the picture, plus and minus enlarge it."
            aria-roledescription="picture"
            {...handlers}
            style={{
                aspectRatio: ratio,
                maxWidth: `calc((100vh - var(--beside, 274px)) * ${ratio})`,
                transform,
                // While the sheet is turned it is looked at: what one would click lies elsewhere.
                pointerEvents: turnedBy === 0 ? undefined : 'none',
            }}
            data-testid="picture"
        >
            <PictureFilters scale={scale} onlyStep={view.only} lamp={lamp?.matrix ?? null} />
            {stepped && view.only !== null && <Hatched />}
            <Sheet>
                <Photo piece={piece} view={view} source={source} filters={filters} onShown={setShown} />
                {veil && <Veil {...veil} />}
                {view.reserves && reserves && (
                    <Reserved
                        data-testid="reserves"
                        style={{
                            left: `${100 * (format.crop?.x ?? 0)}%`,
                            top: `${100 * (format.crop?.y ?? 0)}%`,
                            width: `${100 * (format.crop?.width ?? 1)}%`,
                            height: `${100 * (format.crop?.height ?? 1)}%`,
                            maskImage: `url(${reserves.mask})`,
                        }}
                    />
                )}
                {!view.isolate && (
                    <PictureLines
                        piece={piece}
                        selectedZone={selected?.zone ?? null}
                        litZones={litZones}
                        veiled={veil !== null}
                        spot={selected?.zone ? null : spot}
                        pinned={pinned}
                        preview={borders}
                        lasso={drawn}
                        bordersShown={view.borders}
                        turned={flipped}
                    />
                )}
                {!view.isolate && <MeasuredLines />}
                {view.grid && !view.isolate && <Grid format={format} turned={flipped} />}
                {view.centre && !view.isolate && <CentreLines format={format} />}
                {tool?.kind === 'crop' && (
                    <CropFrame
                        crop={tool.crop}
                        ratio={tool.ratio === null ? null : (tool.ratio * photo.height) / photo.width}
                        onChange={tool.change}
                    />
                )}
            </Sheet>
            {view.view === 'drawing' && shown !== drawing && <Waiting role="status">Computing the drawing…</Waiting>}
            {view.view === 'temperature' && shown !== source && (
                <Waiting role="status">Sorting warm from cool…</Waiting>
            )}
            {view.isolate && selected && spot && (
                <Isolated>
                    <div>
                        <span
                            style={{
                                backgroundImage: `url(${photo.largeUrl})`,
                                backgroundSize: `${MAGNIFY * 100}% ${((MAGNIFY * 100 * photo.height) / photo.width).toFixed(2)}%`,
                                backgroundPosition: `${spot.x * 100}% ${spot.y * 100}%`,
                            }}
                        />
                        <span style={{ background: selected.colour.hex }} />
                    </div>
                </Isolated>
            )}
        </Frame>
    );
}
