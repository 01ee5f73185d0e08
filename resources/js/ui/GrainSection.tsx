import styled, { useTheme } from 'styled-components';
import type { SectionBin } from '../api/client';

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

interface Point {
    x: number;
    paper: number;
    bin: SectionBin;
}

/**
 * A cut through paper and films. The engine's bins, peak to valley, are laid out as two rises of the paper; each film
 * is drawn as thick as the engine has it, the broken line is what the tooth still holds.
 */
export function GrainSection({ bins }: { bins: SectionBin[] }) {
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
    const filled = bins.map((bin) => bin.films.reduce((sum, film) => sum + film.thickness, 0) / bin.capacity);
    const words = `Grain section: peaks ${Math.round((filled[0] ?? 0) * 100)} % full, valleys ${Math.round((filled[4] ?? 0) * 100)} % full, ${layers} films`;

    return (
        <Figure
            viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
            preserveAspectRatio="none"
            role="img"
            aria-label={words}
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
            <path d={`M0 ${HEIGHT} L${line((p) => p.paper)} L${WIDTH} ${HEIGHT} z`} fill={theme.surround} />
            <path d={`M${line((p) => p.paper)}`} fill="none" stroke={theme.ink} vectorEffect="non-scaling-stroke" />
        </Figure>
    );
}
