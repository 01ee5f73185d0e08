<?php

declare(strict_types=1);

namespace App\Studio\Drawing;

use App\Models\DrawnStep;
use App\Models\Piece;
use App\Studio\ChangedMeanwhile;
use App\Studio\Planning\Paces;
use Illuminate\Support\Facades\DB;
use Prism\Planning\Order\Plan;
use Prism\Planning\Order\PlanStep;

/** The steps of a plan that are marked as done or skipped: each mark upon what was seen, whoever else is marking. */
final class Marks
{
    private const WHAT = 'The drawing';

    public function __construct(private readonly Paces $paces)
    {
    }

    /**
     * @param  string  $state  done or skipped
     * @param  ?string  $was  what the step was seen as (open, done or skipped); else {@see ChangedMeanwhile} is thrown. Null: whatever it is
     */
    public function mark(Piece $piece, PlanStep $step, string $state, ?string $was): void
    {
        DB::transaction(function () use ($piece, $step, $state, $was): void {
            self::lock($piece);
            $marks = $piece->drawnSteps();
            $now = $marks->where('step_key', $step->key)->value('state') ?? 'open';
            if ($was !== null && $now !== $was) {
                throw new ChangedMeanwhile(self::WHAT);
            }
            $piece->drawnSteps()->updateOrCreate(['step_key' => $step->key], ['state' => $state, ...$this->paces->noted($piece, $step)]);
        });
    }

    /** @param  ?string  $seen  the step that was seen as marked last; else {@see ChangedMeanwhile} is thrown. Null: whichever it is */
    public function undo(Piece $piece, Plan $plan, ?string $seen): void
    {
        DB::transaction(static function () use ($piece, $plan, $seen): void {
            self::lock($piece);
            $last = self::last($piece, $plan);
            if ($seen !== null && $last?->step_key !== $seen) {
                throw new ChangedMeanwhile(self::WHAT);
            }
            $last?->delete();
        });
    }

    private static function last(Piece $piece, Plan $plan): ?DrawnStep
    {
        $drawn = $piece->drawnSteps();
        $drawn->whereIn('step_key', array_map(static fn (PlanStep $step): string => $step->key, $plan->steps))->orderByDesc('updated_at')->orderByDesc('id');

        return $drawn->first();
    }

    private static function lock(Piece $piece): void
    {
        Piece::query()->whereKey($piece->id)->lockForUpdate()->value('id');
    }
}
