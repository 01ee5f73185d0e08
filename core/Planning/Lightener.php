<?php

declare(strict_types=1);

namespace Prism\Planning;

use Prism\Materials\Pencil;
use Prism\Reference\ZoneReader;

/** Pale pencils that soften a passage at the end, such as cream, ivory or a light grey: warm ones and cool ones. */
enum Lightener: string
{
    case Warm = 'warm';
    case Cool = 'cool';

    /** L* and chroma of a pale colour that is no white. */
    private const PALE = 76.0;

    private const CHROMA = [2.5, 26.0];

    public static function of(Pencil $pencil): ?self
    {
        $coat = $pencil->fullCoat;
        if ($coat === null || $coat->L < self::PALE || $coat->chroma() < self::CHROMA[0] || $coat->chroma() > self::CHROMA[1]) {
            return null;
        }

        return ZoneReader::warmthOf($coat) > 0.0 ? self::Warm : self::Cool;
    }
}
