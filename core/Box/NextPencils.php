<?php

declare(strict_types=1);

namespace Prism\Box;

use Prism\Colour\Lab;
use Prism\Layering\ToothModel;
use Prism\Matching\Gamut;
use Prism\Matching\Search\PairLibrary;
use Prism\Matching\Search\Shortlist;
use Prism\Matching\Target;
use Prism\Matching\TouchBook;
use Prism\Materials\PencilId;

/**
 * Which pencils are worth buying next: those that, alone and in pairs with what is owned, add most. One after the other,
 * each counted with those before it.
 */
final class NextPencils
{
    /** Colours that are looked at closely for a target, out of all. */
    private const NEAREST = 12;

    /** Edge of the squares of CIELAB that colours are looked for in. */
    private const SQUARE = 6.0;

    /** What is so many times as far as the miss in plain distance is not nearer in dE00, but at the highest chromas. */
    private const REACH = 3.5;

    /** Farther than that nothing is looked for, dE00. */
    private const FARTHEST = 12.0;

    private readonly TouchBook $book;

    /** @var list<int> */
    private readonly array $owned;

    /** @var list<int> */
    private readonly array $candidates;

    /** @var array<int, list<Lab>> colours that a candidate brings with what is owned, by candidate */
    private array $brings = [];

    /** @var array<int, Gamut> the same in cells, where it was asked for */
    private array $gamuts = [];

    /**
     * @param  list<string>  $owned
     * @param  list<string>  $candidates  not owned; all known to the model
     * @param  ?\Closure(float): void  $progress  0-1; may throw to cancel
     */
    public function __construct(private readonly ToothModel $model, array $owned, array $candidates, ?\Closure $progress = null)
    {
        $this->book = new TouchBook($model, [...$owned, ...$candidates]);
        $this->owned = array_keys($owned);
        $this->candidates = array_map(static fn (int $i): int => count($owned) + $i, array_keys($candidates));
        foreach ($this->candidates as $done => $candidate) {
            if ($progress !== null) {
                $progress($done / count($this->candidates));
            }
            $this->brings[$candidate] = [...$this->pairs($candidate, $candidate)];
            foreach ($this->owned as $pencil) {
                array_push($this->brings[$candidate], ...$this->pairs($pencil, $candidate));
            }
        }
    }

    /**
     * By colours that the box cannot make yet.
     *
     * @param  Gamut  $has  what the box makes
     * @return list<array{pencil: PencilId, gained: int, new: Gamut}> fewer than asked for where none adds anything
     */
    public function forGamut(Gamut $has, int $most = 3): array
    {
        $chosen = $picks = [];
        while (count($picks) < $most) {
            $best = null;
            $bestNew = Gamut::none();
            foreach (array_diff($this->candidates, $chosen) as $candidate) {
                $new = $this->gamutWith($candidate, $chosen)->without($has);
                if ($new->count() > $bestNew->count()) {
                    $best = $candidate;
                    $bestNew = $new;
                }
            }
            if ($best === null) {
                break;
            }
            $has = $has->and($this->gamutWith($best, $chosen));
            $chosen[] = $best;
            $picks[] = ['pencil' => PencilId::of($this->book->ids[$best]), 'gained' => $bestNew->count(), 'new' => $bestNew];
        }

        return $picks;
    }

    /**
     * The one that brings most of some colours.
     *
     * @return ?array{pencil: PencilId, fills: int} null where none brings any
     */
    public function filling(Gamut $gap): ?array
    {
        $best = null;
        $most = 0;
        foreach ($this->candidates as $candidate) {
            $left = $gap->without($this->gamut($candidate))->count();
            if ($gap->count() - $left > $most) {
                [$best, $most] = [$candidate, $gap->count() - $left];
            }
        }

        return $best === null ? null : ['pencil' => PencilId::of($this->book->ids[$best]), 'fills' => $most];
    }

    /** How many colours it makes, alone and with what is owned; 0 of a pencil that is no candidate. */
    public function brings(PencilId $pencil): int
    {
        $candidate = array_search((string) $pencil, $this->book->ids, true);

        return is_int($candidate) && isset($this->brings[$candidate]) ? $this->gamut($candidate)->count() : 0;
    }

    /**
     * By how much nearer some targets come.
     *
     * @param  list<Target>  $targets
     * @param  PairLibrary  $box  of what is owned
     * @return list<array{pencil: PencilId, gained: float, targets: int}> mean dE00 gained over the targets, and how many of them come nearer
     */
    public function forTargets(array $targets, PairLibrary $box, int $most = 3): array
    {
        if ($targets === []) {
            return [];
        }
        $miss = array_map(static fn (Target $target): float => self::nearest($target, $box->L, $box->a, $box->b), $targets);
        $chosen = $picks = $near = [];
        while (count($picks) < $most) {
            $best = null;
            $bestMiss = $miss;
            $bestGain = 0.05 * count($targets);
            foreach (array_diff($this->candidates, $chosen) as $candidate) {
                // What it brings with the pencils that were chosen last is new; the rest was looked at before.
                $colours = $chosen === [] ? $this->brings[$candidate] : $this->pairs($chosen[count($chosen) - 1], $candidate);
                $near[$candidate] = self::nearer($near[$candidate] ?? $miss, $targets, $colours);
                $now = array_map(static fn (float $one, float $other): float => min($one, $other), $miss, $near[$candidate]);
                $gain = array_sum($miss) - array_sum($now);
                if ($gain > $bestGain) {
                    $bestGain = $gain;
                    $best = $candidate;
                    $bestMiss = $now;
                }
            }
            if ($best === null) {
                break;
            }
            $nearer = count(array_filter($miss, static fn (float $was, int $i): bool => $was - $bestMiss[$i] > 0.5, ARRAY_FILTER_USE_BOTH));
            $miss = $bestMiss;
            $chosen[] = $best;
            $picks[] = ['pencil' => PencilId::of($this->book->ids[$best]), 'gained' => $bestGain / count($targets), 'targets' => $nearer];
        }

        return $picks;
    }

    /** @param  list<int>  $chosen */
    private function gamutWith(int $candidate, array $chosen): Gamut
    {
        $gamut = $this->gamut($candidate);
        foreach ($chosen as $other) {
            $gamut = $gamut->and(Gamut::ofColours($this->pairs($other, $candidate)));
        }

        return $gamut;
    }

    private function gamut(int $candidate): Gamut
    {
        return $this->gamuts[$candidate] ??= Gamut::ofColours($this->brings[$candidate]);
    }

    /**
     * @param  array<int, float>  $misses  so far, by target
     * @param  list<Target>  $targets
     * @param  list<Lab>  $colours  that come to what there was
     * @return array<int, float>
     */
    private static function nearer(array $misses, array $targets, array $colours): array
    {
        $grid = [];
        foreach ($colours as $lab) {
            $grid[self::square($lab->L)][self::square($lab->a)][self::square($lab->b)][] = $lab;
        }
        foreach ($targets as $i => $target) {
            $goal = $target->colour;
            $reach = (int) ceil(self::REACH * min(self::FARTHEST, $misses[$i]) / self::SQUARE);
            $list = new Shortlist(self::NEAREST);
            $within = [];
            foreach (range(self::square($goal->L) - $reach, self::square($goal->L) + $reach) as $x) {
                foreach (isset($grid[$x]) ? range(self::square($goal->a) - $reach, self::square($goal->a) + $reach) : [] as $y) {
                    foreach (isset($grid[$x][$y]) ? range(self::square($goal->b) - $reach, self::square($goal->b) + $reach) : [] as $z) {
                        foreach ($grid[$x][$y][$z] ?? [] as $lab) {
                            $list->offer(($lab->L - $goal->L) ** 2 + ($lab->a - $goal->a) ** 2 + ($lab->b - $goal->b) ** 2, count($within));
                            $within[] = $lab;
                        }
                    }
                }
            }
            foreach ($list->kept() as $one) {
                $misses[$i] = min($misses[$i], $target->miss($within[$one]->L, $within[$one]->a, $within[$one]->b));
            }
        }

        return $misses;
    }

    private static function square(float $value): int
    {
        return (int) floor($value / self::SQUARE);
    }

    /** @return list<Lab> both orders, or the pencil alone */
    private function pairs(int $one, int $other): array
    {
        return $one === $other
            ? PairLibrary::group($this->model, $this->book, $one, $one)
            : [...PairLibrary::group($this->model, $this->book, $one, $other), ...PairLibrary::group($this->model, $this->book, $other, $one)];
    }

    /**
     * The least miss, of the colours that are nearest by plain distance.
     *
     * @param  array<int, float>  $L
     * @param  array<int, float>  $a
     * @param  array<int, float>  $b
     */
    private static function nearest(Target $target, array $L, array $a, array $b): float
    {
        $list = new Shortlist(self::NEAREST);
        $goal = $target->colour;
        foreach ($L as $i => $value) {
            $dL = $value - $goal->L;
            $da = $a[$i] - $goal->a;
            $db = $b[$i] - $goal->b;
            $list->offer($dL * $dL + $da * $da + $db * $db, $i);
        }
        $least = INF;
        foreach ($list->kept() as $i) {
            $least = min($least, $target->miss($L[$i], $a[$i], $b[$i]));
        }

        return $least;
    }
}
