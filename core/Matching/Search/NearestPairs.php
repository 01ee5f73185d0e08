<?php

declare(strict_types=1);

namespace Prism\Matching\Search;

use Prism\Matching\Sketch;

/** The entries of a pair library that lie near a target, of those that the manner and the pencils at hand allow. */
final readonly class NearestPairs
{
    private const PAIRS = 56;

    /** Pairs that are lighter than the target, of which a third layer may make it. */
    private const LIGHTER = 24;

    private const LIGHTER_BY = 4.0;

    private const SINGLES = 12;

    /** Of value in the quick distance. */
    private const LIGHTNESS_WEIGHT = 1.3;

    /** Pairs further away than this by the quick distance serve nobody better than one pencil alone. */
    private const WIDE_REACH = 225.0;

    /** What lies near is kept for all manners, so it is what even the lightest of them allows. */
    private const EVERY_LAST = 60;

    public function __construct(private PairLibrary $library, private Query $query)
    {
    }

    /**
     * The nearest singles and pairs, and lighter pairs from which a layer more may reach it.
     *
     * @return list<Sketch>
     */
    public function bases(): array
    {
        $singles = array_slice($this->singles(), 0, self::SINGLES);
        if ($this->query->limits->maxPencils < 2 || $this->query->limits->maxLayers < 2) {
            return $singles;
        }
        $must = array_flip(array_keys(array_intersect($this->library->ids, $this->query->limits->must)));
        $near = new Shortlist(self::PAIRS);
        $lighter = new Shortlist(self::LIGHTER);
        $this->eachGroup($this->query->manner->mostLast, function (int $entry, float $distance, int $entryLighter, float $distanceLighter, bool $pair) use ($near, $lighter, $must): void {
            if ($pair && ($must === [] || array_intersect_key($must, array_flip(array_column($this->library->layers($entry), 0))) !== [])) {
                $near->offer($distance, $entry);
                $lighter->offer($distanceLighter, $entryLighter);
            }
        });

        return [...$singles, ...array_map($this->sketch(...), [...$near->kept(), ...$lighter->kept()])];
    }

    /** @return list<Sketch> the best setting of each pencil alone, nearest first */
    public function singles(): array
    {
        $best = $this->nearestSingles($this->query->manner->mostLast);
        asort($best);

        return array_map($this->sketch(...), array_keys($best));
    }

    /** @return array<int, float> how far each pencil alone misses at best, by index */
    public function missesAlone(): array
    {
        $count = count($this->library->ids);
        $misses = [];
        foreach ($this->nearestSingles($this->query->manner->mostLast) as $entry => $miss) {
            $misses[intdiv($entry, PairLibrary::GROUP) % $count] = $miss;
        }

        return $misses;
    }

    /** What comes anywhere near: of each pencil and pair the entry that comes nearest. */
    public function nearby(): Nearby
    {
        $singles = $this->nearestSingles(self::EVERY_LAST);
        $pairs = [];
        $this->eachGroup(self::EVERY_LAST, function (int $entry, float $distance, int $lighter, float $lighterDistance, bool $pair) use (&$pairs): void {
            if ($pair && $distance <= self::WIDE_REACH) {
                $pairs[$entry] = $this->miss($entry);
            }
        });
        asort($singles);
        asort($pairs);

        return new Nearby($singles, $pairs);
    }

    /** @return array<int, float> of each pencil alone the entry that misses least, with its miss */
    private function nearestSingles(int $mostLast): array
    {
        $count = count($this->library->ids);
        [$open] = PairLibrary::within($mostLast);
        $best = [];
        foreach ($this->query->allowed as $index) {
            $start = ($index * $count + $index) * PairLibrary::GROUP;
            $least = INF;
            $at = $start;
            foreach ($open as $within) {
                $miss = $this->miss($start + $within);
                if ($miss < $least) {
                    $least = $miss;
                    $at = $start + $within;
                }
            }
            $best[$at] = $least;
        }

        return $best;
    }

    private function miss(int $entry): float
    {
        return $this->query->target->miss($this->library->L[$entry], $this->library->a[$entry], $this->library->b[$entry]);
    }

    private function sketch(int $entry): Sketch
    {
        return Sketch::of($this->library->layers($entry));
    }

    /**
     * The nearest entry of each allowed pencil and ordered pair in the library, and the nearest of those that are lighter
     * than the target. Nearness is a quick stand-in for dE00: an ellipsoid along lightness, chroma and hue.
     *
     * @param  \Closure(int, float, int, float, bool): void  $tell  entry and distance, lighter entry and distance, is it a pair
     */
    private function eachGroup(int $mostLast, \Closure $tell): void
    {
        $lib = $this->library;
        $count = count($lib->ids);
        [$L, $a, $b] = [$lib->L, $lib->a, $lib->b];
        $target = $this->query->target;
        $goal = $target->colour;
        [$goalL, $goalA, $goalB] = [$goal->L, $goal->a, $goal->b];
        $chroma = $goal->chroma();
        $cos = $chroma > 0.0 ? $goalA / $chroma : 1.0;
        $sin = $chroma > 0.0 ? $goalB / $chroma : 0.0;
        $wC = $target->valueOnly ? 0.0 : 1.0 / (1.0 + 0.045 * $chroma);
        $wH = $target->valueOnly ? 0.0 : 1.0 / (1.0 + 0.015 * $chroma);
        [$alone, $over] = PairLibrary::within($mostLast);
        $allowed = $this->query->allowed;
        foreach ($allowed as $lower) {
            foreach ($allowed as $upper) {
                $start = ($lower * $count + $upper) * PairLibrary::GROUP;
                $least = $leastLighter = INF;
                $at = $atLighter = $start;
                foreach ($lower === $upper ? $alone : $over as $within) {
                    $entry = $start + $within;
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
}
