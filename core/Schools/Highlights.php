<?php

declare(strict_types=1);

namespace Prism\Schools;

/** How an artist keeps or makes highlights: the schools of practice. */
enum Highlights: string
{
    case Reserve = 'reserve';
    case PalePencil = 'pale-pencil';
    case WhiteFirst = 'white-first';
    case Lift = 'lift';
    case Impress = 'impress';
    case PalestLast = 'palest-last';
    case OpaquePen = 'opaque-pen';

    /** What a sharp pencil can leave free or cover, in millimetres. */
    public const POINT_MM = 0.8;

    public function label(): string
    {
        return match ($this) {
            self::Reserve => 'Reserve the paper',
            self::PalePencil => 'Protect with a pale pencil',
            self::WhiteFirst => 'White pencil firmly first',
            self::Lift => 'Lift out with the eraser',
            self::Impress => 'Impress',
            self::PalestLast => 'Palest pencil last',
            self::OpaquePen => 'Opaque white pen last',
        };
    }

    public function sentence(): string
    {
        return match ($this) {
            self::Reserve => 'Draw round the light and leave the paper bare.',
            self::PalePencil => 'Cover the light with the palest pencil before anything else; it marks the place and takes little colour.',
            self::WhiteFirst => 'Press white into the light first; what is laid over it later hardly takes.',
            self::Lift => 'Lay lightly over the light and dab it out with the kneaded eraser before anything is pressed.',
            self::Impress => 'Press the light into the paper with a blunt point before the first layer; it stays white and cannot be undone.',
            self::PalestLast => 'Keep the light thin, and lay white or the palest pencil over it firmly when all else is done.',
            self::OpaquePen => 'Draw over the light and set it with an opaque white pen when all else is done.',
        };
    }

    /** Whether it is done when all else is done, not before anything else. */
    public function isLast(): bool
    {
        return in_array($this, [self::Lift, self::PalestLast, self::OpaquePen], true);
    }

    /** What to do with a reserve of this width, in millimetres, in one sentence. */
    public function adviceFor(float $widthMm): string
    {
        $thin = $widthMm < self::POINT_MM;

        return match (true) {
            $thin && $this === self::Reserve => sprintf('%.1f mm: too thin to draw round; impress it first, or set it with an opaque white pen last.', $widthMm),
            $thin && in_array($this, [self::PalePencil, self::WhiteFirst], true) => sprintf('%.1f mm: draw it as one line with a sharp point.', $widthMm),
            $thin && $this === self::Lift => sprintf('%.1f mm: too thin for the eraser; cut it to an edge, or impress the line first.', $widthMm),
            ! $thin && $this === self::Impress && $widthMm > 3.0 => sprintf('%.1f mm: too wide to impress; leave the paper bare here.', $widthMm),
            default => sprintf('%.1f mm: %s', $widthMm, lcfirst($this->sentence())),
        };
    }
}
