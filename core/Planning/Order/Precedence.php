<?php

declare(strict_types=1);

namespace Prism\Planning\Order;

/** One step must come before another, and why. */
final readonly class Precedence
{
    /**
     * @param  int  $before  index of a step
     * @param  int  $after  index of a step
     * @param  string  $why  continues "Now, since ..."; empty where the stack itself says so
     */
    public function __construct(public int $before, public int $after, public string $why)
    {
    }
}
