<?php

declare(strict_types=1);

namespace App\Studio\Drawing;

use App\Models\DrawingEntry;
use App\Models\Piece;
use App\Models\Recipe;
use App\Studio\ChangedMeanwhile;
use App\Studio\Planning\ZoneRecipes;
use Prism\Layering\Stack;
use Prism\Layering\Step;
use Prism\Planning\Order\Plan;
use Prism\Planning\Order\PlanStep;

/** From what lies there on, colours have other recipes: what was laid stays marked, what follows is open. */
final class OtherRecipes
{
    public function __construct(private readonly ZoneRecipes $recipes)
    {
    }

    /**
     * Within a transaction, with the piece locked. The entry notes all that was before, so that undo brings it back.
     *
     * @param  Plan  $plan  as it is until now
     * @param  non-empty-array<string, array{list<Step>, Stack}>  $ways  by colour: what lies there of its own layers, and what follows
     *
     * @throws ChangedMeanwhile if a colour has no recipe any more
     */
    public function take(Piece $piece, DrawingEntry $entry, Plan $plan, array $ways): void
    {
        $rows = Recipe::query()->whereIn('target_id', array_keys($ways))->get()->keyBy('target_id');
        $kept = $before = $was = $prepared = $planned = [];
        $marks = $piece->drawnSteps()->pluck('state', 'step_key');
        foreach ($plan->steps as $step) {
            $planned[$step->key] = true;
            if ($step->role->isPreparation() && isset($marks[$step->key])) {
                $prepared[self::place($step)] = $marks[$step->key];
            }
            if (isset($ways[$step->zone->id]) && ! $step->isOfRecipe()) {
                $kept[$step->key] = true;
            }
        }
        foreach ($piece->drawnSteps()->get() as $drawn) {
            if (isset($ways[PlanStep::targetOf($drawn->step_key)]) && ! isset($kept[$drawn->step_key])) {
                $before[$drawn->step_key] = Marks::rowOf($drawn);
            }
        }
        foreach (array_keys($before) as $key) {
            Marks::put($piece, $key, null);
        }
        foreach ($ways as $target => [$own, $rest]) {
            $row = $rows->get($target) ?? throw new ChangedMeanwhile(Marks::WHAT);
            $was[] = ['target' => $target, 'stack' => $row->stack, 'by_hand' => $row->by_hand];
            Marks::recipe($target, ['stack' => (string) Stack::of(...$own, ...$rest->steps), 'by_hand' => true]);
        }
        foreach ($this->recipes->plan($piece)->steps as $step) {
            $own = $ways[$step->zone->id][0] ?? null;
            if ($own !== null && $step->layer >= 1 && $step->layer <= count($own) && ! isset($kept[$step->key])) {
                $before[$step->key] ??= null;
                Marks::put($piece, $step->key, ['state' => 'done', 'entry' => $entry->id, 'laid' => $step->isOfRecipe() ? (string) $own[$step->layer - 1] : null, 'mm2' => $step->zone->areaMm2]);
            } elseif ($step->role->isPreparation() && ! isset($planned[$step->key]) && isset($prepared[self::place($step)])) {
                // It is led by another colour of the zone now; nobody maps lines or keeps paper free where colour lies already.
                $before[$step->key] ??= null;
                Marks::put($piece, $step->key, ['state' => $prepared[self::place($step)], 'entry' => $entry->id, 'laid' => null, 'mm2' => $step->zone->areaMm2]);
            }
        }
        $entry->update(['before' => $before, 'recipe_before' => $was]);
    }

    /** What is prepared of a zone once, whichever of its colours leads it. */
    private static function place(PlanStep $step): string
    {
        return $step->zone->zone.' '.$step->role->value;
    }
}
