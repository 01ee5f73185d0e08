<?php

declare(strict_types=1);

namespace App\Console\Bench;

use Prism\Calibration\DrawnHand;
use Prism\Calibration\HandReading;
use Prism\Layering\Stack;
use Prism\Layering\Step;
use Prism\Materials\Pencil;
use Prism\Planning\Order\Passed;
use Prism\Planning\Order\Plan;
use Prism\Planning\Order\PlannedZone;
use Prism\Planning\PictureZone;
use Prism\Reference\Image\Raster;
use Prism\Reference\Zones\ZoneMap;
use Prism\Review\LoggedPart;
use Prism\Review\TurnsLeft;
use Standin\ErringHand;

/**
 * A picture drawn as the studio means it: a third of its colours, compared, corrected, what is learnt of the hand kept, the next third. The hand
 * errs in all that it lays, corrections too.
 */
final class ReviewWork
{
    public const COLUMNS = ['drawn in thirds, compared and corrected after each', 'plan by a true hand', 'drawn through', 'third 1', 'two thirds', 'all', 'learnt', 'corrected', 'made worse'];

    private const ROUNDS = 3;

    /** @param  array<string, array{raster: Raster, map: ZoneMap, zones: list<PictureZone>, plan: Plan}>  $pictures  planned, by name */
    public function __construct(private readonly ReviewDesk $desk, private readonly array $pictures)
    {
    }

    /** @return list<list<string>> of the pictures that were drawn last by each hand, {@see COLUMNS} */
    public function rows(): array
    {
        $rows = [];
        foreach (ErringHand::cases() as $hand) {
            foreach ($this->pictures as $name => ['raster' => $raster, 'map' => $map, 'zones' => $zones, 'plan' => $plan]) {
                $rows[] = ["$name, $hand->value", ...$this->worked("$name $hand->value", $hand, $raster, $map, $zones, $plan)];
            }
        }

        return $rows;
    }

    /**
     * @param  list<PictureZone>  $zones
     * @return list<string>
     */
    private function worked(string $seed, ErringHand $hand, Raster $raster, ZoneMap $map, array $zones, Plan $plan): array
    {
        $out = array_map(static fn (Pencil $pencil): Step => Step::layer($pencil->id, 50.0, 1), array_column($plan->pullList, 'pencil'));
        $planned = $plan->laid();
        $ways = ReviewDesk::ways($plan);
        $of = array_column($zones, null, 'id');
        $lay = static function (Stack $stack, string $what, float $time, float $by) use ($hand, $out): array {
            $steps = [];
            foreach ($stack->pressing($by)->steps as $n => $step) {
                $steps[] = $hand->lays($step, "$what $n", $time, $out);
            }

            return array_values(array_filter($steps));
        };
        $through = [];
        $last = max(1, count($planned) - 1);
        foreach (array_keys($planned) as $place => $target) {
            $through[$target] = Stack::of(...$lay($planned[$target], $target, $place / $last, 1.0));
        }
        $believed = $lies = $figures = $corrected = $told = $pressed = [];
        $learnt = 1.0;
        $third = (int) ceil(count($planned) / self::ROUNDS);
        for ($round = 1; $round <= self::ROUNDS; $round++) {
            foreach (array_slice($planned, ($round - 1) * $third, $third, true) as $target => $stack) {
                $believed[$target] = $stack;
                $lies[$target] = Stack::of(...$lay($stack, $target, array_search($target, array_keys($planned), true) / $last, 1.0 / $learnt));
            }
            $review = $this->desk->seen($raster, $map, $zones, $lies, $believed, "$seed third $round", 0.05 * $round, 3.0 * $round - 5.0);
            $readings = [];
            foreach ($review->zones as $zone) {
                foreach ($zone->parts as $part) {
                    if (isset($believed[$part->target])) {
                        $logged = LoggedPart::of($part, Passed::laid($ways[$part->target], $believed[$part->target], $planned[$part->target]), $this->desk->predictor);
                        if ($logged->tellsOfHand($this->desk->predictor->model->bare()->lab())) {
                            $readings[] = new HandReading($zone->name, $believed[$part->target], $logged->seen, $this->desk->predictor);
                        }
                    }
                }
            }
            $factor = DrawnHand::of($readings)->factor ?? 1.0;
            $told[] = sprintf('%.2f', $factor);
            $learnt *= $factor;
            $believed = array_map(static fn (Stack $stack): Stack => $stack->pressing($factor), $believed);
            foreach ($review->zones as $zone) {
                $left = new TurnsLeft(ReviewFigures::TURNS);
                foreach ($this->desk->parts($zone, $ways, $believed, $planned, $pressed) as $logged) {
                    $next = $left->areOver() ? null : $this->desk->next($logged, $of[$zone->id], $plan, $left);
                    if ($next !== null) {
                        [$part, $way] = [$logged->part, $logged->passed->zone];
                        $left = $left->after($next->steps);
                        $pressed += [$part->target => $next->pressed()];
                        $before = $this->off($lies[$part->target], $way);
                        $believed[$part->target] = Stack::of(...$next->laid, ...$next->steps->steps);
                        $lies[$part->target] = Stack::of(...$lies[$part->target]->steps, ...$lay($next->steps, "$part->target round $round", ($round * $third) / count($planned), 1.0 / $learnt));
                        $corrected[] = [$before, $this->off($lies[$part->target], $way)];
                    }
                }
            }
            $figures[] = $this->median($lies, $ways);
        }
        $median = static fn (array $values): string => sprintf('%.2f', Clock::quantile(array_values($values), 0.5));

        return [
            $this->median($planned, $ways), $this->median($through, $ways), ...$figures, implode(', ', $told),
            sprintf('%d: %s to %s', count($corrected), $median(array_column($corrected, 0)), $median(array_column($corrected, 1))),
            (string) count(array_filter($corrected, static fn (array $one): bool => $one[1] > $one[0] + 1.0)),
        ];
    }

    /**
     * @param  array<string, Stack>  $laid
     * @param  array<string, PlannedZone>  $ways
     */
    private function median(array $laid, array $ways): string
    {
        return sprintf('%.2f', Clock::quantile(array_map(fn (string $target): float => $this->off($laid[$target], $ways[$target]), array_keys($laid)), 0.5));
    }

    private function off(Stack $laid, PlannedZone $way): float
    {
        return $this->desk->drawn($laid)->differenceTo($way->target);
    }
}
