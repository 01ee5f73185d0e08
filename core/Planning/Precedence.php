<?php

declare(strict_types=1);

namespace Prism\Planning;

/** One step must come before another, and why. */
final readonly class Precedence
{
    /**
     * @param  int  $before  index of a step
     * @param  int  $after  index of a step
     * @param  string  $why  completes "Before 12: ..."; empty where the stack itself says so
     */
    public function __construct(public int $before, public int $after, public string $why)
    {
    }
}
