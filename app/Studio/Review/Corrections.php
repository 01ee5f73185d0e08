<?php

declare(strict_types=1);

namespace App\Studio\Review;

use App\Models\Piece;
use App\Studio\ChangedMeanwhile;
use App\Studio\Drawing\Marks;
use App\Studio\Drawing\OtherRecipes;
use App\Studio\Planning\ZoneRecipes;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Prism\Layering\Stack;
use Prism\Planning\Order\Passed;

/** Layers that a photo of the drawing asked for, taken over into Draw. */
final class Corrections
{
    public function __construct(private readonly DrawingReviews $reviews, private readonly ZoneRecipes $recipes, private readonly OtherRecipes $others)
    {
    }

    /**
     * From what most likely lies there on, these colours have other recipes; at one press, that is taken back at one.
     *
     * @param  string  $mark  of the press: what was sent before is not done again
     * @param  string  $photo  mark of the photo that was compared
     * @param  list<string>  $targets  colours for which its corrections are taken. {@see ChangedMeanwhile} is thrown if the drawing has
     *                                 gone on there since, or the photo was compared anew
     */
    public function take(Piece $piece, string $mark, string $photo, array $targets, Carbon $madeAt): void
    {
        DB::transaction(function () use ($piece, $mark, $photo, $targets, $madeAt): void {
            Marks::lock($piece);
            if ($piece->drawingEntries()->where('mark', $mark)->exists()) {
                return;
            }
            $plan = $this->recipes->plan($piece);
            $passed = Passed::through($plan, $piece->drawnSteps()->pluck('state', 'step_key')->all());
            $known = array_column($this->reviews->corrections($piece, $photo), null, 'target');
            $ways = $names = [];
            foreach ($targets as $target) {
                $correction = $known[$target] ?? null;
                $way = $passed[$target] ?? null;
                if ($correction === null || $way === null || (string) $way->present !== $correction['present'] || (string) $way->rest !== $correction['rest']) {
                    throw new ChangedMeanwhile(Marks::WHAT);
                }
                $ways[$target] = [self::stack($correction['laid'])->steps, self::stack($correction['steps'])];
                $names[] = $way->zone->name;
            }
            if ($ways === []) {
                throw new ChangedMeanwhile(Marks::WHAT);
            }
            $entry = $piece->drawingEntries()->create([
                'mark' => $mark, 'kind' => 'corrected', 'made_at' => $madeAt,
                'did' => ['photo' => $photo, 'targets' => $targets, 'rest' => count($ways) === 1 ? $known[$targets[0]]['steps'] : '', 'places' => $names],
            ]);
            $this->others->take($piece, $entry, $plan, $ways);
        });
    }

    private static function stack(string $notation): Stack
    {
        return $notation === '' ? Stack::of() : Stack::parse($notation);
    }
}
