<?php

declare(strict_types=1);

namespace App\Studio\Practice;

use App\Models\DrillRound;
use Carbon\CarbonInterface;
use Prism\Practice\DrillKind;

/** How far somebody has come in one drill. */
final readonly class Skill
{
    /**
     * @param  int  $level  1 easy to 5 hard
     * @param  ?CarbonInterface  $dueAt  null: never practised
     * @param  list<DrillRound>  $rounds  the last ones, oldest first
     */
    public function __construct(public DrillKind $kind, public int $level, public ?CarbonInterface $dueAt, public array $rounds)
    {
    }

    public function isDue(): bool
    {
        return $this->dueAt === null || $this->dueAt->lessThanOrEqualTo(now());
    }
}
