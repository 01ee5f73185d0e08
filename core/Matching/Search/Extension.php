<?php

declare(strict_types=1);

namespace Prism\Matching\Search;

use Prism\Matching\Cost\ComplementTerm;
use Prism\Matching\Manner;
use Prism\Matching\Sketch;
use Prism\Matching\TouchBook;
use Prism\Schools\Complement;

/** Each pencil tried on top of a candidate, at its better touch; and complements tried under it. */
final readonly class Extension
{
    /** A layer that is tried on top, percent and coats; another where the passage is this much too light, L*; and a burnish. */
    private const SWEEP = [40, 1];

    private const SWEEP_STRONG = [50, 3];

    private const SWEEP_FAR = 6.0;

    private const SWEEP_BURNISH = [90, 1];

    /** An underlayer that is tried, and how many of them. */
    private const UNDER = [30, 1];

    private const UNDERS = 5;

    public function __construct(private Easel $easel, private TouchBook $book, private PairLibrary $library)
    {
    }

    /**
     * @param  int  $most  pencils that are tried, the most promising
     * @return array<string, Candidate>
     */
    public function oneMore(Candidate $base, int $most = PHP_INT_MAX): array
    {
        $query = $this->easel->query;
        if (count($base->sketch->layers) >= $query->limits->maxLayers || $base->sketch->coats() >= $query->manner->mostCoats) {
            return [];
        }
        $sketch = $this->softened($base->sketch);
        $passage = $this->easel->passage($sketch);
        $sweeps = $query->manner->burnishes() ? [self::SWEEP, self::SWEEP_BURNISH] : [self::SWEEP];
        if ($base->look->colour->L > $query->target->colour->L + self::SWEEP_FAR) {
            $sweeps[] = self::SWEEP_STRONG;
            if ($query->target->isShadow()) {
                $sweeps[] = [$query->manner->mostLast, Manner::FIRM_COATS];
            }
        }
        $used = array_flip(array_column($sketch->members, 0));
        $full = count($used) >= $query->limits->maxPencils;
        $laid = count($sketch->layers);
        $longer = [];
        foreach ($most < count($query->allowed) ? $this->promising($base, $most) : $query->allowed as $index) {
            if ($full && ! isset($used[$index])) {
                continue;
            }
            $best = null;
            foreach ($sweeps as [$percent, $coats]) {
                $then = $sketch->then([$index, $percent, $coats]);
                if ($then === $sketch) {
                    continue;
                }
                $tried = count($then->layers) > $laid ? $this->easel->from($passage, $then, $laid) : $this->easel->candidate($then);
                $best = $best === null || $tried->cost < $best->cost ? $tried : $best;
            }
            if ($best !== null) {
                $longer[$best->sketch->key()] = $best;
            }
        }

        return $longer;
    }

    /**
     * Pencils that lie opposite tried under it, lightly: the few that cost least.
     *
     * @param  list<int>  $opposite  pencils that lie opposite the target
     * @return list<Candidate> cheapest first
     */
    private function under(Candidate $base, array $opposite): array
    {
        $query = $this->easel->query;
        $used = array_flip(array_column($base->sketch->members, 0));
        if (count($base->sketch->layers) >= $query->limits->maxLayers || count($used) >= $query->limits->maxPencils) {
            return [];
        }
        $found = [];
        foreach ($opposite as $index) {
            if (! isset($used[$index])) {
                $found[] = $this->easel->candidate($base->sketch->over([$index, ...self::UNDER]));
            }
        }

        return array_slice(Candidate::ranked($found), 0, self::UNDERS);
    }

    /**
     * Local colour, complement, local colour again.
     *
     * @param  list<int>  $opposite  pencils that lie opposite the target
     * @return list<Candidate> cheapest first
     */
    private function between(Candidate $base, array $opposite): array
    {
        $found = [];
        $query = $this->easel->query;
        $members = $base->sketch->members;
        [$index, $percent, $coats] = $members[count($members) - 1];
        if (count($members) + 2 > $query->limits->maxLayers) {
            return [];
        }
        $percent = min($percent, $query->manner->mostBelow($this->book->coat($index)));
        foreach ($opposite as $other) {
            if ($other !== $index) {
                $lower = [...array_slice($members, 0, -1), [$index, $percent, max(1, intdiv($coats, 2))]];
                $found[] = $this->easel->candidate(Sketch::of([...$lower, [$other, ...self::UNDER], [$index, $percent, max(1, $coats - intdiv($coats, 2))]]));
            }
        }

        return array_slice(Candidate::ranked($found), 0, self::UNDERS);
    }

    /**
     * The complement laid lightly on top.
     *
     * @param  list<int>  $opposite  pencils that lie opposite the target
     * @return list<Candidate> cheapest first
     */
    private function onTop(Candidate $base, array $opposite): array
    {
        $sketch = $this->softened($base->sketch);
        if (count($sketch->layers) >= $this->easel->query->limits->maxLayers) {
            return [];
        }
        $found = array_map(fn (int $index): Candidate => $this->easel->candidate($sketch->then([$index, ...self::UNDER])), $opposite);

        return array_slice(Candidate::ranked($found), 0, self::UNDERS);
    }

    /**
     * The best of some candidates with a complement where the school has it: under, between or on top; none for a target that has none.
     *
     * @param  list<Candidate>  $bases
     * @param  int  $kept  of each, the cheapest
     * @return list<Candidate>
     */
    public function complemented(array $bases, int $kept): array
    {
        $query = $this->easel->query;
        $term = ComplementTerm::by($query->limits->schools, $query->target);
        if ($term === null || ! $query->bare) {
            return [];
        }
        $opposite = array_values(array_filter($query->allowed, fn (int $index): bool => $term->distance($this->book->coat($index)) >= ComplementTerm::FROM));
        $found = [];
        foreach ($bases as $base) {
            $tried = match ($query->limits->schools->complement) {
                Complement::Under => $this->under($base, $opposite),
                Complement::Between => $this->between($base, $opposite),
                Complement::Over => $this->onTop($base, $opposite),
            };
            array_push($found, ...array_slice($tried, 0, $kept));
        }

        return $found;
    }

    /** What was last is so no more. */
    private function softened(Sketch $sketch): Sketch
    {
        $last = count($sketch->members) - 1;
        if ($last < 0) {
            return $sketch;
        }
        [$index, $percent, $coats] = $sketch->members[$last];
        $most = $this->easel->query->manner->mostBelow($this->book->coat($index));

        return $percent > $most ? $sketch->with($last, [$index, $most, $coats]) : $sketch;
    }

    /**
     * Those that come nearest to the target when laid lightly over what lies there, by what they do to the uppermost pencil alone.
     *
     * @return list<int>
     */
    private function promising(Candidate $base, int $most): array
    {
        $query = $this->easel->query;
        [$top, , $coats] = $base->sketch->members[count($base->sketch->members) - 1];
        $now = $base->look->colour;
        $distance = [];
        foreach ($query->allowed as $index) {
            [$dL, $da, $db] = $this->library->change($top, $coats, $index);
            $distance[$index] = $query->target->miss($now->L + $dL, $now->a + $da, $now->b + $db);
        }
        asort($distance);

        return array_slice(array_keys($distance), 0, $most);
    }
}
