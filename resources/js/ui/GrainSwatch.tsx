import { useEffect, useRef } from 'react';
import type { SectionBin } from '../api/client';

const SIZE = 160;

/** Heights of a felted paper, 0-1, each height as often as any other: noise of three sizes, ranked. Always the same. */
const relief = (() => {
    let made: Float32Array | null = null;

    return () => {
        if (made) return made;
        let seed = 20261124;
        const random = () => {
            // Mulberry32.
            seed = (seed + 0x6d2b79f5) | 0;
            let mixed = Math.imul(seed ^ (seed >>> 15), 1 | seed);
            mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;

            return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296 - 0.5;
        };
        const sum = new Float32Array(SIZE * SIZE);
        for (const [reach, weight] of [
            [0, 0.35],
            [1, 0.8],
            [2, 1.1],
        ] as const) {
            const noise = Float32Array.from({ length: SIZE * SIZE }, random);
            for (let i = 0; i < noise.length; i++) {
                let total = 0;
                for (let dy = -reach; dy <= reach; dy++) {
                    for (let dx = -reach; dx <= reach; dx++) {
                        const x = ((i % SIZE) + dx + SIZE) % SIZE;
                        const y = (Math.floor(i / SIZE) + dy + SIZE) % SIZE;
                        total += noise[y * SIZE + x] ?? 0;
                    }
                }
                sum[i] = (sum[i] ?? 0) + (weight * total) / (2 * reach + 1);
            }
        }
        const order = [...sum.keys()].sort((a, b) => (sum[a] ?? 0) - (sum[b] ?? 0));
        made = new Float32Array(SIZE * SIZE);
        for (const [rank, at] of order.entries()) made[at] = rank / order.length;

        return made;
    };
})();

interface Props {
    section: Pick<SectionBin, 'depth' | 'share' | 'looks'>[];
    label: string;
    width?: string;
    height?: string;
}

/** A laid colour with the paper's grain: each depth of the tooth looks as the engine says it does, in its own share. */
export function GrainSwatch({ section, label, width = '100%', height = '120px' }: Props) {
    const canvas = useRef<HTMLCanvasElement>(null);
    useEffect(() => {
        const context = canvas.current?.getContext('2d');
        if (!context) return;
        const picture = context.createImageData(SIZE, SIZE);
        // Peaks first: the shallowest bins take the highest points.
        const bins = [...section].sort((a, b) => a.depth - b.depth);
        const steps: { upTo: number; rgb: number[] }[] = [];
        let share = 0;
        for (const bin of bins) {
            share += bin.share;
            steps.push({
                upTo: share,
                rgb: [1, 3, 5].map((at) => Number.parseInt(bin.looks.slice(at, at + 2), 16)),
            });
        }
        relief().forEach((depth, i) => {
            const rgb = (steps.find(({ upTo }) => depth < upTo) ?? steps.at(-1))?.rgb ?? [];
            picture.data.set([rgb[0] ?? 0, rgb[1] ?? 0, rgb[2] ?? 0, 255], 4 * i);
        });
        context.putImageData(picture, 0, 0);
    }, [section]);

    return (
        <canvas
            ref={canvas}
            width={SIZE}
            height={SIZE}
            role="img"
            aria-label={label}
            style={{ width, height, objectFit: 'cover', display: 'block' }}
        />
    );
}
