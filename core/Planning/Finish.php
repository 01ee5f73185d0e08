<?php

declare(strict_types=1);

namespace Prism\Planning;

use Prism\Schools\Blending;
use Prism\Schools\SchoolSet;
use Prism\Schools\Surface;

/** The finish that a surface bears: what closes the grain is for hard and shiny things, never for soft or fuzzy ones. */
final class Finish
{
    public static function on(Surface $surface, SchoolSet $schools): SchoolSet
    {
        return $schools->blending($schools->blending->on($surface));
    }

    /** What to do at the end of a zone, in one sentence. */
    public static function sentence(Surface $surface, SchoolSet $schools): string
    {
        $own = self::on($surface, $schools)->blending;

        return match (true) {
            $own !== $schools->blending => sprintf('No %s here: this is no hard and shiny thing; let the grain show.', $schools->blending === Blending::Burnish ? 'burnish' : 'blender'),
            $surface === Surface::Hard && $own === Blending::Layers => 'Hard and shiny: many light layers until the grain is gone, edges sharp.',
            $surface === Surface::Smooth && $own === Blending::Layers => 'Smooth and matt: even coats until the grain closes; no stroke shows.',
            $surface === Surface::Stranded => 'Strokes along its direction to the end; do not smooth them.',
            $surface === Surface::Rough => 'Rough: let the tooth of the paper speak.',
            default => $own->sentence(),
        };
    }
}
