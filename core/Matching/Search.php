<?php

declare(strict_types=1);

namespace Prism\Matching;

use Prism\Colour\Lab;
use Prism\Layering\Passage;
use Prism\Layering\Predictor;
use Prism\Layering\Pressure;
use Prism\Layering\Stack;
use Prism\Layering\Step;
use Prism\Layering\StepKind;
use Prism\Layering\ToothModel;
use Prism\Materials\Kit;
use Prism\Materials\PencilId;

/**
 * Finds the few best, really different stacks for a target, from bare paper or from what lies there already.
 *
 * The nearest pairs of a {@see PairLibrary} are extended by a sweep over every further pencil, pressures are refined one
 * after the other on the steps a hand can keep, what is best is judged again with its own doubt, and of what is near the
 * target as many different sets of pencils as are asked for are kept. {@see Judge} says what a stack costs.
 */
final class Search
{
    private const NEAREST_PAIRS = 56;

    /** Pairs that are lighter than the target, of which a third layer may make it. */
    private const LIGHTER_PAIRS = 24;

    private const LIGHTER_BY = 4.0;

    /** Of value in the quick distance. */
    private const LIGHTNESS_WEIGHT = 1.3;

    private const NEAREST_SINGLES = 12;

    /** Pairs further away than this by the quick distance serve nobody better than one pencil alone. */
    private const WIDE_REACH = 225.0;

    /** What costs so much more than the best, dE00, serves several targets only if nothing else can: for that there is each pencil alone. */
    private const WIDE_WORTH = 10.0;

    /** Where many stacks are wanted: of them so many are refined, so many extended, and each by so many pencils. */
    private const WIDE_REFINED = 16;

    private const WIDE_EXTENDED = 10;

    private const PROMISING = 8;

    private const EXTENDED = 36;

    private const EXTENSIONS_KEPT = 4;

    private const REFINED = 30;

    /** Candidates that are judged with their own doubt. */
    private const JUDGED = 20;

    /** A layer that is tried on top, percent and passes; and another where the passage is this much too light. */
    private const SWEEP = [40, 1];

    private const SWEEP_STRONG = [50, 3];

    private const SWEEP_FAR = 6.0;

    /** Where the last layer is to be a burnish. */
    private const SWEEP_BURNISH = [90, 1];

    /** Stacks whose finish is tried. */
    private const FINISHED = 12;

    /** Pressures tried for the first layer over what lies there already. */
    private const OVER = [20, 30, 40, 50, 65, 80, 95];

    /** Pressures move on this grid, percent. */
    private const GRID = 5;

    /** Moves of a refinement, one after the other, in steps of the grid: from a sweep, and from the library's own pressures. */
    private const FAR = [4, 2, 1];

    private const NEAR = [2, 1];

    private const LEAST_PERCENT = 15;

    private const MOST_PASSES = 3;

    /** With more tooth than this left below, a light layer cannot use it up. */
    private const TOOTH_ENOUGH = 0.4;

    /** Nor is pencil laid on bare paper for a gain smaller than this. */
    private const BARE_PAPER_GAIN = 1.2;

    /** Recipes that share more than this of their pencils are one recipe to an artist. */
    private const TOO_ALIKE = 0.6;

    /** Nothing is recommended that is this much worse in dE00 than the best, unless there is nothing else. */
    private const TOO_FAR_BEHIND = 4.0;

    /** More than there are ways to lay one layer. */
    private const TOUCHES = 1 << 20;

    private readonly RecipeMaker $maker;

    private readonly TouchBook $book;

    private readonly ToothModel $model;

    /** @var array<int, bool> by index: may be used in this search */
    private array $allowed = [];

    private Judge $judge;

    private Target $target;

    private Limits $limits;

    /** Whether stacks are looked at with the finish that the school asks for: at the end, it costs a pass over each. */
    private bool $finishes = false;

    /** @var array<int, array{Lab, float}> colour and tooth left of short stacks on bare paper */
    private array $seen = [];

    /** What lies there already, and what made it. */
    private Passage $ground;

    private Stack $present;

    public function __construct(private readonly Predictor $predictor, Kit $kit, private readonly PairLibrary $library)
    {
        $this->model = $predictor->model;
        $this->maker = new RecipeMaker($predictor, $kit);
        $this->book = new TouchBook($this->model, $library->ids, $kit);
    }

    /**
     * @param  ?Kit  $only  the pencils that may be used; all of the library's if null
     * @return list<Recipe> best first, at most $limits->top
     *
     * @throws EmptyBox if no pencil may be used
     */
    public function find(Target $target, Limits $limits = new Limits, ?Kit $only = null): array
    {
        $this->begin($target, $limits, $only, Stack::of());
        $ranked = $this->judgedAgain($this->explore());
        $bare = $this->model->bare()->lab();
        $miss = $target->miss($bare->L, $bare->a, $bare->b);
        $best = $this->passage($ranked[0]->layers)->lab();
        if ($miss <= Target::BARE_PAPER || $miss <= $target->miss($best->L, $best->a, $best->b) + self::BARE_PAPER_GAIN) {
            // Ranked with the best of the others, before it.
            array_unshift($ranked, new Candidate([], min($this->judge->cost($miss, 1.0, []), $ranked[0]->cost)));
        }

        return $this->recipes($this->different($ranked));
    }

    /**
     * The least cost found by exploring, before doubt is looked at stack by stack: to measure the search by.
     *
     * @throws EmptyBox
     */
    public function bestCost(Target $target, Limits $limits = new Limits): float
    {
        $this->begin($target, $limits, null, Stack::of());

        return $this->explore()[0]->cost;
    }

    /**
     * What to lay next over what lies there already: the best few different continuations. Where a lighter passage is
     * wanted a lift is tried first. The first is the present stack itself if it is near enough.
     *
     * @return list<Recipe> of whole stacks, present steps first
     *
     * @throws EmptyBox
     * @throws \Prism\Layering\UnknownPencil if the present stack uses a pencil that the model does not know
     */
    public function correct(Stack $present, Target $target, Limits $limits = new Limits, ?Kit $only = null): array
    {
        $found = [];
        $now = $this->model->draw($present)->lab();
        $starts = [$present];
        if (count($present) > 0 && $now->L < $target->colour->L) {
            $starts[] = $present->then(Step::lift());
        }
        foreach ($starts as $start) {
            $this->begin($target, $limits, $only, $start);
            $best = $this->different($this->judgedAgain($this->explore()));
            $seen = $this->ground->lab();
            $own = new Candidate([], $this->judge->cost($target->miss($seen->L, $seen->a, $seen->b), $this->ground->toothLeft(), []));
            array_push($found, ...$this->recipes([$own, ...$best]));
        }
        usort($found, static fn (Recipe $a, Recipe $b): int => $a->cost <=> $b->cost);

        return array_slice($found, 0, $limits->top);
    }

    /**
     * The one pencil that alone comes nearest, at its best pressure.
     *
     * @throws EmptyBox
     */
    public function nearestSingle(Target $target, Limits $limits = new Limits, ?Kit $only = null): Recipe
    {
        $this->begin($target, new Limits(1, 1, 1, $limits->schools->blending(Blending::Layers), $limits->noBlack), $only, Stack::of());
        $best = [];
        foreach ($this->singles() as $candidate) {
            $candidate = $this->refine($candidate);
            $best[$candidate->key()] = $candidate;
        }

        return $this->recipes($this->judgedAgain([self::ranked($best)[0]]))[0];
    }

    /**
     * What of the pair library comes anywhere near a target: of each pencil and pair the entry that comes nearest. The same by
     * all schools, so whoever asks by several may keep it.
     *
     * @throws EmptyBox
     */
    public function nearby(Target $target, ?Kit $only = null): Nearby
    {
        $this->begin($target, new Limits, $only, Stack::of());
        $lib = $this->library;
        $singles = $pairs = [];
        $this->eachGroup(function (int $entry, float $distance, int $lighter, float $lighterDistance, bool $pair) use ($lib, &$singles, &$pairs): void {
            if (! $pair) {
                $singles[$entry] = $this->target->miss($lib->L[$entry], $lib->a[$entry], $lib->b[$entry]);
            } elseif ($distance <= self::WIDE_REACH) {
                $pairs[$entry] = $this->target->miss($lib->L[$entry], $lib->a[$entry], $lib->b[$entry]);
            }
        });
        asort($singles);
        asort($pairs);

        return new Nearby($singles, $pairs);
    }

    /**
     * Many stacks for a target, for choosing pencils that serve several targets at once: of each pencil and pair the one
     * that comes nearest, of triples those that are better than what they are made of. Only the best are refined.
     *
     * @param  ?Nearby  $nearby  if it is known already, for the same pencils
     * @return list<Candidate> cheapest first, each of another set of pencils
     *
     * @throws EmptyBox
     */
    public function wide(Target $target, Limits $limits, ?Kit $only = null, ?Nearby $nearby = null): array
    {
        $nearby ??= $this->nearby($target, $only);
        $this->begin($target, $limits, $only, Stack::of());
        $found = [];
        $least = INF;
        $keep = static function (Candidate $candidate) use (&$found, &$least): void {
            $least = min($least, $candidate->cost);
            $set = $candidate->set();
            if (! isset($found[$set]) || $candidate->cost < $found[$set]->cost) {
                $found[$set] = $candidate;
            }
        };
        $judged = function (int $entry, float $miss) use ($keep): void {
            $layers = $this->library->layers($entry);
            foreach ($layers as [$index]) {
                if (! $this->allowed[$index]) {
                    return;
                }
            }
            $keep(new Candidate($layers, $this->judge->cost($miss, 1.0, $layers)));
        };
        foreach ($nearby->singles as $entry => $miss) {
            $judged($entry, $miss);
        }
        foreach ($limits->maxPencils < 2 ? [] : $nearby->pairs as $entry => $miss) {
            // Nearest first: what follows costs more still.
            if ($this->judge->atLeast($miss) > $least + self::WIDE_WORTH) {
                break;
            }
            $judged($entry, $miss);
        }
        foreach (array_slice(self::ranked($found), 0, self::WIDE_REFINED) as $base) {
            $keep($this->refine($base, self::NEAR));
        }
        foreach (array_slice(self::ranked($found), 0, self::WIDE_EXTENDED) as $base) {
            foreach ($this->oneMore($base, self::PROMISING) as $longer) {
                if ($longer->cost < $base->cost) {
                    $keep($this->refine($longer));
                }
            }
        }

        return array_values(array_filter(self::ranked($found), static fn (Candidate $candidate): bool => $candidate->cost <= $least + self::WIDE_WORTH || count($candidate->layers) === 1));
    }

    /** A stack of `wide` with its pressures refined and its finish tried, or a simpler one of the same pencils. */
    public function settle(Target $target, Limits $limits, Candidate $candidate): Candidate
    {
        $this->begin($target, $limits, null, Stack::of());
        $this->finishes = self::isFinished($limits);

        return $this->refine($this->finishes ? $this->judged($candidate->layers) : $candidate, self::NEAR);
    }

    /** A settled stack as an artist reads it. */
    public function recipe(Target $target, Limits $limits, Candidate $settled): Recipe
    {
        $this->begin($target, $limits, null, Stack::of());
        $this->finishes = self::isFinished($limits);

        return $this->recipes([$settled])[0];
    }

    private function begin(Target $target, Limits $limits, ?Kit $only, Stack $present): void
    {
        $this->target = $target;
        $this->limits = $limits;
        $this->present = $present;
        $this->ground = $this->model->draw($present);
        $this->judge = new Judge($this->book, $target, $limits);
        $this->allowed = [];
        $this->finishes = false;
        $never = $limits->schools->blackAndWhite === BlackAndWhite::Never;
        foreach ($this->library->ids as $index => $id) {
            $this->allowed[$index] = ($only === null || $only->has(PencilId::of($id)))
                && ! (($limits->noBlack || $never) && $this->book->isBlack($index)) && ! ($never && $this->book->isWhite($index));
        }
        if (! in_array(true, $this->allowed, true)) {
            throw new EmptyBox;
        }
    }

    /** @return list<Candidate> refined, best first */
    private function explore(): array
    {
        $found = [];
        $keep = static function (Candidate $candidate) use (&$found): void {
            $key = $candidate->key();
            if (! isset($found[$key]) || $candidate->cost < $found[$key]->cost) {
                $found[$key] = $candidate;
            }
        };
        foreach ($this->candidates() as $candidate) {
            $keep($this->refine($candidate));
        }
        $ranked = self::ranked($found);
        // What still misses gets one more layer, and one more.
        for ($round = 0; $round < 2; $round++) {
            foreach (array_slice($ranked, 0, 6) as $candidate) {
                foreach (array_slice(self::ranked($this->oneMore($candidate)), 0, 2) as $longer) {
                    $keep($this->refine($longer));
                }
            }
            $ranked = self::ranked($found);
        }

        return $this->finished($ranked);
    }

    /**
     * The best of them refined anew for what the finish does to them.
     *
     * @param  list<Candidate>  $ranked
     * @return list<Candidate>
     */
    private function finished(array $ranked): array
    {
        if (! self::isFinished($this->limits)) {
            return $ranked;
        }
        $this->finishes = true;
        $finished = array_map(fn (Candidate $candidate): Candidate => $this->refine($this->judged($candidate->layers)), array_slice($ranked, 0, self::FINISHED));

        return self::ranked($finished);
    }

    private static function isFinished(Limits $limits): bool
    {
        return in_array($limits->schools->blending, [Blending::Blender, Blending::Solvent], true);
    }

    /**
     * What of the finish comes after how many layers.
     *
     * @param  list<array{int, int, int}>  $layers
     * @return array{int, Step}|null
     */
    private function finish(array $layers): ?array
    {
        $count = count($layers);
        if (! $this->finishes || $count < 2) {
            return null;
        }
        if ($this->limits->schools->blending === Blending::Blender) {
            return [$count, Step::blend()];
        }
        $below = array_sum(array_column(array_slice($layers, 0, -1), 2));

        return match (true) {
            $below >= Judge::WASH_FROM_PASSES => [$count - 1, Step::wash()],
            $below + $layers[$count - 1][2] >= Judge::WASH_FROM_PASSES => [$count, Step::wash()],
            default => null,
        };
    }

    /**
     * The best of them with their own doubt and sensitivity in place of what is usual.
     *
     * @param  list<Candidate>  $ranked
     * @return list<Candidate>
     */
    private function judgedAgain(array $ranked): array
    {
        $own = [];
        foreach (array_slice($ranked, 0, self::JUDGED) as $candidate) {
            $prediction = $this->predictor->predict($this->stack($candidate->layers));
            $colour = $prediction->colour;
            $own[] = new Candidate($candidate->layers, $this->judge->cost($this->target->miss($colour->L, $colour->a, $colour->b), $prediction->toothLeft, $candidate->layers, $prediction->sigma));
        }

        return [...self::ranked($own), ...array_slice($ranked, self::JUDGED)];
    }

    /**
     * @param  list<Candidate>  $candidates
     * @return list<Recipe>
     */
    private function recipes(array $candidates): array
    {
        return array_map(fn (Candidate $candidate): Recipe => $this->maker->make($this->stack($candidate->layers), $this->target, $candidate->cost), $candidates);
    }

    /**
     * Stacks of one to three layers near the target, judged but not refined.
     *
     * @return list<Candidate>
     */
    private function candidates(): array
    {
        $bases = self::ranked(count($this->present) === 0 ? $this->bases() : $this->over());
        $candidates = [];
        foreach ($bases as $base) {
            $candidates[$base->key()] ??= $base;
        }
        foreach (array_slice($bases, 0, self::EXTENDED) as $base) {
            foreach (array_slice(self::ranked($this->oneMore($base)), 0, self::EXTENSIONS_KEPT) as $candidate) {
                $candidates[$candidate->key()] ??= $candidate;
            }
        }

        return array_slice(self::ranked($candidates), 0, self::REFINED);
    }

    /** @return list<Candidate> each pencil once over what lies there */
    private function over(): array
    {
        $bases = [];
        foreach (array_keys(array_filter($this->allowed)) as $index) {
            $best = null;
            foreach (self::OVER as $percent) {
                $tried = $this->judged([[$index, $percent, 1]]);
                $best = $best === null || $tried->cost < $best->cost ? $tried : $best;
            }
            $bases[] = $best;
        }

        return $bases;
    }

    /** @return list<Candidate> the nearest singles and pairs, and lighter pairs from which a layer more may reach it */
    private function bases(): array
    {
        $must = array_flip(array_keys(array_intersect($this->library->ids, $this->limits->must)));
        $bases = $this->singles();
        if ($this->limits->maxPencils < 2 || $this->limits->maxLayers < 2) {
            return $bases;
        }
        $near = new Shortlist(self::NEAREST_PAIRS);
        $lighter = new Shortlist(self::LIGHTER_PAIRS);
        $lib = $this->library;
        $this->eachGroup(static function (int $entry, float $distance, int $entryLighter, float $distanceLighter, bool $pair) use ($near, $lighter, $lib, $must): void {
            if ($pair && ($must === [] || array_intersect_key($must, array_flip(array_column($lib->layers($entry), 0))) !== [])) {
                $near->offer($distance, $entry);
                $lighter->offer($distanceLighter, $entryLighter);
            }
        });
        foreach ([...$near->kept(), ...$lighter->kept()] as $entry) {
            $bases[] = $this->judged($lib->layers($entry));
        }

        return $bases;
    }

    /**
     * The nearest entry of each allowed pencil and ordered pair in the library, and the nearest of those that are lighter
     * than the target. Nearness is a quick stand-in for dE00: an ellipsoid along lightness, chroma and hue.
     *
     * @param  \Closure(int, float, int, float, bool): void  $tell  entry and distance, lighter entry and distance, is it a pair
     */
    private function eachGroup(\Closure $tell): void
    {
        $lib = $this->library;
        $count = count($lib->ids);
        [$L, $a, $b] = [$lib->L, $lib->a, $lib->b];
        $goal = $this->target->colour;
        [$goalL, $goalA, $goalB] = [$goal->L, $goal->a, $goal->b];
        $chroma = $goal->chroma();
        $cos = $chroma > 0.0 ? $goalA / $chroma : 1.0;
        $sin = $chroma > 0.0 ? $goalB / $chroma : 0.0;
        $wC = $this->target->valueOnly ? 0.0 : 1.0 / (1.0 + 0.045 * $chroma);
        $wH = $this->target->valueOnly ? 0.0 : 1.0 / (1.0 + 0.015 * $chroma);
        for ($lower = 0; $lower < $count; $lower++) {
            if (! $this->allowed[$lower]) {
                continue;
            }
            for ($upper = 0; $upper < $count; $upper++) {
                if (! $this->allowed[$upper]) {
                    continue;
                }
                $start = ($lower * $count + $upper) * PairLibrary::GROUP;
                $least = $leastLighter = INF;
                $at = $atLighter = $start;
                for ($entry = $start; $entry < $start + PairLibrary::GROUP; $entry++) {
                    $dL = $L[$entry] - $goalL;
                    $da = $a[$entry] - $goalA;
                    $db = $b[$entry] - $goalB;
                    $dC = ($da * $cos + $db * $sin) * $wC;
                    $dH = ($db * $cos - $da * $sin) * $wH;
                    $distance = self::LIGHTNESS_WEIGHT * $dL * $dL + $dC * $dC + $dH * $dH;
                    if ($distance < $least) {
                        $least = $distance;
                        $at = $entry;
                    }
                    if ($dL > self::LIGHTER_BY && $distance < $leastLighter) {
                        $leastLighter = $distance;
                        $atLighter = $entry;
                    }
                }
                $tell($at, $least, $atLighter, $leastLighter, $upper !== $lower);
            }
        }
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

        return array_map(fn (int $entry): Candidate => $this->judged($this->library->layers($entry)), array_slice(array_keys($best), 0, self::NEAREST_SINGLES));
    }

    /**
     * Each allowed pencil tried on top, at its better pressure.
     *
     * @return array<string, Candidate>
     */
    private function oneMore(Candidate $base, int $most = PHP_INT_MAX): array
    {
        if (count($base->layers) >= $this->limits->maxLayers) {
            return [];
        }
        $passage = $this->passage($base->layers);
        $sweeps = $this->limits->schools->blending === Blending::Burnish ? [self::SWEEP, self::SWEEP_BURNISH] : [self::SWEEP];
        if ($passage->lab()->L > $this->target->colour->L + self::SWEEP_FAR) {
            $sweeps[] = self::SWEEP_STRONG;
        }
        $used = array_flip(array_column($base->layers, 0));
        $full = count($used) >= $this->limits->maxPencils;
        $longer = [];
        $open = array_keys(array_filter($this->allowed));
        foreach ($most < count($open) ? $this->promising($base, $passage->lab(), $open, $most) : $open as $index) {
            if ($full && ! isset($used[$index])) {
                continue;
            }
            $best = null;
            foreach ($sweeps as [$percent, $passes]) {
                $tried = $this->with($passage, [...$base->layers, [$index, $percent, $passes]]);
                $best = $best === null || $tried->cost < $best->cost ? $tried : $best;
            }
            $longer[$best->key()] = $best;
        }

        return $longer;
    }

    /**
     * Of some pencils those that come nearest to the target when laid lightly over what lies there, by what they do to the
     * uppermost pencil alone.
     *
     * @param  list<int>  $open
     * @return list<int>
     */
    private function promising(Candidate $base, Lab $now, array $open, int $most): array
    {
        [$top, $percent] = $base->layers[count($base->layers) - 1];
        $distance = [];
        foreach ($open as $index) {
            [$dL, $da, $db] = $this->library->change($top, $percent, $index);
            $distance[$index] = $this->target->miss($now->L + $dL, $now->a + $da, $now->b + $db);
        }
        asort($distance);

        return array_slice(array_keys($distance), 0, $most);
    }

    /**
     * Moves one pressure or number of passes at a time while it helps; drops layers that do not pay.
     *
     * @param  list<int>  $strides  steps of the grid
     */
    private function refine(Candidate $candidate, array $strides = self::FAR): Candidate
    {
        $candidate = $this->onGrid($candidate);
        foreach ($strides as $stride) {
            $count = count($candidate->layers);
            $passage = $this->ground;
            for ($at = 0; $at < $count; $at++) {
                $best = $candidate;
                foreach ($this->moves($candidate->layers[$at], $stride) as $pair) {
                    foreach ($pair as $move) {
                        $layers = $candidate->layers;
                        $layers[$at] = $move;
                        $tried = $this->from($passage, $layers, $at);
                        if ($tried->cost < $best->cost - 1e-9) {
                            $best = $tried;

                            // What helps one way hurts the other.
                            continue 2;
                        }
                    }
                }
                if ($count > 1) {
                    $layers = $candidate->layers;
                    array_splice($layers, $at, 1);
                    $tried = $at < $count - 1 ? $this->from($passage, $layers, $at) : $this->judged($layers);
                    if ($tried->cost < $best->cost) {
                        return $this->refine($tried, $strides);
                    }
                }
                $candidate = $best;
                [$index, $percent, $passes] = $candidate->layers[$at];
                $passage = $this->model->lay($passage, $this->book->touch($index, $percent, $passes));
            }
        }

        return $candidate;
    }

    /**
     * @param  array{int, int, int}  $layer
     * @return list<list<array{int, int, int}>> each way and the other: of the pressure, of the passes
     */
    private function moves(array $layer, int $stride): array
    {
        [$index, $percent, $passes] = $layer;
        $pressures = $times = [];
        foreach ([-$stride, $stride] as $by) {
            $to = max(self::LEAST_PERCENT, min(100, $percent + $by * self::GRID));
            if ($to !== $percent) {
                $pressures[] = [$index, $to, $passes];
            }
        }
        if ($stride <= 2) {
            if ($passes > 1) {
                $times[] = [$index, $percent, $passes - 1];
            }
            if ($passes < self::MOST_PASSES && $percent < Pressure::BURNISH_PERCENT) {
                $times[] = [$index, $percent, $passes + 1];
            }
        }

        return [$pressures, $times];
    }

    private function onGrid(Candidate $candidate): Candidate
    {
        $layers = array_map(static fn (array $layer): array => [$layer[0], (int) (round($layer[1] / self::GRID) * self::GRID), $layer[2]], $candidate->layers);

        return $layers === $candidate->layers ? $candidate : $this->judged($layers);
    }

    /** @param  list<array{int, int, int}>  $layers */
    private function judged(array $layers): Candidate
    {
        return $this->from($this->ground, $layers, 0);
    }

    /**
     * A stack of which the layers below `$at` are laid already.
     *
     * @param  list<array{int, int, int}>  $layers
     */
    private function from(Passage $passage, array $layers, int $at): Candidate
    {
        $key = $this->keyOf($layers);
        $seen = $key === null ? null : ($this->seen[$key] ?? null);
        if ($seen === null) {
            for ($last = count($layers) - 1; $at < $last; $at++) {
                [$index, $percent, $passes] = $layers[$at];
                $passage = $this->model->lay($passage, $this->book->touch($index, $percent, $passes));
            }
            $seen = $this->look($passage, $layers);
            if ($key !== null) {
                $this->seen[$key] = $seen;
            }
        }

        return $this->candidate($layers, ...$seen);
    }

    /**
     * Of one or two layers on bare paper and their finish, which many targets of a picture come by; null for all others.
     *
     * @param  list<array{int, int, int}>  $layers
     */
    private function keyOf(array $layers): ?int
    {
        if (count($layers) > 2 || count($this->present) > 0) {
            return null;
        }
        $key = match (true) {
            ! $this->finishes => 0,
            $this->limits->schools->blending === Blending::Blender => 1,
            default => 2,
        };
        foreach ($layers as [$index, $percent, $passes]) {
            $key = $key * self::TOUCHES + ($index * 128 + $percent) * 16 + $passes;
        }

        return $key;
    }

    /**
     * A stack of which all but the last layer are laid already.
     *
     * @param  list<array{int, int, int}>  $layers
     */
    private function with(Passage $passage, array $layers): Candidate
    {
        return $this->candidate($layers, ...$this->look($passage, $layers));
    }

    /** @param  list<array{int, int, int}>  $layers */
    private function candidate(array $layers, Lab $colour, float $toothLeft): Candidate
    {
        return new Candidate($layers, $this->judge->cost($this->target->miss($colour->L, $colour->a, $colour->b), $toothLeft, $layers));
    }

    /**
     * What is seen when the last layer lies too, and how much tooth is left.
     *
     * @param  list<array{int, int, int}>  $layers
     * @return array{Lab, float}
     */
    private function look(Passage $passage, array $layers): array
    {
        $count = count($layers);
        $finish = $this->finish($layers);
        if ($finish !== null && $finish[0] < $count) {
            $passage = $this->finishedBy($passage, $finish[1]);
        }
        [$index, $percent, $passes] = $layers[$count - 1];
        $touch = $this->book->touch($index, $percent, $passes);
        if ($finish !== null && $finish[0] === $count) {
            $after = $this->finishedBy($this->model->lay($passage, $touch), $finish[1]);

            // A blender takes the tooth because it is asked to.
            return [$after->lab(), $finish[1]->kind === StepKind::Blend ? 1.0 : $after->toothLeft()];
        }
        if ($touch->firm || $passage->toothLeft() < self::TOOTH_ENOUGH) {
            $after = $this->model->lay($passage, $touch);

            return [$after->lab(), $after->toothLeft()];
        }

        return [$this->model->glance($passage, $touch), 1.0];
    }

    /** @param  list<array{int, int, int}>  $layers */
    private function passage(array $layers): Passage
    {
        $passage = $this->ground;
        $finish = $this->finish($layers);
        foreach ($layers as $i => [$index, $percent, $passes]) {
            $passage = $this->model->lay($passage, $this->book->touch($index, $percent, $passes));
            if ($finish !== null && $finish[0] === $i + 1) {
                $passage = $this->finishedBy($passage, $finish[1]);
            }
        }

        return $passage;
    }

    private function finishedBy(Passage $passage, Step $finish): Passage
    {
        return $finish->kind === StepKind::Wash ? $this->model->wash($passage) : $this->model->blend($passage);
    }

    /** @param  list<array{int, int, int}>  $layers over what lies there already */
    private function stack(array $layers): Stack
    {
        $stack = $this->present;
        $finish = $this->finish($layers);
        foreach ($layers as $i => [$index, $percent, $passes]) {
            $stack = $stack->then(Step::layer(PencilId::of($this->library->ids[$index]), $percent, $passes));
            if ($finish !== null && $finish[0] === $i + 1) {
                $stack = $stack->then($finish[1]);
            }
        }

        return $stack;
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
        foreach ([[self::TOO_ALIKE, self::TOO_FAR_BEHIND], [0.99, self::TOO_FAR_BEHIND], [0.99, INF]] as [$limit, $behind]) {
            foreach ($ranked as $candidate) {
                if (count($chosen) >= $this->limits->top) {
                    break 2;
                }
                if ($candidate->cost > $ranked[0]->cost + $behind) {
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
