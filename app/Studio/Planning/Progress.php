<?php

declare(strict_types=1);

namespace App\Studio\Planning;

use App\Models\Piece;
use Illuminate\Support\Facades\DB;
use Prism\Planning\Order\Plan;

/** How far a drawing is: in turns and in minutes of the hands, as its plan was last seen. */
final readonly class Progress
{
    /**
     * @param  int  $turns  of the plan
     * @param  int  $done  of these, no step of which is open
     * @param  float  $minutesLeft  of the steps that are open
     */
    public function __construct(public int $turns, public int $done, public float $minutesLeft)
    {
    }

    /** @param  array<string, string>  $states  of steps that are done or skipped, by key */
    public static function of(Plan $plan, array $states): self
    {
        $open = [];
        $turns = [];
        $left = 0.0;
        foreach ($plan->steps as $step) {
            $turns[$step->turn] = true;
            if (! isset($states[$step->key])) {
                $open[$step->turn] = true;
                $left += $step->minutes;
            }
        }

        return new self(count($turns), count(array_diff_key($turns, $open)), round($left, 1));
    }

    public static function noted(Piece $piece): ?self
    {
        return $piece->progress === null ? null : new self((int) $piece->progress['turns'], (int) $piece->progress['done'], (float) $piece->progress['minutesLeft']);
    }

    /** Written beside the piece: it is no change of it. */
    public function note(Piece $piece): void
    {
        $now = ['turns' => $this->turns, 'done' => $this->done, 'minutesLeft' => $this->minutesLeft];
        if ($piece->progress != $now) {
            DB::table('pieces')->where('id', $piece->id)->update(['progress' => json_encode($now, JSON_THROW_ON_ERROR)]);
        }
    }
}
