<?php

declare(strict_types=1);

namespace Prism\Planning;

use Prism\Matching\PencilCoat;
use Prism\Materials\Pencil;
use Prism\Materials\PencilKind;
use Prism\Reference\Zones\ZoneReader;

/** Pale pencils that soften a passage at the end, such as cream, ivory or a light grey: warm ones and cool ones. */
enum Lightener: string
{
    case Warm = 'warm';
    case Cool = 'cool';

    public static function of(Pencil $pencil): ?self
    {
        $coat = $pencil->fullCoat;
        if ($coat === null || ! (new PencilCoat($coat, PencilKind::of($coat), $pencil->binder, $pencil->opacity))->isLightener()) {
            return null;
        }

        return ZoneReader::warmthOf($coat) > 0.0 ? self::Warm : self::Cool;
    }
}
