<?php

declare(strict_types=1);

namespace Prism\Matching;

use Prism\Materials\PencilKind;
use Prism\Schools\BlackAndWhite;
use Prism\Schools\Shadows;

/** Which pencils the schools have for a colour: black in shadows where they say so and freely on toned paper, white unless never. */
final class Permitted
{
    public static function pencil(string $id, PencilKind $kind, Target $target, Limits $limits): bool
    {
        // Asked for by name, a pencil is wanted.
        if (in_array($id, $limits->given, true) || in_array($id, $limits->must, true)) {
            return true;
        }
        $never = $limits->schools->blackAndWhite === BlackAndWhite::Never;

        return match ($kind) {
            PencilKind::White => ! $never,
            PencilKind::Black => ! $never && ! $limits->noBlack && (
                ($limits->schools->shadows === Shadows::Black && $target->isShadow())
                || ($limits->schools->shadows === Shadows::BlackFirst && $target->isTrulyBlack())
                || $limits->schools->blackAndWhite === BlackAndWhite::Toned
            ),
            default => true,
        };
    }
}
