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

    private readonly TouchBook $book;

    /** @var list<int> */
    private readonly array $owned;

    /** @var list<int> */
    private readonly array $candidates;

    /** @var array<int, list<Lab>> colours that a candidate brings with what is owned, by candidate */
    private array $brings = [];

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
                $new = Gamut::ofColours($this->broughtWith($candidate, $chosen))->without($has);
                if ($new->count() > $bestNew->count()) {
                    $best = $candidate;
                    $bestNew = $new;
                }
            }
            if ($best === null) {
                break;
            }
            $has = $has->and(Gamut::ofColours($this->broughtWith($best, $chosen)));
            $chosen[] = $best;
            $picks[] = ['pencil' => PencilId::of($this->book->ids[$best]), 'gained' => $bestNew->count(), 'new' => $bestNew];
        }

        return $picks;
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
        $chosen = $picks = [];
        while (count($picks) < $most) {
            $best = null;
            $bestMiss = $miss;
            $bestGain = 0.05 * count($targets);
            foreach (array_diff($this->candidates, $chosen) as $candidate) {
                $L = $a = $b = [];
                foreach ($this->broughtWith($candidate, $chosen) as $lab) {
                    $L[] = $lab->L;
                    $a[] = $lab->a;
                    $b[] = $lab->b;
                }
                $now = [];
                foreach ($targets as $i => $target) {
                    $now[] = min($miss[$i], self::nearest($target, $L, $a, $b));
                }
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

    /**
     * @param  list<int>  $chosen
     * @return list<Lab>
     */
    private function broughtWith(int $candidate, array $chosen): array
    {
        $colours = $this->brings[$candidate];
        foreach ($chosen as $other) {
            array_push($colours, ...$this->pairs($other, $candidate));
        }

        return $colours;
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
