import { memo } from 'react';
import type { Look } from '../api/client';

type Scale = Look['scales'][number];

/** For each of the 256 greys what it becomes: the rung of the scale between whose limits it lies. */
export function rungTable(scale: Scale): number[] {
    return Array.from({ length: 256 }, (_, code) => {
        const step = scale.limits.filter((limit) => code >= limit).length;

        return (scale.rungs[step] ?? 255) / 255;
    });
}

/** 1 for the greys of one step, else 0. Steps count from 1, the darkest. */
export function stepTable(scale: Scale, step: number): number[] {
    return Array.from({ length: 256 }, (_, code) =>
        scale.limits.filter((limit) => code >= limit).length === step - 1 ? 1 : 0,
    );
}

interface Props {
    scale: Scale | undefined;
    onlyStep: number | null;
    /** Three rows on linear light. */
    lamp: number[][] | null;
}

/** What the picture is looked at through: a value scale, one step of it, a lamp. */
export const PictureFilters = memo(function PictureFilters({ scale, onlyStep, lamp }: Props) {
    const channels = (table: number[]) => {
        const values = table.map((value) => value.toFixed(4)).join(' ');

        return (
            <>
                <feFuncR type="discrete" tableValues={values} />
                <feFuncG type="discrete" tableValues={values} />
                <feFuncB type="discrete" tableValues={values} />
            </>
        );
    };

    return (
        <svg width="0" height="0" style={{ position: 'absolute' }} aria-hidden>
            {scale && (
                <filter id="prism-steps" colorInterpolationFilters="sRGB">
                    <feComponentTransfer>{channels(rungTable(scale))}</feComponentTransfer>
                </filter>
            )}
            {scale && onlyStep !== null && (
                <filter id="prism-only" colorInterpolationFilters="sRGB">
                    <feComponentTransfer result="in">{channels(stepTable(scale, onlyStep))}</feComponentTransfer>
                    <feColorMatrix in="in" type="luminanceToAlpha" result="mask" />
                    <feComposite in="SourceGraphic" in2="mask" operator="in" />
                </filter>
            )}
            {lamp && (
                <filter id="prism-lamp" colorInterpolationFilters="linearRGB">
                    <feColorMatrix
                        type="matrix"
                        values={[...lamp.map((row) => `${row.join(' ')} 0 0`), '0 0 0 1 0'].join(' ')}
                    />
                </filter>
            )}
        </svg>
    );
});
