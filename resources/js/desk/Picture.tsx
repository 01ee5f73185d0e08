import { useRef, type KeyboardEvent, type PointerEvent } from 'react';
import styled from 'styled-components';
import type { Piece } from '../api/client';
import type { Spot } from '../api/queries';
import { DEFAULT_RADIUS } from './useSelection';

const NUDGE = 0.005;
const MAGNIFY = 9;

const Frame = styled.div<{ $ratio: number }>`
    position: relative;
    aspect-ratio: ${({ $ratio }) => $ratio};
    max-height: 100%;
    max-width: 100%;
    width: 100%;
    margin: auto;
    overflow: hidden;
    cursor: crosshair;
    touch-action: manipulation;
    background: ${({ theme }) => theme.surround};
    & > img {
        display: block;
        width: 100%;
        height: 100%;
        user-select: none;
    }
`;

const Overlay = styled.svg`
    position: absolute;
    inset: 0;
    width: 100%;
    height: 100%;
    pointer-events: none;
    & [data-zone] {
        pointer-events: all;
        cursor: pointer;
    }
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
    view: 'photo' | 'value';
    spot: Spot | null;
    selectedZone: string | null;
    litZone: string | null;
    isolatedHex: string | null;
    onSample: (spot: Spot) => void;
    onZone: (id: string) => void;
}

/** The reference: a click samples it, a marker selects its zone. The same crop in every view. */
export function Picture({ piece, view, spot, selectedZone, litZone, isolatedHex, onSample, onZone }: Props) {
    const frame = useRef<HTMLDivElement>(null);
    const { width, height, url, valueUrl } = piece.photo;
    const ratio = width / height;
    const source = view === 'value' ? valueUrl : url;
    const lit = piece.zones.find((zone) => zone.id === litZone);

    const sampleAt = (event: PointerEvent) => {
        const box = frame.current?.getBoundingClientRect();
        if (!box || event.button !== 0) return;
        const marker = (event.target as Element).closest('[data-zone]');
        if (marker) {
            onZone(marker.getAttribute('data-zone') ?? '');

            return;
        }
        onSample({
            x: (event.clientX - box.left) / box.width,
            y: (event.clientY - box.top) / box.height,
            radius: spot?.radius ?? DEFAULT_RADIUS,
        });
    };
    const move = (event: KeyboardEvent) => {
        const step: Record<string, [number, number]> = {
            ArrowLeft: [-NUDGE, 0],
            ArrowRight: [NUDGE, 0],
            ArrowUp: [0, -NUDGE * ratio],
            ArrowDown: [0, NUDGE * ratio],
        };
        const by = step[event.key];
        if (!by && event.key !== 'Enter') return;
        event.preventDefault();
        const from = spot ?? { x: 0.5, y: 0.5, radius: DEFAULT_RADIUS };
        const inside = (value: number) => Math.min(1, Math.max(0, value));
        onSample({ ...from, x: inside(from.x + (by?.[0] ?? 0)), y: inside(from.y + (by?.[1] ?? 0)) });
    };

    return (
        <Frame
            ref={frame}
            $ratio={ratio}
            tabIndex={0}
            role="application"
            aria-label="Reference. Arrow keys move the sampled spot."
            aria-roledescription="picture"
            onPointerDown={sampleAt}
            onKeyDown={move}
            style={{ maxWidth: `calc((100vh - 260px) * ${ratio})` }}
            data-testid="picture"
        >
            <img src={source} width={width} height={height} alt="" draggable={false} />
            <Overlay viewBox={`0 0 ${ratio * 1000} 1000`} aria-hidden>
                {lit && (
                    <>
                        <mask id="lit">
                            <rect width="100%" height="100%" fill="white" />
                            <circle
                                cx={lit.x * ratio * 1000}
                                cy={lit.y * 1000}
                                r={Math.max(60, lit.radius * ratio * 3200)}
                                fill="black"
                            />
                        </mask>
                        <rect width="100%" height="100%" fill="#3b3b3b" opacity={0.72} mask="url(#lit)" />
                    </>
                )}
                {piece.zones.map((zone, index) => {
                    if (lit && zone.id !== lit.id) return null;
                    const chosen = zone.id === selectedZone;
                    const x = zone.x * ratio * 1000;
                    const y = zone.y * 1000;

                    return (
                        <g key={zone.id} data-zone={zone.id}>
                            {chosen && <circle cx={x} cy={y} r={34} fill="none" stroke="#111" strokeWidth={8} />}
                            {chosen && <circle cx={x} cy={y} r={34} fill="none" stroke="#fff" strokeWidth={4} />}
                            <circle cx={x} cy={y} r={21} fill="#fff" stroke="#111" strokeWidth={2.5} />
                            <text
                                x={x}
                                y={y}
                                dy="0.36em"
                                textAnchor="middle"
                                fontSize={24}
                                fontWeight={700}
                                fill="#111"
                            >
                                {index + 1}
                            </text>
                        </g>
                    );
                })}
                {spot && !selectedZone && (
                    <g fill="none">
                        <circle
                            cx={spot.x * ratio * 1000}
                            cy={spot.y * 1000}
                            r={Math.max(8, spot.radius * ratio * 1000)}
                            stroke="#111"
                            strokeWidth={6}
                        />
                        <circle
                            cx={spot.x * ratio * 1000}
                            cy={spot.y * 1000}
                            r={Math.max(8, spot.radius * ratio * 1000)}
                            stroke="#fff"
                            strokeWidth={2.5}
                        />
                    </g>
                )}
            </Overlay>
            {isolatedHex && spot && (
                <Isolated>
                    <div>
                        <span
                            style={{
                                backgroundImage: `url(${source})`,
                                backgroundSize: `${MAGNIFY * 100}% ${MAGNIFY * 50 * ratio * 2}%`,
                                backgroundPosition: `${spot.x * 100}% ${spot.y * 100}%`,
                            }}
                        />
                        <span style={{ background: isolatedHex }} />
                    </div>
                </Isolated>
            )}
        </Frame>
    );
}
