<?php

declare(strict_types=1);

namespace Prism\Planning;

use Prism\Colour\Lab;
use Prism\Reference\Zones\TargetRole;

/** A colour of a zone, to be drawn. */
final readonly class PictureTarget
{
    /**
     * @param  Lab  $read  as the photo shows it
     * @param  Lab  $drawn  as it is to be drawn: within reach, or as the artist wants it
     * @param  float  $share  of the zone, 0-1
     * @param  ?float  $lineWidth  of lines, share of the width of the picture; null: it is none
     * @param  ?float  $edgeWidth  over which an accent fades, likewise; null where that was not read
     */
    public function __construct(public string $id, public TargetRole $role, public Lab $read, public Lab $drawn, public float $share, public ?float $lineWidth = null, public ?float $edgeWidth = null)
    {
    }
}
