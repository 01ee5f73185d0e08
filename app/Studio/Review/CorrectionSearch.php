<?php

declare(strict_types=1);

namespace App\Studio\Review;

use App\Models\Piece;
use App\Models\ZoneTarget;
use App\Studio\Calibration\Engine;
use App\Studio\Pencils\Catalogue;
use App\Studio\Planning\PictureZones;
use App\Studio\Planning\PlaceDesk;
use App\Studio\Planning\ZoneRecipes;
use Closure;
use Prism\Colour\Lab;
use Prism\Layering\Stack;
use Prism\Materials\Kit;
use Prism\Planning\Order\Passed;
use Prism\Review\LoggedPart;
use Prism\Review\NextLayers;
use Prism\Review\Review;
use Prism\Review\ZoneLog;

/** What the log says of a drawing that was photographed, and what to lay next where it is off. */
final class CorrectionSearch
{
    /** A zone takes no more turns than this at once; and so many places one corrects before one looks again. */
    private const MOST_TURNS = 3;

    private const MOST_PLACES = 12;

    public function __construct(private readonly Engine $engine, private readonly Catalogue $catalogue, private readonly ZoneRecipes $recipes, private readonly PictureZones $picture)
    {
    }

    public function log(Piece $piece): PictureLog
    {
        $plan = $this->recipes->plan($piece);
        $passed = Passed::through($plan, $piece->drawnSteps()->pluck('state', 'step_key')->all());
        $targets = ZoneTarget::query()->with('zone.targets');
        $targets->whereIn('id', array_keys($passed));
        $desks = $expected = [];
        foreach ($targets->get() as $row) {
            $way = $passed[$row->id];
            $desks[$row->id] = PlaceDesk::of($this->engine, $this->catalogue, $piece, $row, $way->present, $way->rest);
            $expected[$row->id] = $desks[$row->id]->predictor()->predict($way->present)->colour;
        }

        return new PictureLog($plan, $passed, $desks, $expected);
    }

    /**
     * @param  Closure(float): void  $progress  share of it done
     * @return array{logs: array<string, ZoneLog>, next: list<NextLayers>} by zone what its log says; and layers, those of the zone that hurts most first
     */
    public function of(Piece $piece, PictureLog $log, Review $review, Closure $progress): array
    {
        $out = Kit::of(array_column($log->plan->pullList, 'pencil'));
        $zones = array_column($this->picture->of($piece), null, 'id');
        $logs = $next = [];
        foreach ($review->zones as $i => $zone) {
            $parts = [];
            foreach ($zone->parts as $part) {
                $desk = $log->desks[$part->target] ?? null;
                if ($desk !== null) {
                    $parts[] = [LoggedPart::of($part, $log->passed[$part->target], $desk->predictor()), $desk];
                }
            }
            $logs[$zone->id] = ZoneLog::of(array_column($parts, 0));
            $turns = self::MOST_TURNS;
            foreach ($parts as [$logged, $desk]) {
                if (count($next) >= self::MOST_PLACES || $turns < 1) {
                    break;
                }
                $layers = NextLayers::of($logged, $desk->wanted, $desk->predictor(), $desk->search(), $zones[$zone->id]->limits($turns, $desk->wanted), $out, $turns);
                if ($layers !== null) {
                    $next[] = $layers;
                    $turns -= $layers->turns();
                }
            }
            $progress(($i + 1) / count($review->zones));
        }

        return ['logs' => $logs, 'next' => $next];
    }

    /**
     * As it is kept with a review.
     *
     * @return array<string, mixed>
     */
    public static function told(NextLayers $next): array
    {
        $lab = static fn (Lab $colour): array => [$colour->L, $colour->a, $colour->b];
        [$part, $passed] = [$next->logged->part, $next->logged->passed];

        return [
            'target' => $part->target, 'zone' => $passed->zone->zone, 'name' => $passed->zone->name,
            'steps' => (string) $next->steps, 'laid' => (string) Stack::of(...$next->laid), 'present' => (string) $passed->present, 'rest' => (string) $passed->rest,
            'stands' => count($passed->present) - count($passed->own) + count($next->laid),
            'before' => $lab($next->logged->seen), 'after' => $lab($next->after), 'wanted' => $lab($next->wanted), 'sentence' => $next->sentence(),
        ];
    }
}
