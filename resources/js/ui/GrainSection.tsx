import { memo } from 'react';
import styled, { useTheme } from 'styled-components';
import type { SectionBin } from '../api/client';
import { type } from './theme';

const Figure = styled.svg`
    display: block;
    width: 100%;
    background: ${({ theme }) => theme.raised};
`;

const WIDTH = 440;
const HEIGHT = 120;
const SURFACE = 62;
const DEPTH = 40;
const FILM = 30;
/** Over so many of the points the numbers of the films are spread. */
const MARKS_OVER = 12;

const Numbers = styled.div`
    position: relative;
    height: 20px;
    font-size: ${type.small};
    line-height: 20px;
    & > b {
        position: absolute;
        translate: -50% 0;
    }
`;

interface Point {
    x: number;
    paper: number;
    bin: SectionBin;
}

/** From so much of the tooth on a place counts as full, or as closed enough to say so. */
const FULL = 0.85;
const OPEN = 0.45;

const said = (share: number) => (share >= FULL ? 'full' : share <= OPEN ? 'open' : 'half full');

/** What the cut shows, in a sentence. */
function sentenceOf(bins: SectionBin[], layers: number): string {
    if (layers === 0) return 'Bare paper.';
    const filled = bins.map(({ films, capacity }) =>
        capacity > 0 ? films.reduce((sum, film) => sum + film.thickness, 0) / capacity : 1,
    );
    const peaks = said(filled[0] ?? 0);
    const valleys = said(filled.at(-1) ?? 0);

    return peaks === valleys
        ? `${peaks[0]?.toUpperCase() ?? ''}${peaks.slice(1)} at the peaks and in the valleys.`
        : `${peaks[0]?.toUpperCase() ?? ''}${peaks.slice(1)} at the peaks, ${valleys} in the valleys.`;
}

interface Props {
    bins: SectionBin[];
    /** Of the bare paper. */
    paper: string | undefined;
}

/**
 * A cut through paper and films. The engine's bins, peak to valley, are laid out as two rises of the paper; each film
 * is drawn as thick as the engine has it and numbered where it is thickest, the broken line is what the tooth still holds.
 */
export const GrainSection = memo(function GrainSection({ bins, paper }: Props) {
    const theme = useTheme();
    // Valley, peak, valley, peak, valley: two rises.
    const order = [4, 3, 2, 1, 0, 1, 2, 3, 4, 3, 2, 1, 0, 1, 2, 3, 4].flatMap((i) => bins[i] ?? []);
    const points: Point[] = order.map((bin, i) => ({
        x: (i / (order.length - 1)) * WIDTH,
        paper: SURFACE - 14 + bin.depth * DEPTH,
        bin,
    }));
    const layers = Math.max(0, ...bins.map((bin) => bin.films.length));
    const heightAt = (bin: SectionBin, upTo: number) =>
        bin.films.slice(0, upTo).reduce((sum, film) => sum + film.thickness, 0) * FILM;
    const line = (of: (point: Point) => number) => points.map((point) => `${point.x} ${of(point)}`).join(' L');
    const reversed = (of: (point: Point) => number) =>
        [...points]
            .reverse()
            .map((point) => `${point.x} ${of(point)}`)
            .join(' L');
    const sentence = sentenceOf(bins, layers);
    // Each film is pointed at in a place of its own, so that no number covers another.
    const middle = (points.length - 1) / 2;
    const marks = Array.from({ length: layers }, (_, layer) => {
        const at = points[Math.round(middle + (layer - (layers - 1) / 2) * (MARKS_OVER / Math.max(1, layers - 1)))];

        return at && { layer, x: at.x, y: at.paper - (heightAt(at.bin, layer) + heightAt(at.bin, layer + 1)) / 2 };
    }).filter((mark) => mark !== undefined);

    return (
        <figure>
            <Figure
                viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
                preserveAspectRatio="none"
                role="img"
                aria-label={`Grain section, ${layers} films: ${sentence}`}
                height={HEIGHT}
            >
                {Array.from({ length: layers }, (_, layer) => (
                    <path
                        key={layer}
                        d={`M${line((p) => p.paper - heightAt(p.bin, layer))} L${reversed((p) => p.paper - heightAt(p.bin, layer + 1))} z`}
                        fill={bins.find((bin) => bin.films[layer])?.films[layer]?.hex ?? 'none'}
                    />
                ))}
                <path
                    d={`M${line((p) => p.paper - p.bin.capacity * FILM)}`}
                    fill="none"
                    stroke={theme.ink}
                    strokeDasharray="4 4"
                    vectorEffect="non-scaling-stroke"
                />
                <path
                    d={`M0 ${HEIGHT} L${line((p) => p.paper)} L${WIDTH} ${HEIGHT} z`}
                    fill={paper ?? theme.surround}
                />
                <path d={`M${line((p) => p.paper)}`} fill="none" stroke={theme.ink} vectorEffect="non-scaling-stroke" />
                {marks.map(({ layer, x, y }) => (
                    <line
                        key={layer}
                        x1={x}
                        x2={x}
                        y1={y}
                        y2={HEIGHT}
                        stroke={theme.ink}
                        vectorEffect="non-scaling-stroke"
                    />
                ))}
            </Figure>
            <Numbers aria-hidden>
                {marks.map(({ layer, x }) => (
                    <b key={layer} style={{ left: `${(100 * x) / WIDTH}%` }}>
                        {layer + 1}
                    </b>
                ))}
            </Numbers>
            <figcaption>{sentence}</figcaption>
        </figure>
    );
});
