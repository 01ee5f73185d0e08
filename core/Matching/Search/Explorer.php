<?php

declare(strict_types=1);

namespace Prism\Matching\Search;

use Prism\Matching\Cost\BrighteningTerm;
use Prism\Matching\EmptyBox;
use Prism\Matching\Manner;
use Prism\Matching\Sketch;
use Prism\Matching\TouchBook;

/**
 * Finds good stacks for one target: the nearest pairs are extended by a sweep over every further pencil and by complements
 * where the school asks for them, refined, extended again, and laid in rounds.
 */
final readonly class Explorer
{
    private const EXTENDED = 26;

    /** Each by so many pencils, the most promising; by more where one is extended again. */
    private const PROMISING = 14;

    private const PROMISING_MORE = 24;

    private const EXTENSIONS_KEPT = 4;

    private const REFINED = 22;

    private const REFINED_BRIEFLY = 9;

    /** Candidates that get a complement where the school says. */
    private const COMPLEMENTED = 5;

    private const COMPLEMENTS_KEPT = 1;

    /** Rounds in which what still misses gets one more layer: so many candidates, and of each so many kept. */
    private const MORE = 2;

    private const MORE_OF = 4;

    private const MORE_KEPT = 2;

    /** Candidates whose end is pressed where the manner burnishes, and how hard, percent. */
    private const PRESSED = 6;

    private const PRESSED_PERCENT = 90;

    private const BRIGHT_PERCENT = 40;

    /** Pencils alone that are refined. */
    private const SINGLES = 5;

    /** Candidates that are tried in rounds before they are ranked. */
    private const ROUNDED = 3;

    /** Pressures tried for the first layer over what lies there already. */
    private const OVER = [20, 30, 40, 50, 65, 80, 95];

    private Refiner $refiner;

    private Extension $extension;

    /** @param  bool  $brief  fewer candidates and no second round: half the time, and a little less sure of the best */
    public function __construct(private Easel $easel, private TouchBook $book, private PairLibrary $library, private bool $brief = false)
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
        foreach ($this->extension->complemented(array_slice(Candidate::ranked($found), 0, self::COMPLEMENTED), self::COMPLEMENTS_KEPT) as $candidate) {
            $keep($this->refiner->refine($candidate, Refiner::NEAR));
        }
        for ($round = 0; $round < ($this->brief ? 1 : self::MORE); $round++) {
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
        foreach ([...$this->pressed($ranked), ...$this->firmEarly($ranked), ...$this->brightened($ranked)] as $candidate) {
            $keep($candidate);
        }
        $ranked = Candidate::ranked($found);
        foreach (array_slice($ranked, 0, self::ROUNDED) as $at => $candidate) {
            $ranked[$at] = $this->refiner->inRounds($candidate);
        }

        return Candidate::ranked($ranked);
    }

    /**
     * Coloured lights with the brightener of the school on top.
     *
     * @param  list<Candidate>  $ranked
     * @return list<Candidate>
     */
    private function brightened(array $ranked): array
    {
        $term = BrighteningTerm::by($this->easel->query->limits->schools->brightening, $this->easel->query->target);
        if ($term->mostGain() <= 0.0) {
            return [];
        }
        $own = array_filter($this->easel->query->allowed, fn (int $index): bool => $term->isOwn($this->book->coat($index)));
        $found = [];
        foreach (array_slice($ranked, 0, self::PRESSED) as $candidate) {
            $tried = array_map(fn (int $index): Candidate => $this->easel->candidate($candidate->sketch->then([$index, self::BRIGHT_PERCENT, 1])), array_values($own));
            foreach (array_slice(Candidate::ranked($tried), 0, 1) as $best) {
                $found[] = $this->refiner->refine($best, Refiner::NEAR);
            }
        }

        return $found;
    }

    /**
     * Where darks may be begun firmly: the best of them begun so.
     *
     * @param  list<Candidate>  $ranked
     * @return list<Candidate>
     */
    private function firmEarly(array $ranked): array
    {
        $found = [];
        foreach (array_slice($ranked, 0, self::PRESSED) as $candidate) {
            $members = $candidate->sketch->members;
            $percent = count($members) < 2 ? 0 : $this->easel->query->manner->mostBelow($this->book->coat($members[0][0]));
            if ($percent > Manner::FIRM_PERCENT) {
                $firm = $candidate->sketch->with(0, [$members[0][0], Manner::FIRM_PERCENT + 2 * Manner::GRID, 1]);
                $found[] = $this->refiner->refine($this->easel->candidate($firm), Refiner::NEAR);
            }
        }

        return $found;
    }

    /**
     * Where the manner burnishes: the best of them with their last coat pressed, or their lightest pencil pressed over it.
     *
     * @param  list<Candidate>  $ranked
     * @return list<Candidate>
     */
    private function pressed(array $ranked): array
    {
        $pressed = [];
        foreach ($this->easel->query->manner->burnishes() ? array_slice($ranked, 0, self::PRESSED) : [] as $candidate) {
            $members = $candidate->sketch->members;
            $last = count($members) - 1;
            if ($last < 1) {
                continue;
            }
            $lightest = $members[0][0];
            foreach ($members as [$index]) {
                $lightest = $this->book->coat($index)->L > $this->book->coat($lightest)->L ? $index : $lightest;
            }
            foreach ([$candidate->sketch->with($last, [$members[$last][0], self::PRESSED_PERCENT, 1]), $candidate->sketch->then([$lightest, self::PRESSED_PERCENT, 1])] as $sketch) {
                $pressed[] = $this->refiner->refine($this->easel->candidate($sketch), Refiner::NEAR);
            }
        }

        return $pressed;
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

        return array_slice(Candidate::ranked($candidates), 0, $this->brief ? self::REFINED_BRIEFLY : self::REFINED);
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
