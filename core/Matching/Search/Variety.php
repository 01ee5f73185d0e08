<?php

declare(strict_types=1);

namespace Prism\Matching\Search;

use Prism\Matching\TouchBook;

/** Of ranked candidates the best of each kind: no two that an artist would call one recipe, while others are near enough. */
final class Variety
{
    /** Recipes that share more than this of their pencils, near-twins being one, are one recipe. */
    private const TOO_ALIKE = 0.6;

    private const THE_SAME = 0.99;

    /** Nothing is recommended that is this much worse in dE00 than the best, unless there is nothing else. */
    private const TOO_FAR_BEHIND = 2.5;

    /**
     * @param  non-empty-list<Candidate>  $ranked  cheapest first
     * @return non-empty-list<Candidate> as many as asked for, or all that differ; cheapest first
     */
    public static function of(array $ranked, int $most, TouchBook $book): array
    {
        $chosen = [$ranked[0]];
        foreach ([[self::TOO_ALIKE, self::TOO_FAR_BEHIND], [self::THE_SAME, self::TOO_FAR_BEHIND], [self::THE_SAME, INF]] as [$limit, $behind]) {
            foreach ($ranked as $candidate) {
                if (count($chosen) >= $most) {
                    break 2;
                }
                if ($candidate->cost > $ranked[0]->cost + $behind) {
                    break;
                }
                foreach ($chosen as $taken) {
                    if ($candidate->sharedWith($taken, $book) > $limit) {
                        continue 2;
                    }
                }
                $chosen[] = $candidate;
            }
        }

        return Candidate::ranked($chosen);
    }
}
