<?php

declare(strict_types=1);

namespace Prism\Matching\Search;

use Prism\Matching\Sketch;
use Prism\Matching\Target;
use Prism\Matching\TouchBook;
use Prism\Schools\Complement;

/**
 * Many stacks for a target, for choosing pencils that serve several targets at once: of each pencil and pair the one
 * that comes nearest, of triples those that are better than what they are made of. Only the best are refined.
 */
final readonly class Wide
{
    /** What costs so much more than the best, dE00, serves several targets only if nothing else can: for that there is each pencil alone. */
    private const WORTH = 10.0;

    /** Bare paper where it serves is put this far before any stack, dE00. */
    private const PAPER_GAIN = 0.1;

    /** So many are refined, so many extended, and each by so many pencils. */
    private const REFINED = 10;

    private const EXTENDED = 7;

    private const PROMISING = 6;

    /** So many get a complement where the school says; of each so many kept. */
    private const COMPLEMENTED = 8;

    private const COMPLEMENTS_KEPT = 3;

    private Refiner $refiner;

    private Extension $extension;

    public function __construct(private Easel $easel, TouchBook $book, private PairLibrary $library)
    {
        $this->refiner = new Refiner($easel, $book);
        $this->extension = new Extension($easel, $book, $library);
    }

    /** @return list<Candidate> cheapest first, each of another set of pencils */
    public function of(Nearby $nearby): array
    {
        $query = $this->easel->query;
        $allowed = array_flip($query->allowed);
        $found = [];
        $least = INF;
        $keep = static function (Candidate $candidate) use (&$found, &$least): void {
            $least = min($least, $candidate->cost);
            $set = $candidate->set();
            if (! isset($found[$set]) || $candidate->cost < $found[$set]->cost) {
                $found[$set] = $candidate;
            }
        };
        $judged = function (int $entry) use ($keep, $allowed): void {
            $layers = $this->library->layers($entry);
            foreach ($layers as [$index]) {
                if (! isset($allowed[$index])) {
                    return;
                }
            }
            $sketch = Sketch::of($layers);
            $look = $this->library->look($entry);
            $keep(new Candidate($sketch, $look, $this->easel->cost($sketch, $look)));
        };
        foreach ($nearby->singles as $entry => $miss) {
            $judged($entry);
        }
        foreach ($query->limits->maxPencils < 2 ? [] : $nearby->pairs as $entry => $miss) {
            // Nearest first: what follows costs more still.
            if ($query->cost->atLeast($miss) > $least + self::WORTH) {
                break;
            }
            $judged($entry);
        }
        foreach (array_slice(Candidate::ranked($found), 0, self::REFINED) as $base) {
            $keep($this->refiner->refine($base, Refiner::NEAR));
        }
        foreach (array_slice(Candidate::ranked($found), 0, self::EXTENDED) as $base) {
            foreach ($this->extension->oneMore($base, self::PROMISING) as $longer) {
                if ($longer->cost < $base->cost) {
                    $keep($this->refiner->refine($longer, Refiner::NEAR));
                }
            }
        }
        // In shadows, and where the school asks for them elsewhere than under: there they are what it is known by.
        $isAsked = $query->target->isShadow() || $query->limits->schools->complement !== Complement::Under;
        $bases = $isAsked ? array_slice(Candidate::ranked($found), 0, self::COMPLEMENTED) : [];
        foreach ($this->extension->complemented($bases, self::COMPLEMENTS_KEPT) as $candidate) {
            $keep($this->refiner->refine($candidate, Refiner::NEAR));
        }

        $paper = $this->easel->candidate(Sketch::of([]));
        if ($query->target->miss($paper->look->colour->L, $paper->look->colour->a, $paper->look->colour->b) <= Target::BARE_PAPER) {
            // What the paper is already stays paper.
            $found[''] = $paper->costing(min($paper->cost, $least - self::PAPER_GAIN));
        }

        return array_values(array_filter(Candidate::ranked($found), static fn (Candidate $candidate): bool => $candidate->cost <= $least + self::WORTH || count($candidate->sketch->members) <= 1));
    }
}
