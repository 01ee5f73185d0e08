<?php

declare(strict_types=1);

namespace Prism\Review;

use Prism\Colour\Lab;
use Prism\Colour\Words\Difference;
use Prism\Reference\Zones\TargetRole;

/** A colour of a zone as it is seen in the drawing. */
final readonly class PartReview
{
    /**
     * @param  Lab  $seen  among its neighbours, into which it passes
     * @param  int  $pixels  in which it is seen
     * @param  Lab  $expected  what the log says would be seen there, among the same neighbours
     */
    public function __construct(public string $target, public TargetRole $role, public Lab $seen, public Lab $wanted, public Difference $difference, public PartState $state, public int $pixels, public Lab $expected)
    {
    }

    public static function of(string $target, TargetRole $role, Lab $seen, Lab $wanted, Lab $paper, int $pixels, ?Lab $expected = null): self
    {
        return new self($target, $role, $seen, $wanted, Difference::between($seen, $wanted), PartState::of($seen, $wanted, $paper), $pixels, $expected ?? $wanted);
    }
}
