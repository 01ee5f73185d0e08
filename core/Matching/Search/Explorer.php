<?php

declare(strict_types=1);

namespace Prism\Matching\Search;

use Prism\Matching\Cost\ComplementTerm;
use Prism\Matching\EmptyBox;
use Prism\Matching\Sketch;
use Prism\Matching\TouchBook;
use Prism\Schools\Complement;

/**
 * Finds good stacks for one target: the nearest pairs are extended by a sweep over every further pencil and by complements
 * where the school asks for them, refined, extended again, and laid in rounds.
 */
final readonly class Explorer
{
    private const EXTENDED = 20;

    /** Each by so many pencils, the most promising; by more where one is extended again. */
    private const PROMISING = 14;

    private const PROMISING_MORE = 16;

    private const EXTENSIONS_KEPT = 4;

    private const REFINED = 16;

    /** Candidates that get a complement where the school says. */
    private const COMPLEMENTED = 5;

    private const COMPLEMENTS_KEPT = 1;

    /** Rounds in which what still misses gets one more layer: so many candidates, and of each so many kept. */
    private const MORE = 2;

    private const MORE_OF = 3;

    private const MORE_KEPT = 2;

    /** Pencils alone that are refined. */
    private const SINGLES = 5;

    /** Candidates that are tried in rounds before they are ranked. */
    private const ROUNDED = 3;

    /** Pressures tried for the first layer over what lies there already. */
    private const OVER = [20, 30, 40, 50, 65, 80, 95];

    private Refiner $refiner;

    private Extension $extension;

    public function __construct(private Easel $easel, private TouchBook $book, private PairLibrary $library)
    {
        $this->refiner = new Refiner($easel, $book);
        $this->extension = new Extension($easel, $book, $library);
    }

    /**
     * @return non-empty-list<Candidate> refined, cheapest first; one of each order of pencils
     *
     * @throws EmptyBox if there is no pencil
     */
    public function explore(): array
    {
        $found = [];
        $keep = static function (Candidate $candidate) use (&$found): void {
            $key = $candidate->sketch->key();
            if (! isset($found[$key]) || $candidate->cost < $found[$key]->cost) {
                $found[$key] = $candidate;
            }
        };
        foreach ($this->candidates() as $candidate) {
            $keep($this->refiner->refine($candidate));
        }
        foreach ($this->complemented(Candidate::ranked($found)) as $candidate) {
            $keep($this->refiner->refine($candidate, Refiner::NEAR));
        }
        for ($round = 0; $round < self::MORE; $round++) {
            foreach (array_slice(Candidate::ranked($found), 0, self::MORE_OF) as $candidate) {
                foreach (array_slice(Candidate::ranked($this->extension->oneMore($candidate, self::PROMISING_MORE)), 0, self::MORE_KEPT) as $longer) {
                    $keep($this->refiner->refine($longer));
                }
            }
        }
        if ($found === []) {
            throw new EmptyBox;
        }
        $ranked = Candidate::ranked($found);
        foreach (array_slice($ranked, 0, self::ROUNDED) as $at => $candidate) {
            $ranked[$at] = $this->refiner->inRounds($candidate);
        }

        return Candidate::ranked($ranked);
    }

    /** @return list<Candidate> each pencil alone, refined, cheapest first */
    public function singles(): array
    {
        $found = [];
        foreach (array_slice((new NearestPairs($this->library, $this->easel->query))->singles(), 0, self::SINGLES) as $sketch) {
            $found[] = $this->refiner->refine($this->easel->candidate($sketch));
        }

        return Candidate::ranked($found);
    }

    /** @return list<Candidate> stacks of one to three layers near the target, not refined */
    private function candidates(): array
    {
        $bases = Candidate::ranked($this->easel->query->bare
            ? array_map($this->easel->candidate(...), (new NearestPairs($this->library, $this->easel->query))->bases())
            : $this->over());
        $candidates = [];
        foreach ($bases as $base) {
            $candidates[$base->sketch->key()] ??= $base;
        }
        foreach (array_slice($bases, 0, self::EXTENDED) as $base) {
            foreach (array_slice(Candidate::ranked($this->extension->oneMore($base, self::PROMISING)), 0, self::EXTENSIONS_KEPT) as $candidate) {
                $candidates[$candidate->sketch->key()] ??= $candidate;
            }
        }

        return array_slice(Candidate::ranked($candidates), 0, self::REFINED);
    }

    /**
     * Complements under or between, where the target has one and the school asks for it so.
     *
     * @param  list<Candidate>  $ranked
     * @return list<Candidate>
     */
    private function complemented(array $ranked): array
    {
        $query = $this->easel->query;
        $term = ComplementTerm::by($query->limits->schools, $query->target);
        $school = $query->limits->schools->complement;
        if ($term === null || ! $query->bare || $school === Complement::Over) {
            return [];
        }
        $opposite = array_values(array_filter($query->allowed, fn (int $index): bool => $term->distance($this->book->coat($index)) >= ComplementTerm::FROM));
        $found = [];
        foreach (array_slice($ranked, 0, self::COMPLEMENTED) as $base) {
            $tried = $school === Complement::Under ? $this->extension->under($base, $opposite) : $this->extension->between($base, $opposite);
            array_push($found, ...array_slice($tried, 0, self::COMPLEMENTS_KEPT));
        }

        return $found;
    }

    /** @return list<Candidate> each pencil once over what lies there */
    private function over(): array
    {
        $bases = [];
        foreach ($this->easel->query->allowed as $index) {
            $best = null;
            foreach (self::OVER as $percent) {
                if ($percent <= $this->easel->query->manner->mostLast) {
                    $tried = $this->easel->candidate(Sketch::of([[$index, $percent, 1]]));
                    $best = $best === null || $tried->cost < $best->cost ? $tried : $best;
                }
            }
            if ($best !== null) {
                $bases[] = $best;
            }
        }

        return $bases;
    }
}
