<?php

declare(strict_types=1);

namespace Prism\Review;

use Prism\Colour\Lab;
use Prism\Colour\Words\Difference;
use Prism\Reference\Zones\TargetRole;

/** A colour of a zone as it is seen in the drawing. */
final readonly class PartReview
{
    /** @param  int  $pixels  in which it is seen */
    public function __construct(public string $target, public TargetRole $role, public Lab $seen, public Lab $wanted, public Difference $difference, public PartState $state, public int $pixels)
    {
    }

    public static function of(string $target, TargetRole $role, Lab $seen, Lab $wanted, Lab $paper, int $pixels): self
    {
        return new self($target, $role, $seen, $wanted, Difference::between($seen, $wanted), PartState::of($seen, $wanted, $paper), $pixels);
    }
}
