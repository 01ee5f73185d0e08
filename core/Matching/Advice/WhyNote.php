<?php

declare(strict_types=1);

namespace Prism\Matching\Advice;

use Prism\Colour\Lab;
use Prism\Colour\Words\Difference;
use Prism\Layering\Stack;

/** What one thing about a stack does: the same stack without it, and how that differs. */
final readonly class WhyNote
{
    /**
     * @param  string  $what  "Without its underlayer", "In the other order"
     * @param  Lab  $colour  what the other stack looks like
     * @param  Difference  $difference  of the other stack from the one that is asked about
     * @param  bool  $nearer  the other stack comes nearer to the target
     */
    public function __construct(public string $what, public Stack $stack, public Lab $colour, public Difference $difference, public bool $nearer)
    {
    }
}
