<?php

declare(strict_types=1);

namespace Prism\Planning;

use Prism\Materials\Pencil;

/** Which pencils to take out of the box, what to mind, and every step in order. */
final readonly class Plan
{
    /**
     * @param  list<array{pencil: Pencil, layers: int, zones: int, share: float}>  $pullList  in box order; share of all that is laid
     * @param  list<Caution>  $cautions
     * @param  list<PlanStep>  $steps
     * @param  float  $minutes  from the first step to the last, breaks left out
     * @param  float  $idleMinutes  of these, with idle hands
     * @param  float  $apartMinutes  what finishing one colour after the other would take
     */
    public function __construct(public array $pullList, public array $cautions, public array $steps, public float $minutes = 0.0, public float $idleMinutes = 0.0, public float $apartMinutes = 0.0)
    {
    }

    public function sessions(): int
    {
        return $this->steps === [] ? 0 : max(array_map(static fn (PlanStep $step): int => $step->session, $this->steps));
    }
}
