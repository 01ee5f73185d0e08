<?php

declare(strict_types=1);

namespace App\Console\Bench;

use Prism\Calibration\DrawnHand;
use Prism\Calibration\HandReading;
use Prism\Layering\Stack;
use Prism\Layering\Step;
use Prism\Matching\Search\Correction;
use Prism\Matching\Target;
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

/** What becomes of drawings that are compared and drawn on; and what they teach of the hand. */
final class ReviewRounds
{
    public const COLUMNS = ['drawn so, then corrected by a true hand', 'plan by a true hand', 'drawn', 'round 1', 'round 2', 'round 3', 'past mending', 'the others by plan', 'after round 3', 'corrected', 'made worse'];

    public const HAND_COLUMNS = ['hand', 'learnt', 'other half dE00 before', 'with it'];

    private const ROUNDS = 3;

    /** What is so near is left; and what comes so near to what the plan itself comes to is mended, dE00. */
    private const NEAR = 1.0;

    /** @param  array<string, array{raster: Raster, map: ZoneMap, zones: list<PictureZone>, plan: Plan}>  $pictures  planned, by name */
    public function __construct(private readonly ReviewDesk $desk, private readonly array $pictures)
    {
    }

    /** @return list<list<string>> of the pictures that were drawn last, {@see COLUMNS}: three times compared and corrected by a hand that is true then */
    public function rounds(): array
    {
        $rows = [];
        foreach ($this->pictures as $name => ['raster' => $raster, 'map' => $map, 'zones' => $zones, 'plan' => $plan]) {
            $rows[] = $this->of("$name, finished badly", $raster, $map, $zones, $plan, ReviewFigures::erring($zones, $plan->laid()));
        }
        foreach ([ErringHand::Light, ErringHand::Drifting, ErringHand::Careless, ErringHand::Heavy] as $hand) {
            foreach ($this->pictures as $name => ['raster' => $raster, 'map' => $map, 'zones' => $zones, 'plan' => $plan]) {
                $rows[] = $this->of("$name, $hand->value", $raster, $map, $zones, $plan, self::drawnBy($hand, $plan));
            }
        }

        return $rows;
    }

    /** @return array<string, Stack> what such a hand lays of a plan, by colour */
    private static function drawnBy(ErringHand $hand, Plan $plan): array
    {
        $out = array_map(static fn (Pencil $pencil): Step => Step::layer($pencil->id, 50.0, 1), array_column($plan->pullList, 'pencil'));
        $laid = $plan->laid();
        $last = max(1, count($laid) - 1);
        $lies = [];
        foreach (array_keys($laid) as $place => $target) {
            $steps = [];
            foreach ($laid[$target]->steps as $n => $step) {
                $steps[] = $hand->lays($step, "$target $n", $place / $last, $out);
            }
            $lies[$target] = Stack::of(...array_values(array_filter($steps)));
        }

        return $lies;
    }

    /**
     * @param  list<PictureZone>  $zones
     * @param  array<string, Stack>  $lies  by colour what was really laid
     * @return list<string>
     */
    private function of(string $name, Raster $raster, ZoneMap $map, array $zones, Plan $plan, array $lies): array
    {
        $planned = $plan->laid();
        $ways = ReviewDesk::ways($plan);
        $believed = $planned;
        $off = fn (array $laid): array => array_map(fn (PlannedZone $zone): float => $this->desk->drawn($laid[$zone->id] ?? Stack::of())->differenceTo($zone->target), $ways);
        $figures = [$off($lies)];
        $known = $off($this->allKnown($lies, $ways, $zones));
        $bare = $off($planned);
        $mendable = array_filter($known, static fn (float $left, string $target): bool => $left <= max(Correction::EYE, $bare[$target] + self::NEAR), ARRAY_FILTER_USE_BOTH);
        $corrected = $pressed = [];
        for ($round = 1; $round <= self::ROUNDS; $round++) {
            $review = $this->desk->seen($raster, $map, $zones, $lies, $believed, "$name round $round", 0.05 * $round, 3.0 * $round - 5.0);
            foreach ($review->zones as $zone) {
                $left = new TurnsLeft(ReviewFigures::TURNS);
                foreach ($this->desk->parts($zone, $ways, $believed, $planned, $pressed) as $logged) {
                    $next = $left->areOver() ? null : $this->desk->next($logged, array_column($zones, null, 'id')[$zone->id], $plan, $left);
                    if ($next !== null) {
                        [$part, $way] = [$logged->part, $logged->passed->zone];
                        $left = $left->after($next->steps);
                        $pressed += [$part->target => $next->pressed()];
                        $before = $this->desk->drawn($lies[$part->target] ?? Stack::of())->differenceTo($way->target);
                        $believed[$part->target] = Stack::of(...$next->laid, ...$next->steps->steps);
                        $lies[$part->target] = Stack::of(...($lies[$part->target] ?? Stack::of())->steps, ...$next->steps->steps);
                        $corrected[] = [$before, $this->desk->drawn($lies[$part->target])->differenceTo($way->target)];
                    }
                }
            }
            $figures[] = $off($lies);
        }
        $median = static fn (array $values): string => sprintf('%.2f', Clock::quantile(array_values($values), 0.5));

        return [$name, $median($bare), ...array_map($median, $figures), sprintf('%d of %d', count($known) - count($mendable), count($known)), $median(array_intersect_key($bare, $mendable)), $median(array_intersect_key($figures[self::ROUNDS], $mendable)), sprintf('%d: %s to %s', count($corrected), $median(array_column($corrected, 0)), $median(array_column($corrected, 1))), (string) count(array_filter($corrected, static fn (array $one): bool => $one[1] > $one[0] + 1.0))];
    }

    /**
     * What the same search comes to where nothing has to be read: what lies there is known to the coat, so is what each correction will look
     * like, and nobody counts turns. No reading of a photo can do better.
     *
     * @param  array<string, Stack>  $lies  by colour what was really laid
     * @param  array<string, PlannedZone>  $ways
     * @param  list<PictureZone>  $zones
     * @return array<string, Stack>
     */
    private function allKnown(array $lies, array $ways, array $zones): array
    {
        foreach ($zones as $zone) {
            foreach ($zone->targets as $target) {
                $way = $ways[$target->id] ?? null;
                for ($round = 1; $way !== null && $round <= self::ROUNDS; $round++) {
                    $now = $lies[$target->id] ?? Stack::of();
                    $look = $this->desk->drawn($now);
                    $best = $look->differenceTo($way->target);
                    $wanted = Target::colour($way->target);
                    if ($best < self::NEAR) {
                        break;
                    }
                    foreach ($this->desk->search->correct($now, $wanted, $zone->limits(ReviewFigures::TURNS, $wanted), null, $look) as $correction) {
                        $then = Stack::of(...$now->steps, ...$correction->steps->steps);
                        $off = $this->desk->drawn($then)->differenceTo($way->target);
                        if ($off < $best) {
                            [$best, $lies[$target->id]] = [$off, $then];
                        }
                    }
                    if (($lies[$target->id] ?? null) === $now) {
                        break;
                    }
                }
            }
        }

        return $lies;
    }

    /** @return list<list<string>> what is learnt of a hand by one half of a finished drawing, and what it does for predictions of the other, {@see HAND_COLUMNS} */
    public function hands(): array
    {
        $rows = [];
        foreach ($this->pictures as $name => ['raster' => $raster, 'map' => $map, 'zones' => $zones, 'plan' => $plan]) {
            $ways = ReviewDesk::ways($plan);
            foreach ([1.15, 0.85, 1.0] as $by) {
                $planned = $plan->laid();
                $lies = array_map(static fn (Stack $stack): Stack => $stack->pressing($by), $planned);
                $review = $this->desk->seen($raster, $map, $zones, $lies, $planned, "$name hand $by", 0.1, 4.0);
                $readings = [];
                $others = [];
                foreach ($review->zones as $i => $zone) {
                    foreach ($zone->parts as $part) {
                        $way = $ways[$part->target] ?? null;
                        $stack = $planned[$part->target] ?? Stack::of();
                        if ($way === null || count($stack) === 0) {
                            continue;
                        }
                        $logged = LoggedPart::of($part, Passed::laid($way, $stack, $stack), $this->desk->predictor);
                        if ($i % 2 === 1) {
                            $others[] = $part->target;
                        } elseif ($logged->tellsOfHand($this->desk->predictor->model->bare()->lab())) {
                            $readings[] = new HandReading($zone->name, $stack, $logged->seen, $this->desk->predictor);
                        }
                    }
                }
                $hand = DrawnHand::of($readings);
                $off = fn (float $factor): string => sprintf('%.2f', Clock::quantile(array_map(fn (string $target): float => $this->desk->predictor->model->draw($planned[$target]->pressing($factor))->lab()->differenceTo($this->desk->drawn($lies[$target])), $others), 0.5));
                $rows[] = [sprintf('%s, pressing %.2f', $name, $by), $hand === null ? 'nothing' : sprintf('%.2f by %d places', $hand->factor, $hand->places), $off(1.0), $off($hand->factor ?? 1.0)];
            }
        }

        return $rows;
    }
}
