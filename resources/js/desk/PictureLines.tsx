import { memo } from 'react';
import styled from 'styled-components';
import type { Piece, Zone } from '../api/client';
import type { Spot } from '../api/queries';
import { type } from '../ui/theme';

/** Smaller zones than this share of the picture get a small number. */
const SMALL = 0.01;

const Lines = styled.svg`
    position: absolute;
    inset: 0;
    width: 100%;
    height: 100%;
    pointer-events: none;
    & path,
    & polyline {
        fill: none;
        vector-effect: non-scaling-stroke;
        stroke-linejoin: round;
    }
`;

const Marker = styled.span<{ $small: boolean; $chosen: boolean }>`
    position: absolute;
    display: grid;
    place-items: center;
    width: ${({ $small }) => ($small ? '20px' : '24px')};
    height: ${({ $small }) => ($small ? '20px' : '24px')};
    translate: -50% -50%;
    border: 1.5px solid #111;
    border-radius: 50%;
    background: #fff;
    color: #111;
    font-size: ${type.small};
    font-weight: 700;
    line-height: 1;
    cursor: pointer;
    box-shadow: ${({ $chosen }) => ($chosen ? '0 0 0 3px #111, 0 0 0 5px #fff' : 'none')};
    z-index: ${({ $chosen }) => ($chosen ? 2 : 1)};
`;

const Ring = styled.span<{ $dashed?: boolean }>`
    position: absolute;
    translate: -50% -50%;
    border: 2px ${({ $dashed }) => ($dashed ? 'dashed' : 'solid')} #fff;
    border-radius: 50%;
    outline: 2px solid #111;
    min-width: 12px;
    aspect-ratio: 1;
    pointer-events: none;
`;

interface Props {
    piece: Piece;
    selectedZone: Zone | null;
    /** Where the turn at hand goes to; all else is dimmed. */
    litZones: Zone[];
    /** What is not lit is veiled already. */
    veiled: boolean;
    spot: Spot | null;
    pinned: Spot | null;
    preview: string | null;
    lasso: [number, number][];
    bordersShown: boolean;
    /** How the picture is turned: numbers are turned back. */
    turned: string | undefined;
}

/** What is drawn over the photo: borders and numbers of zones, the chosen one, the sampled spots, a lasso. */
export const PictureLines = memo(function PictureLines(props: Props) {
    const { piece, selectedZone, litZones, veiled, spot, pinned, preview, lasso, bordersShown, turned } = props;
    const isLit = litZones.length > 0;
    const shown = bordersShown && preview === null && !isLit;
    const bold = isLit ? litZones : selectedZone ? [selectedZone] : [];
    const marked = isLit ? litZones : bordersShown ? piece.zones : [];

    return (
        <>
            <Lines viewBox="0 0 1000 1000" preserveAspectRatio="none" aria-hidden>
                {isLit && !veiled && (
                    <path
                        d={`M0 0H1000V1000H0Z${litZones.map(({ outline }) => outline ?? '').join('')}`}
                        style={{ fill: '#3b3b3b', fillRule: 'evenodd', opacity: 0.72 }}
                    />
                )}
                {piece.zones.map((zone) =>
                    zone.outline === null ? null : (
                        <path
                            key={zone.id}
                            data-area={zone.id}
                            d={zone.outline}
                            clipRule="evenodd"
                            fillRule="evenodd"
                            stroke={shown ? '#111' : 'none'}
                            strokeWidth={2.6}
                            strokeOpacity={0.75}
                            strokeDasharray={zone.fits ? undefined : '3 4'}
                        />
                    ),
                )}
                {shown &&
                    piece.zones.map((zone) =>
                        zone.outline === null ? null : (
                            <path key={zone.id} d={zone.outline} stroke="#fff" strokeWidth={1} />
                        ),
                    )}
                {preview !== null && (
                    <>
                        <path d={preview} stroke="#111" strokeWidth={2.6} strokeOpacity={0.75} />
                        <path d={preview} stroke="#fff" strokeWidth={1} data-testid="cut-preview" />
                    </>
                )}
                {preview === null &&
                    bold.map(({ id, outline }) =>
                        outline === null ? null : (
                            <g key={id}>
                                <path d={outline} stroke="#111" strokeWidth={6} />
                                <path d={outline} stroke="#fff" strokeWidth={2.6} data-testid="zone-outline" />
                            </g>
                        ),
                    )}
                {lasso.length > 1 &&
                    (['#111', '#fff'] as const).map((stroke) => (
                        <polyline
                            key={stroke}
                            points={lasso.map(([x, y]) => `${1000 * x},${1000 * y}`).join(' ')}
                            stroke={stroke}
                            strokeWidth={stroke === '#111' ? 4 : 2}
                            strokeDasharray={stroke === '#fff' ? '6 4' : undefined}
                        />
                    ))}
            </Lines>
            {preview === null &&
                marked.map((zone) => (
                    <Marker
                        key={zone.id}
                        data-zone={zone.id}
                        $small={zone.outline !== null && zone.share < SMALL}
                        $chosen={bold.includes(zone)}
                        style={{
                            left: `${100 * zone.x}%`,
                            top: `${100 * zone.y}%`,
                            transform: turned,
                        }}
                        aria-hidden
                    >
                        {1 + piece.zones.indexOf(zone)}
                    </Marker>
                ))}
            {spot && (
                <Ring
                    style={{ left: `${100 * spot.x}%`, top: `${100 * spot.y}%`, width: `${200 * spot.radius}%` }}
                    data-testid="spot"
                />
            )}
            {pinned && (
                <Ring
                    $dashed
                    style={{ left: `${100 * pinned.x}%`, top: `${100 * pinned.y}%`, width: `${200 * pinned.radius}%` }}
                    data-testid="pinned"
                />
            )}
        </>
    );
});
