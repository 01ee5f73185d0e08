<?php

declare(strict_types=1);

namespace Prism\Schools;

/** When black and white pencils are used. */
enum BlackAndWhite: string
{
    case Never = 'never';
    case Last = 'last';
    case Toned = 'toned';

    public function label(): string
    {
        return match ($this) {
            self::Never => 'Never',
            self::Last => 'Only last',
            self::Toned => 'Freely on toned paper',
        };
    }

    /** What it does to a drawing, in one sentence. */
    public function sentence(): string
    {
        return match ($this) {
            self::Never => 'No black and no white pencil: darks are mixed, lights are paper or pale colours.',
            self::Last => 'Black and white only as the last layer of a passage.',
            self::Toned => 'On toned paper white takes the lights and black the darks, the paper lies between, and the two never meet; on white paper only last.',
        };
    }
}
