<?php

declare(strict_types=1);

namespace Prism\Planning;

use Prism\Materials\Pencil;

/** Which pencils to take out of the box, what to mind, and every step in order. */
final readonly class Plan
{
    /**
     * @param  list<array{pencil: Pencil, layers: int, zones: int}>  $pullList  in box order
     * @param  list<Caution>  $cautions
     * @param  list<PlanStep>  $steps
     */
    public function __construct(public array $pullList, public array $cautions, public array $steps)
    {
    }
}
