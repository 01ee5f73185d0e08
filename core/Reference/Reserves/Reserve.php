<?php

declare(strict_types=1);

namespace Prism\Reference\Reserves;

/** One place that must stay paper, or pale. */
final readonly class Reserve
{
    /**
     * @param  float  $share  of the picture
     * @param  float  $width  at its widest, share of the picture's width
     * @param  bool  $rim  long and thin, as along a lit edge
     * @param  float  $x  a spot in it, share of the width
     * @param  float  $y  share of the height
     * @param  int  $zone  that it lies in; 0 if none
     */
    public function __construct(public ReserveKind $kind, public float $share, public float $width, public bool $rim, public float $x, public float $y, public int $zone)
    {
    }
}
