<?php

declare(strict_types=1);

namespace Prism\Matching\Search;

use Prism\Matching\Manner;
use Prism\Matching\Sketch;
use Prism\Matching\TouchBook;

/**
 * Moves one pressure or number of coats at a time while it helps, always within the manner; leaves out layers that do not pay;
 * and lays in rounds what was laid at a stretch.
 */
final readonly class Refiner
{
    /** Moves one after the other, in steps of the grid: from a sweep, and from the library's own pressures. */
    public const FAR = [3, 2, 1];

    public const NEAR = [2, 1];

    private const LAST = [1];

    /** Rounds that are tried, and how many members one may have. */
    private const ROUNDS = [2, 3, 4];

    private const ROUND_MEMBERS = [2, 3];

    /** Of the ways to share the coats out, so many are refined. */
    private const SPLIT_REFINED = 2;

    public function __construct(private Easel $easel, private TouchBook $book)
    {
    }

    /** @param  list<int>  $strides  steps of the grid */
    public function refine(Candidate $candidate, array $strides = self::FAR): Candidate
    {
        $candidate = $this->within($candidate);
        foreach ($strides as $stride) {
            $passage = $this->easel->query->ground;
            $laid = 0;
            for ($at = 0; $at < count($candidate->sketch->members); $at++) {
                $layer = $candidate->sketch->layerOf($at);
                $passage = $this->easel->advance($passage, $candidate->sketch, $laid, $layer);
                $laid = $layer;
                $best = $candidate;
                foreach ($this->moves($candidate->sketch, $at, $stride) as $ways) {
                    foreach ($ways as $moved) {
                        $tried = $this->easel->from($passage, $moved, $layer);
                        if ($tried->cost < $best->cost - 1e-9) {
                            $best = $tried;

                            // What helps one way hurts the other.
                            continue 2;
                        }
                    }
                }
                if (count($candidate->sketch->members) > 1) {
                    $sketch = $candidate->sketch->without($at);
                    $same = array_slice($sketch->layers, 0, $layer) === array_slice($candidate->sketch->layers, 0, $layer);
                    $shorter = $same && count($sketch->layers) > $layer ? $this->easel->from($passage, $sketch, $layer) : $this->easel->candidate($sketch);
                    if ($shorter->cost < $best->cost) {
                        return $this->refine($shorter, $strides);
                    }
                }
                $candidate = $best;
            }
        }

        return $candidate;
    }

    /** The same laid back and forth in rounds, where that is as near. */
    public function inRounds(Candidate $candidate): Candidate
    {
        $tried = [];
        $members = $candidate->sketch->members;
        $count = count($members);
        if ($candidate->sketch->times > 1) {
            return $candidate;
        }
        foreach (self::ROUND_MEMBERS as $length) {
            for ($from = 0; $from + $length <= $count; $from++) {
                $run = array_slice($members, $from, $length);
                $most = max(0, ...array_column($run, 2));
                foreach (self::ROUNDS as $times) {
                    if ($most < $times || $count + ($times - 1) * $length > $this->easel->query->limits->maxLayers) {
                        continue;
                    }
                    $sketch = $this->split($candidate->sketch, $from, $length, $times);
                    if ($sketch !== null) {
                        $tried[] = $this->easel->candidate($sketch);
                    }
                }
            }
        }
        $best = $candidate;
        foreach (array_slice(Candidate::ranked($tried), 0, self::SPLIT_REFINED) as $split) {
            $refined = $this->refine($split, self::LAST);
            $best = $refined->cost < $best->cost ? $refined : $best;
        }

        return $best;
    }

    /** Coats shared out over the rounds, pressures as they were but within what may lie below. */
    private function split(Sketch $sketch, int $from, int $length, int $times): ?Sketch
    {
        $rounds = $sketch->inRounds($from, $length, $times);
        for ($at = $from; $rounds !== null && $at < $from + $length; $at++) {
            [$index, $percent, $coats] = $sketch->members[$at];
            $percent = min($percent, $this->easel->query->manner->mostBelow($this->book->coat($index)));
            $rounds = $rounds->with($at, [$index, $percent, max(1, min(Manner::ROUND_COATS, (int) round($coats / $times)))]);
        }

        return $rounds !== null && $rounds->coats() <= $this->easel->query->manner->mostCoats ? $rounds : null;
    }

    /**
     * Each way and the other: of the pressure, of the coats, of the rounds.
     *
     * @return list<list<Sketch>>
     */
    private function moves(Sketch $sketch, int $at, int $stride): array
    {
        [$index, $percent, $coats] = $sketch->members[$at];
        $inRound = $sketch->isInRound($at);
        $most = $this->mostPercent($sketch, $at);
        $pressures = $times = $rounds = [];
        foreach ([-$stride, $stride] as $by) {
            $to = max(Manner::LEAST_PERCENT, min($most, $percent + $by * Manner::GRID));
            if ($to !== $percent) {
                $pressures[] = $sketch->with($at, [$index, $to, $to > Manner::FIRM_PERCENT ? min(Manner::FIRM_COATS, $coats) : $coats]);
            }
        }
        $room = $this->easel->query->manner->mostCoats - $sketch->coats();
        $more = $inRound ? $sketch->times : 1;
        if ($coats > 1) {
            $times[] = $sketch->with($at, [$index, $percent, $coats - 1]);
        }
        $mostCoats = match (true) {
            $percent > Manner::FIRM_PERCENT => Manner::FIRM_COATS,
            $inRound => Manner::ROUND_COATS,
            default => Manner::LAYER_COATS,
        };
        if ($coats < $mostCoats && $more <= $room) {
            $times[] = $sketch->with($at, [$index, $percent, $coats + 1]);
        }
        if ($inRound && $at === $sketch->from) {
            foreach ([$sketch->times - 1, $sketch->times + 1] as $to) {
                $other = $to < 2 || $to > Manner::ROUNDS ? null : $sketch->inRounds($sketch->from, $sketch->length, $to);
                if ($other !== null && count($other->layers) <= $this->easel->query->limits->maxLayers && $other->coats() <= $this->easel->query->manner->mostCoats) {
                    $rounds[] = $other;
                }
            }
        }

        return [$pressures, $times, $rounds];
    }

    private function mostPercent(Sketch $sketch, int $at): int
    {
        $manner = $this->easel->query->manner;
        $below = $manner->mostBelow($this->book->coat($sketch->members[$at][0]));

        return $sketch->isLast($at) && ! $sketch->isInRound($at) ? $manner->mostLast : $below;
    }

    /** On the grid and within the manner. */
    private function within(Candidate $candidate): Candidate
    {
        $sketch = $candidate->sketch;
        foreach ($sketch->members as $at => [$index, $percent, $coats]) {
            $to = (int) (round($percent / Manner::GRID) * Manner::GRID);
            $to = max(Manner::LEAST_PERCENT, min($this->mostPercent($sketch, $at), $to));
            $few = $to > Manner::FIRM_PERCENT ? min(Manner::FIRM_COATS, $coats) : $coats;
            if ($to !== $percent || $few !== $coats) {
                $sketch = $sketch->with($at, [$index, $to, $few]);
            }
        }

        return $sketch === $candidate->sketch ? $candidate : $this->easel->candidate($sketch);
    }
}
