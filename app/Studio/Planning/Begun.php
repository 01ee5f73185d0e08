<?php

declare(strict_types=1);

namespace App\Studio\Planning;

use App\Models\Piece;
use Prism\Planning\Order\PlanStep;

/** Which colours of a piece are begun on the paper: what lies there stays as it is. */
final class Begun
{
    /** @return list<string> targets of which something lies on the paper */
    public static function of(Piece $piece): array
    {
        $done = $piece->drawnSteps();
        $done->where('state', 'done');

        return array_values(array_unique(array_map(PlanStep::targetOf(...), $done->pluck('step_key')->all())));
    }
}
