<?php

declare(strict_types=1);

namespace Prism\Reference\Zones;

use Prism\Colour\Lab;

/** A colour found in a zone. */
final readonly class ZoneTarget
{
    /**
     * @param  float  $share  of the zone, 0-1
     * @param  float  $spread  root mean square distance of its pixels from their mean, in CIELAB units
     * @param  float  $x  a spot that shows it well, share of the width
     * @param  float  $y  share of the height
     * @param  ?float  $lineWidth  of lines, share of the width of the picture; null: it is none
     * @param  ?float  $edgeWidth  of an accent, over which it fades into what lies beside it, share of the width; null where that was not read
     */
    public function __construct(public TargetRole $role, public Lab $colour, public float $share, public float $spread, public float $x, public float $y, public ?float $lineWidth = null, public ?float $edgeWidth = null)
    {
    }
}
