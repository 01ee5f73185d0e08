import { useCallback, useEffect, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import styled from 'styled-components';
import type { Look, Piece, Reserves, Zone } from '../api/client';
import { CropFrame } from './CropFrame';
import type { Selected, Tool } from './DeskContext';
import { Grid } from './Grid';
import { PictureFilters } from './PictureFilters';
import { PictureLines } from './PictureLines';
import { DEFAULT_RADIUS, type useSelection } from './useSelection';
import { WHOLE, type ZoomState } from './useZoom';

const NUDGE = 0.005;
const MAGNIFY = 9;
const WHEEL = 1.0016;
/** A pointer that has moved further than this, in pixels, was dragged and did not click. */
const CLICK = 5;
/** From here on the larger picture is shown. */
const CLOSE = 1.4;
const LASSO_STEP = 0.004;

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

const SheetOf = styled.div`
    position: absolute;
    & > img {
        display: block;
        width: 100%;
        height: 100%;
        user-select: none;
    }
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

const Veil = styled.div`
    position: absolute;
    inset: 0;
    background: ${({ theme }) => theme.surround};
    opacity: 0.86;
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

interface Props {
    piece: Piece;
    selection: ReturnType<typeof useSelection>;
    selected: Selected | null;
    look: Look | undefined;
    reserves: Reserves | undefined;
    zoom: ZoomState;
    tool: Tool | null;
    preview: string | null;
    /** Address of the simulated drawing, where there is one to show. */
    drawing: string | null;
    litZone: Zone | null;
    /** Address of a mask: what it covers is veiled, so that one sees where a pencil goes. */
    veil: string | null;
    onTool: (tool: Tool | null) => void;
}

const inside = (value: number) => Math.min(1, Math.max(0, value));

/** The zone whose outline holds a place. */
function zoneAt(frame: HTMLElement | null, zones: Zone[], x: number, y: number): Zone | null {
    const point = new DOMPoint(1000 * x, 1000 * y);
    for (const path of frame?.querySelectorAll<SVGGeometryElement>('path[data-area]') ?? []) {
        if (path.isPointInFill(point)) return zones.find(({ id }) => id === path.dataset.area) ?? null;
    }

    return null;
}

/**
 * The reference with its layers: the photo in the view chosen, reserves, borders and numbers of zones, the sampled spot, the
 * grid, and what a tool draws. One crop and one zoom for all of them. A click chooses a zone or samples a spot, a drag moves
 * the picture, the wheel and two fingers enlarge it.
 */
export function Picture(props: Props) {
    const { piece, selection, selected, look, reserves, zoom, tool, preview, drawing, litZone, veil, onTool } = props;
    const frame = useRef<HTMLDivElement>(null);
    const pointers = useRef(new Map<number, { x: number; y: number }>());
    const pressed = useRef<{ x: number; y: number; moved: boolean } | null>(null);
    const line = useRef<[number, number][]>([]);
    const [drawn, setDrawn] = useState<[number, number][]>([]);

    const [shown, setShown] = useState<string | null>(null);
    const [veiledBy, setVeiledBy] = useState<string | null>(null);
    // Until the mask is there, nothing would be seen of the veil.
    const veiled = veil !== null && veiledBy === veil;

    const { photo, format } = piece;
    const region = tool?.kind === 'crop' ? WHOLE : (format.crop ?? WHOLE);
    const ratio = (photo.width * region.width) / (photo.height * region.height);
    const scale = look?.scales.find(({ steps }) => steps === selection.steps);
    const lamp = look?.lamps.find(({ id }) => id === piece.lamp);
    const stepped = selection.view === 'steps' && scale !== undefined;
    const source =
        selection.view === 'photo'
            ? zoom.scale > CLOSE
                ? photo.largeUrl
                : photo.url
            : selection.view === 'temperature'
              ? photo.temperatureUrl
              : selection.view === 'drawing'
                ? (drawing ?? undefined)
                : photo.valueUrl;
    const filters = [
        selection.squint > 0 ? `blur(calc(${(selection.squint * zoom.scale) / 1000} * 100cqw))` : '',
        stepped ? (selection.onlyStep === null ? 'url(#prism-steps)' : 'url(#prism-only)') : '',
        selection.view === 'photo' && selection.underLamp && lamp && lamp.id !== 'daylight' ? 'url(#prism-lamp)' : '',
    ]
        .filter(Boolean)
        .join(' ');
    const turned =
        selection.mirrored || selection.upsideDown
            ? `scale(${selection.mirrored !== selection.upsideDown ? -1 : 1}, ${selection.upsideDown ? -1 : 1})`
            : undefined;
    const spot = selected?.spot ?? selection.spot;

    /** Shares of the frame, as they are looked at: mirrored and upside down. */
    const inFrame = useCallback(
        (event: { clientX: number; clientY: number }): [number, number] => {
            const box = frame.current?.getBoundingClientRect();
            if (!box) return [0.5, 0.5];
            const x = (event.clientX - box.left) / box.width;
            const y = (event.clientY - box.top) / box.height;

            return [selection.mirrored !== selection.upsideDown ? 1 - x : x, selection.upsideDown ? 1 - y : y];
        },
        [selection.mirrored, selection.upsideDown],
    );

    // React's own wheel listeners are passive, and would let the page scroll as well.
    const byWheel = zoom.by;
    useEffect(() => {
        const element = frame.current;
        const turn = (event: WheelEvent) => {
            event.preventDefault();
            byWheel(WHEEL ** -event.deltaY, ...inFrame(event));
        };
        element?.addEventListener('wheel', turn, { passive: false });

        return () => element?.removeEventListener('wheel', turn);
    }, [byWheel, inFrame]);

    const click = (event: PointerEvent) => {
        const [x, y] = zoom.at(...inFrame(event)).map(inside) as [number, number];
        const here = { x, y, radius: spot?.radius ?? DEFAULT_RADIUS };
        if (tool?.kind === 'spot') {
            tool.done(here);
            onTool(null);

            return;
        }
        const marker = (event.target as Element).closest('[data-zone]')?.getAttribute('data-zone');
        const zone =
            piece.zones.find(({ id }) => id === marker) ??
            (selection.picksSpots && tool?.kind !== 'zone' ? null : zoneAt(frame.current, piece.zones, x, y));
        if (tool?.kind === 'zone') {
            if (zone) {
                tool.done(zone);
                onTool(null);
            }
        } else if (zone) selection.selectZone(zone.id);
        else selection.selectSpot(here);
    };

    const down = (event: PointerEvent) => {
        if (event.button !== 0 || tool?.kind === 'crop') return;
        frame.current?.setPointerCapture(event.pointerId);
        pointers.current.set(event.pointerId, { x: event.clientX, y: event.clientY });
        pressed.current = { x: event.clientX, y: event.clientY, moved: false };
        if (tool?.kind === 'lasso' && pointers.current.size === 1) {
            line.current = [zoom.at(...inFrame(event))];
            setDrawn(line.current);
        }
    };
    const move = (event: PointerEvent) => {
        const was = pointers.current.get(event.pointerId);
        const start = pressed.current;
        const box = frame.current?.getBoundingClientRect();
        if (!was || !start || !box) return;
        const others = [...pointers.current.entries()].filter(([id]) => id !== event.pointerId).map(([, at]) => at);
        const other = others[0];
        if (Math.hypot(event.clientX - start.x, event.clientY - start.y) > CLICK || other) start.moved = true;
        if (other) {
            const far = (at: { x: number; y: number }) => Math.hypot(at.x - other.x, at.y - other.y);
            const middle = { clientX: (event.clientX + other.x) / 2, clientY: (event.clientY + other.y) / 2 };
            zoom.by(far({ x: event.clientX, y: event.clientY }) / Math.max(1, far(was)), ...inFrame(middle));
        }
        if (tool?.kind === 'lasso' && !other) {
            const next = zoom.at(...inFrame(event));
            const last = line.current.at(-1);
            if (!last || Math.hypot(next[0] - last[0], next[1] - last[1]) > LASSO_STEP / zoom.scale) {
                line.current = [...line.current, next];
                setDrawn(line.current);
            }
        } else if (start.moved) {
            const [x1, y1] = inFrame({ clientX: was.x, clientY: was.y });
            const [x2, y2] = inFrame(event);
            zoom.pan((x2 - x1) / (other ? 2 : 1), (y2 - y1) / (other ? 2 : 1));
        }
        pointers.current.set(event.pointerId, { x: event.clientX, y: event.clientY });
    };
    const up = (event: PointerEvent) => {
        if (!pointers.current.delete(event.pointerId) || pointers.current.size > 0) return;
        const start = pressed.current;
        pressed.current = null;
        if (tool?.kind === 'lasso') {
            const closed = line.current;
            line.current = [];
            setDrawn([]);
            if (closed.length > 2) {
                tool.done(closed);
                onTool(null);
            }
        } else if (start && !start.moved) click(event);
    };
    const cancel = (event: PointerEvent) => {
        pointers.current.delete(event.pointerId);
        pressed.current = null;
        line.current = [];
        setDrawn([]);
    };
    const press = (event: KeyboardEvent) => {
        if (event.target !== event.currentTarget) return;
        const steps: Record<string, [number, number]> = {
            ArrowLeft: [-1, 0],
            ArrowRight: [1, 0],
            ArrowUp: [0, -1],
            ArrowDown: [0, 1],
        };
        const by = steps[event.key];
        if (event.key === 'Escape' && tool) {
            onTool(null);
        } else if (by && event.shiftKey) {
            zoom.pan(-0.1 * by[0], -0.1 * by[1]);
        } else if (by || event.key === 'Enter') {
            const from = spot ?? { x: zoom.x, y: zoom.y, radius: DEFAULT_RADIUS };
            const next = {
                ...from,
                x: inside(from.x + (by ? (by[0] * NUDGE) / zoom.scale : 0)),
                y: inside(from.y + (by ? (by[1] * NUDGE * ratio) / zoom.scale : 0)),
            };
            if (event.key === 'Enter' && tool?.kind === 'spot') {
                tool.done(from);
                onTool(null);
            } else selection.selectSpot(next);
        } else return;
        event.preventDefault();
    };

    return (
        <Frame
            ref={frame}
            tabIndex={0}
            role="application"
            aria-label="Reference. Arrow keys move the sampled spot, Shift and arrows move the picture, plus and minus enlarge it."
            aria-roledescription="picture"
            onPointerDown={down}
            onPointerMove={move}
            onPointerUp={up}
            onPointerCancel={cancel}
            onKeyDown={press}
            style={{
                aspectRatio: ratio,
                maxWidth: `calc((100vh - var(--beside, 274px)) * ${ratio})`,
                transform: turned,
            }}
            data-testid="picture"
            data-zoom={zoom.scale.toFixed(2)}
        >
            <PictureFilters scale={scale} onlyStep={selection.onlyStep} lamp={lamp?.matrix ?? null} />
            {stepped && selection.onlyStep !== null && <Hatched />}
            <SheetOf style={zoom.sheet}>
                <img
                    src={source}
                    width={photo.width}
                    height={photo.height}
                    alt=""
                    draggable={false}
                    style={filters === '' ? undefined : { filter: filters }}
                    onLoad={() => setShown(source ?? null)}
                    data-testid="photo"
                />
                {veil !== null && <img src={veil} alt="" hidden onLoad={() => setVeiledBy(veil)} data-testid="mask" />}
                {veiled && <Veil data-testid="veil" style={{ maskImage: `url(${veil})` }} />}
                {selection.reservesShown && reserves && (
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
                {!selection.isolated && (
                    <PictureLines
                        piece={piece}
                        selectedZone={selected?.zone ?? null}
                        litZone={litZone}
                        veiled={veiled}
                        spot={selected?.zone ? null : spot}
                        pinned={selection.pinned}
                        preview={preview}
                        lasso={drawn}
                        bordersShown={selection.bordersShown}
                        turned={turned}
                    />
                )}
                {selection.gridShown && !selection.isolated && <Grid format={format} turned={turned} />}
                {tool?.kind === 'crop' && (
                    <CropFrame
                        crop={tool.crop}
                        ratio={tool.ratio === null ? null : (tool.ratio * photo.height) / photo.width}
                        onChange={tool.change}
                    />
                )}
            </SheetOf>
            {selection.view === 'drawing' && shown !== drawing && (
                <Waiting role="status">Computing the drawing…</Waiting>
            )}
            {selection.view === 'temperature' && shown !== source && (
                <Waiting role="status">Sorting warm from cool…</Waiting>
            )}
            {selection.isolated && selected && spot && (
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
