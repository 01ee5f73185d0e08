<?php

declare(strict_types=1);

namespace Prism\Matching;

use Prism\Colour\Appearance;
use Prism\Colour\Wheel;
use Prism\Layering\Passage;
use Prism\Layering\PencilOptics;
use Prism\Layering\Predictor;
use Prism\Layering\Pressure;
use Prism\Layering\Stack;
use Prism\Layering\Step;
use Prism\Layering\ToothModel;
use Prism\Materials\Kit;
use Prism\Materials\PencilId;

/**
 * Finds the few best, really different stacks for a target.
 *
 * The nearest pairs of a {@see PairLibrary} are extended by a sweep over every further pencil, pressures are refined one
 * after the other on the steps a hand can keep, and of what is near the target as many different sets of pencils as are
 * asked for are kept.
 */
final class Search
{
    private const NEAREST_PAIRS = 56;

    /** Pairs that are lighter than the target, of which a third layer may make it. */
    private const LIGHTER_PAIRS = 28;

    private const EXTENDED = 30;

    private const REFINED = 22;

    /** Pressure of a layer that is tried on top, 0-1; and where the passage is this much too light. */
    private const SWEEP_PRESSURE = 0.35;

    private const SWEEP_FIRM = 0.65;

    private const SWEEP_FAR = 6.0;

    /** Pressures move on this grid, percent. */
    private const GRID = 5;

    private const LEAST_PERCENT = 15;

    private const MOST_PASSES = 3;

    /** Costs, in dE00. */
    private const PER_PENCIL = 0.2;

    private const PER_LAYER = 0.12;

    private const LITTLE_TOOTH = 1.2;

    private const BURNISH_BELOW = 1.4;

    /** For each percent above a medium hand in a layer that others follow: such layers belong to the end. */
    private const HEAVY_BELOW = 0.02;

    private const HEAVY_PERCENT = 60;

    /** Shadows are drawn with complements and dark cool colours; black comes last if at all. */
    private const BLACK = 1.2;

    private const BLACK_BELOW = 0.6;

    private const UNDERLAYER_GAIN = 0.3;

    /** A target that the bare paper misses by no more than this is first of all left as paper. */
    private const BARE_PAPER = 2.0;

    /** Nor is pencil laid on it for a gain smaller than this. */
    private const BARE_PAPER_GAIN = 1.2;

    /** Recipes that share more than this of their pencils are one recipe to an artist. */
    private const TOO_ALIKE = 0.6;

    /** Nothing is recommended that is this much worse in dE00 than the best, unless there is nothing else. */
    private const TOO_FAR_BEHIND = 4.0;

    private readonly RecipeMaker $maker;

    /** @var list<PencilOptics> by index in the library */
    private readonly array $optics;

    /** @var list<array{float, float, float}> L*, chroma, wheel position of the full coat, by index */
    private readonly array $coats;

    /** @var array<int, bool> by index: may be used in this search */
    private array $allowed = [];

    private Target $target;

    private Limits $limits;

    public function __construct(private readonly ToothModel $model, private readonly Kit $kit, private readonly PairLibrary $library)
    {
        $this->maker = new RecipeMaker(new Predictor($model), $kit);
        $this->optics = array_map($model->opticsOf(...), $library->ids);
        $this->coats = array_map(static function (PencilOptics $optics) use ($model): array {
            $lab = $model->layer($model->bare(), $optics, 0.9, 2.0)->lab();

            return [$lab->L, $lab->chroma(), Wheel::position($lab->hueDegrees())];
        }, $this->optics);
    }

    /**
     * @param  ?Kit  $only  the pencils that may be used; all of the library's if null
     * @return list<Recipe> best first, at most $limits->top
     *
     * @throws EmptyBox if no pencil may be used
     */
    public function find(Target $target, Limits $limits = new Limits, ?Kit $only = null): array
    {
        $this->begin($target, $limits, $only);
        $found = [];
        foreach ($this->candidates() as $candidate) {
            $candidate = $this->refine($candidate);
            $found[$candidate->key()] = isset($found[$candidate->key()]) && $found[$candidate->key()]->cost <= $candidate->cost ? $found[$candidate->key()] : $candidate;
        }
        $ranked = self::ranked($found);
        // What still misses gets one more layer, and one more.
        for ($round = 0; $round < 2; $round++) {
            foreach (array_slice($ranked, 0, 6) as $candidate) {
                foreach (array_slice(self::ranked($this->oneMore($candidate)), 0, 2) as $longer) {
                    $longer = $this->refine($longer);
                    if (! isset($found[$longer->key()]) || $longer->cost < $found[$longer->key()]->cost) {
                        $found[$longer->key()] = $longer;
                    }
                }
            }
            $ranked = self::ranked($found);
        }

        $bare = new Candidate([], $this->cost($this->model->bare(), []));
        if ($bare->cost <= self::BARE_PAPER || $bare->cost <= $ranked[0]->cost + self::BARE_PAPER_GAIN) {
            // Ranked with the best of the others, before it.
            array_unshift($ranked, new Candidate([], min($bare->cost, $ranked[0]->cost)));
        }

        return array_map(
            fn (Candidate $candidate): Recipe => $this->maker->make($this->stack($candidate->layers), $target, $candidate->cost),
            $this->different($ranked),
        );
    }

    /**
     * The one pencil that alone comes nearest, at its best pressure.
     *
     * @throws EmptyBox
     */
    public function nearestSingle(Target $target, Limits $limits = new Limits, ?Kit $only = null): Recipe
    {
        $this->begin($target, new Limits(1, 1, 1, $limits->school, $limits->noBlack), $only);
        $best = [];
        foreach ($this->singles() as $candidate) {
            $candidate = $this->refine($candidate);
            $best[$candidate->key()] = $candidate;
        }
        $nearest = self::ranked($best)[0];

        return $this->maker->make($this->stack($nearest->layers), $target, $nearest->cost);
    }

    private function begin(Target $target, Limits $limits, ?Kit $only): void
    {
        $this->target = $target;
        $this->limits = $limits;
        $this->allowed = [];
        foreach ($this->library->ids as $index => $id) {
            [$L, $chroma] = $this->coats[$index];
            $this->allowed[$index] = ($only === null || $only->has(PencilId::of($id))) && ! ($limits->noBlack && self::isBlack($L, $chroma));
        }
        if (! in_array(true, $this->allowed, true)) {
            throw new EmptyBox;
        }
    }

    /**
     * Stacks of one to three layers near the target, judged but not refined.
     *
     * @return list<Candidate>
     */
    private function candidates(): array
    {
        $bases = $this->bases();
        $candidates = [];
        foreach ($bases as $base) {
            if (count($base->layers) <= $this->limits->maxLayers) {
                $candidates[$base->key()] = $base;
            }
        }
        usort($bases, static fn (Candidate $a, Candidate $b): int => $a->cost <=> $b->cost);
        foreach (array_slice($bases, 0, self::EXTENDED) as $base) {
            $longer = self::ranked($this->oneMore($base));
            foreach (array_slice($longer, 0, 3) as $candidate) {
                $candidates[$candidate->key()] = $candidate;
            }
        }

        return array_slice(self::ranked($candidates), 0, self::REFINED);
    }

    /** @return list<Candidate> the nearest singles and pairs, and lighter pairs from which a layer more may reach it */
    private function bases(): array
    {
        $bases = $this->singles();
        if ($this->limits->maxPencils < 2 || $this->limits->maxLayers < 2) {
            return $bases;
        }
        $lib = $this->library;
        $count = count($lib->ids);
        $goal = $this->target->colour;
        $chroma = $goal->chroma();
        $cos = $chroma > 0.0 ? $goal->a / $chroma : 1.0;
        $sin = $chroma > 0.0 ? $goal->b / $chroma : 0.0;
        // A quick stand-in for dE00 about the target: an ellipsoid along lightness, chroma and hue.
        $wL = 1.3;
        $wC = $this->target->valueOnly ? 0.0 : 1.0 / (1.0 + 0.045 * $chroma);
        $wH = $this->target->valueOnly ? 0.0 : 1.0 / (1.0 + 0.015 * $chroma);
        $near = new Shortlist(self::NEAREST_PAIRS);
        $lighter = new Shortlist(self::LIGHTER_PAIRS);
        for ($lower = 0; $lower < $count; $lower++) {
            if (! $this->allowed[$lower]) {
                continue;
            }
            for ($upper = 0; $upper < $count; $upper++) {
                if ($upper === $lower || ! $this->allowed[$upper]) {
                    continue;
                }
                $start = ($lower * $count + $upper) * PairLibrary::GROUP;
                $least = $leastLighter = INF;
                $at = $atLighter = $start;
                for ($entry = $start; $entry < $start + PairLibrary::GROUP; $entry++) {
                    $dL = $lib->L[$entry] - $goal->L;
                    $da = $lib->a[$entry] - $goal->a;
                    $db = $lib->b[$entry] - $goal->b;
                    $dC = ($da * $cos + $db * $sin) * $wC;
                    $dH = ($db * $cos - $da * $sin) * $wH;
                    $distance = $wL * $dL * $dL + $dC * $dC + $dH * $dH;
                    if ($distance < $least) {
                        $least = $distance;
                        $at = $entry;
                    }
                    if ($dL > 4.0 && $distance < $leastLighter) {
                        $leastLighter = $distance;
                        $atLighter = $entry;
                    }
                }
                $near->offer($least, $at);
                $lighter->offer($leastLighter, $atLighter);
            }
        }
        foreach ([...$near->kept(), ...$lighter->kept()] as $entry) {
            $bases[] = $this->judged($lib->layers($entry));
        }

        return $bases;
    }

    /** @return list<Candidate> the best setting of each pencil alone, best dozen */
    private function singles(): array
    {
        $count = count($this->library->ids);
        $best = [];
        for ($index = 0; $index < $count; $index++) {
            if (! $this->allowed[$index]) {
                continue;
            }
            $start = ($index * $count + $index) * PairLibrary::GROUP;
            $least = INF;
            $at = $start;
            for ($entry = $start; $entry < $start + PairLibrary::GROUP; $entry++) {
                $miss = $this->target->miss($this->library->L[$entry], $this->library->a[$entry], $this->library->b[$entry]);
                if ($miss < $least) {
                    $least = $miss;
                    $at = $entry;
                }
            }
            $best[$at] = $least;
        }
        asort($best);

        return array_map(fn (int $entry): Candidate => $this->judged($this->library->layers($entry)), array_slice(array_keys($best), 0, 12));
    }

    /**
     * Each allowed pencil tried on top.
     *
     * @return array<string, Candidate>
     */
    private function oneMore(Candidate $base): array
    {
        if (count($base->layers) >= $this->limits->maxLayers) {
            return [];
        }
        $passage = $this->passage($base->layers);
        $pressure = $passage->lab()->L > $this->target->colour->L + self::SWEEP_FAR ? self::SWEEP_FIRM : self::SWEEP_PRESSURE;
        $used = array_flip(array_column($base->layers, 0));
        $full = count($used) >= $this->limits->maxPencils;
        $longer = [];
        foreach ($this->optics as $index => $optics) {
            if (! $this->allowed[$index] || ($full && ! isset($used[$index]))) {
                continue;
            }
            $layers = $base->layers;
            $layers[] = [$index, (int) ($pressure * 100), 1];
            $candidate = new Candidate($layers, $this->cost($this->model->layer($passage, $optics, $pressure, 1.0), $layers));
            $longer[$candidate->key()] = $candidate;
        }

        return $longer;
    }

    /** Moves one pressure or number of passes at a time while it helps; drops layers that do not pay. */
    private function refine(Candidate $candidate): Candidate
    {
        $candidate = $this->onGrid($candidate);
        foreach ([4, 2, 1, 1] as $stride) {
            $count = count($candidate->layers);
            $passages = [$this->model->bare()];
            for ($at = 0; $at < $count; $at++) {
                $current = $candidate->layers[$at];
                $best = $candidate;
                foreach ($this->moves($current, $stride) as $move) {
                    $layers = $candidate->layers;
                    $layers[$at] = $move;
                    $tried = new Candidate($layers, $this->cost($this->continued($passages[$at], $layers, $at), $layers));
                    if ($tried->cost < $best->cost - 1e-9) {
                        $best = $tried;
                    }
                }
                if ($count > 1) {
                    $layers = $candidate->layers;
                    array_splice($layers, $at, 1);
                    $tried = $this->judged($layers);
                    if ($tried->cost < $best->cost) {
                        return $this->refine($tried);
                    }
                }
                $candidate = $best;
                $passages[] = $this->continued($passages[$at], array_slice($candidate->layers, 0, $at + 1), $at);
            }
        }

        return $candidate;
    }

    /**
     * @param  array{int, int, int}  $layer
     * @return list<array{int, int, int}>
     */
    private function moves(array $layer, int $stride): array
    {
        [$index, $percent, $passes] = $layer;
        $moves = [];
        foreach ([-$stride, $stride] as $by) {
            $to = max(self::LEAST_PERCENT, min(100, $percent + $by * self::GRID));
            if ($to !== $percent) {
                $moves[] = [$index, $to, $passes];
            }
        }
        if ($stride <= 2) {
            if ($passes > 1) {
                $moves[] = [$index, $percent, $passes - 1];
            }
            if ($passes < self::MOST_PASSES && $percent < Pressure::BURNISH_PERCENT) {
                $moves[] = [$index, $percent, $passes + 1];
            }
        }

        return $moves;
    }

    private function onGrid(Candidate $candidate): Candidate
    {
        $layers = array_map(static fn (array $layer): array => [$layer[0], (int) (round($layer[1] / self::GRID) * self::GRID), $layer[2]], $candidate->layers);

        return $layers === $candidate->layers ? $candidate : $this->judged($layers);
    }

    /** @param  list<array{int, int, int}>  $layers */
    private function judged(array $layers): Candidate
    {
        return new Candidate($layers, $this->cost($this->passage($layers), $layers));
    }

    /** @param  list<array{int, int, int}>  $layers */
    private function passage(array $layers): Passage
    {
        return $this->continued($this->model->bare(), $layers, 0);
    }

    /** @param  list<array{int, int, int}>  $layers */
    private function continued(Passage $passage, array $layers, int $from): Passage
    {
        for ($i = $from, $count = count($layers); $i < $count; $i++) {
            [$index, $percent, $passes] = $layers[$i];
            $passage = $this->model->layer($passage, $this->optics[$index], $percent / 100.0, (float) $passes);
        }

        return $passage;
    }

    /** @param  list<array{int, int, int}>  $layers */
    private function cost(Passage $passage, array $layers): float
    {
        $lab = $passage->lab();
        $count = count($layers);
        $cost = $this->target->miss($lab->L, $lab->a, $lab->b)
            + self::PER_PENCIL * max(0, count(array_flip(array_column($layers, 0))) - 1)
            + self::PER_LAYER * max(0, $count - 1)
            + self::LITTLE_TOOTH * max(0.0, 1.0 - $passage->toothLeft() / 0.15);
        $laid = [];
        foreach ($layers as $i => [$index, $percent]) {
            [$L, $chroma, $position] = $this->coats[$index];
            $laid[] = new LaidColour($L, $chroma, $position, $percent);
            $below = $i < $count - 1;
            if ($below && $percent > self::HEAVY_PERCENT) {
                $cost += self::HEAVY_BELOW * ($percent - self::HEAVY_PERCENT) + ($percent >= Pressure::BURNISH_PERCENT ? self::BURNISH_BELOW : 0.0);
            }
            if (self::isBlack($L, $chroma)) {
                $cost += self::BLACK + ($below ? self::BLACK_BELOW : 0.0);
            }
        }
        if ($this->hasUnderlayer($laid)) {
            array_shift($laid);
            $cost -= self::UNDERLAYER_GAIN;
        }

        return $cost + $this->limits->school->cost($laid, $this->target->colour->L);
    }

    /**
     * The complement goes under by default: a light first layer from the other side of the wheel.
     *
     * @param  list<LaidColour>  $laid
     */
    private function hasUnderlayer(array $laid): bool
    {
        $goal = $this->target->colour;

        return count($laid) > 1 && ! $this->target->valueOnly && $goal->chroma() > 12.0
            && $laid[0]->chroma > 12.0 && $laid[0]->pressurePercent <= RecipeMaker::UNDERLAYER_PERCENT
            && Wheel::distance($laid[0]->wheelPosition, Wheel::position($goal->hueDegrees())) >= RecipeMaker::UNDERLAYER_DISTANCE;
    }

    private static function isBlack(float $L, float $chroma): bool
    {
        return $L < 24.0 && $chroma < Appearance::NEUTRAL_CHROMA;
    }

    /** @param  list<array{int, int, int}>  $layers */
    private function stack(array $layers): Stack
    {
        return Stack::of(...array_map(
            fn (array $layer): Step => Step::layer(PencilId::of($this->library->ids[$layer[0]]), $layer[1], $layer[2]),
            $layers,
        ));
    }

    /**
     * @param  array<array-key, Candidate>  $candidates
     * @return list<Candidate>
     */
    private static function ranked(array $candidates): array
    {
        usort($candidates, static fn (Candidate $a, Candidate $b): int => $a->cost <=> $b->cost);

        return $candidates;
    }

    /**
     * The best of each kind: as many as asked for, no two of nearly the same pencils while others are near enough.
     *
     * @param  list<Candidate>  $ranked
     * @return list<Candidate>
     */
    private function different(array $ranked): array
    {
        $chosen = [$ranked[0]];
        foreach ([self::TOO_ALIKE, 0.99] as $limit) {
            foreach ($ranked as $candidate) {
                if (count($chosen) >= $this->limits->top) {
                    break 2;
                }
                if ($candidate->cost > $ranked[0]->cost + self::TOO_FAR_BEHIND) {
                    break;
                }
                foreach ($chosen as $taken) {
                    if ($candidate->sharedWith($taken) > $limit) {
                        continue 2;
                    }
                }
                $chosen[] = $candidate;
            }
        }
        usort($chosen, static fn (Candidate $a, Candidate $b): int => $a->cost <=> $b->cost);

        return $chosen;
    }
}
