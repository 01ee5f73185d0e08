<?php

declare(strict_types=1);

namespace App\Studio\Review;

use App\Models\Piece;
use App\Models\ZoneTarget;
use App\Studio\Calibration\CalibrationReview;
use App\Studio\Calibration\Engine;
use App\Studio\Pencils\Catalogue;
use App\Studio\Planning\PictureZones;
use App\Studio\Planning\PlaceDesk;
use App\Studio\Planning\ZoneRecipes;
use Closure;
use Prism\Calibration\DrawnHand;
use Prism\Calibration\HandReading;
use Prism\Colour\Lab;
use Prism\Layering\Stack;
use Prism\Materials\Kit;
use Prism\Planning\Order\Passed;
use Prism\Review\LoggedPart;
use Prism\Review\NextLayers;
use Prism\Review\Review;
use Prism\Review\TurnsLeft;
use Prism\Review\ZoneHand;
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
     * @param  array<string, ?float>  $before  colours that photos have had corrected already, {@see ZoneHand::lightly()}
     * @param  Closure(float): void  $progress  share of it done
     * @return array{logs: array<string, ZoneLog>, next: list<NextLayers>, spent: array<string, true>, readings: list<HandReading>} by zone what its log says;
     *                                            layers, those of the zone that hurts most first; zones that nothing brings nearer; and what tells of the hand
     */
    public function of(Piece $piece, PictureLog $log, Review $review, array $before, Closure $progress): array
    {
        $out = Kit::of(array_column($log->plan->pullList ?? [], 'pencil'));
        $zones = array_column($this->picture->of($piece), null, 'id');
        $logs = $next = $spent = $readings = [];
        foreach ($review->zones as $i => $zone) {
            $parts = [];
            foreach ($zone->worstFirst() as $part) {
                $desk = $log->desks[$part->target] ?? null;
                if ($desk !== null) {
                    $parts[] = [LoggedPart::of($part, $log->passed[$part->target], $desk->predictor()), $desk];
                }
            }
            foreach ($parts as [$logged, $desk]) {
                if ($logged->tellsOfHand($desk->predictor()->model->bare()->lab())) {
                    $readings[] = new HandReading($logged->passed->zone->name, $logged->passed->present, $logged->seen, $desk->predictor());
                }
            }
            $logs[$zone->id] = ZoneLog::of(array_column($parts, 0));
            $left = new TurnsLeft(self::MOST_TURNS);
            $seen = array_map(static fn (array $part): array => [$part[0], $part[1]->predictor()], $parts);
            $unseen = ZoneHand::unseen($zone->narrow, $seen, static fn (string $target): ?array => isset($log->desks[$target]) ? [$log->passed[$target], $log->desks[$target]->predictor()] : null, $before);
            foreach ([...$parts, ...array_map(static fn (LoggedPart $logged): array => [$logged, $log->desks[$logged->part->target]], $unseen)] as [$logged, $desk]) {
                if (count($next) >= self::MOST_PLACES || $left->areOver()) {
                    break;
                }
                $layers = NextLayers::of($logged, $desk->wanted, $desk->predictor(), $desk->search(), $zones[$zone->id]->limits(self::MOST_TURNS, $desk->wanted), $out, $left);
                if ($layers !== null) {
                    $next[] = $layers;
                    $left = $left->after($layers->steps);
                } elseif ($logged->isSeen() && $left->turns === self::MOST_TURNS && ($logged->isTooDark() || $logged->isFull($desk->predictor()))) {
                    $spent[$zone->id] = true;
                }
            }
            $progress(($i + 1) / count($review->zones));
        }

        return ['logs' => $logs, 'next' => $next, 'spent' => array_diff_key($spent, array_flip(array_map(static fn (NextLayers $layers): string => $layers->logged->passed->zone->zone, $next))), 'readings' => $readings];
    }

    /**
     * How hard the hand presses by these readings, as it is kept with a review; null where that is not to be told.
     *
     * @param  list<HandReading>  $readings
     * @param  ?int  $calibration  that predictions rest on
     * @return ?array<string, mixed>
     */
    public static function hand(PictureLog $log, array $readings, ?int $calibration): ?array
    {
        $hand = DrawnHand::of($readings);
        if ($hand === null) {
            return null;
        }
        $shifted = 0;
        foreach ($log->passed as $target => $passed) {
            $predictor = ($log->desks[$target] ?? null)?->predictor();
            $shifted += $predictor !== null && $predictor->predict($passed->planned)->colour->differenceTo($predictor->predict($passed->planned->pressing($hand->factor))->colour) > CalibrationReview::SHIFT_NOTICED ? 1 : 0;
        }

        return [
            'factor' => $hand->factor, 'words' => $hand->words(), 'calibration' => $calibration, 'shifted' => $shifted, 'recipes' => count($log->passed),
            'readings' => array_map(static fn (HandReading $reading): array => [
                'name' => $reading->name, 'stack' => (string) $reading->stack, 'seen' => self::lab($reading->seen),
                'expected' => self::lab($reading->predictor->predict($reading->stack)->colour), 'learnt' => self::lab($reading->predictor->predict($reading->stack->pressing($hand->factor))->colour),
            ], $readings),
        ];
    }

    /** @return array{float, float, float} */
    private static function lab(Lab $colour): array
    {
        return [round($colour->L, 2), round($colour->a, 2), round($colour->b, 2)];
    }

    /**
     * As it is kept with a review.
     *
     * @return array<string, mixed>
     */
    public static function told(NextLayers $next): array
    {
        [$part, $passed] = [$next->logged->part, $next->logged->passed];

        return [
            'target' => $part->target, 'zone' => $passed->zone->zone, 'name' => $passed->zone->name,
            'steps' => (string) $next->steps, 'laid' => (string) Stack::of(...$next->laid), 'present' => (string) $passed->present, 'rest' => (string) $passed->rest,
            'stands' => count($passed->present) - count($passed->own) + count($next->laid),
            'before' => self::lab($next->logged->seen), 'after' => self::lab($next->after), 'wanted' => self::lab($next->wanted), 'sentence' => $next->sentence(), 'isSeen' => $next->logged->isSeen(), 'pressed' => $next->pressed(),
        ];
    }
}
