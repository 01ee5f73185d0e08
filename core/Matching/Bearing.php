<?php

declare(strict_types=1);

namespace Prism\Matching;

use Prism\Schools\SchoolSet;

/** Schools as far as they bear on what a stack costs for a target; where they do not, as by default: so they are one to whoever compares them. */
final class Bearing
{
    public static function of(SchoolSet $schools, Target $target): SchoolSet
    {
        $usual = new SchoolSet;

        return $schools->with([
            'shadows' => $target->isShadow() ? $schools->shadows : $usual->shadows,
            'complement' => $target->hasComplement() ? $schools->complement : $usual->complement,
            'highlights' => $usual->highlights,
            'shading' => $usual->shading,
        ]);
    }
}
