<?php

declare(strict_types=1);

namespace Prism\Matching\Search;

use Prism\Colour\Wheel;
use Prism\Matching\PencilCoat;
use Prism\Matching\TouchBook;

/** Which three pencils of neighbouring hues come nearest to a light, a middle and a dark, each alone. */
final readonly class TrioFinder
{
    /** For each of the three so many pencils are tried, the nearest. */
    private const TRIED = 16;

    /** Neighbours lie this far apart on the wheel of 18; further they need blending, nearer they are one hue. */
    private const APART = [0.25, 2.6];

    /** Greys have no hue, and stand beside one another. */
    private const VALUES_APART = 6.0;

    public function __construct(private TouchBook $book)
    {
    }

    /**
     * @param  array{array<int, float>, array<int, float>, array<int, float>}  $misses  of the light, the middle and the dark, by pencil
     * @return ?array{int, int, int} light, middle, dark by index; null where the box has no such three
     */
    public function of(array $misses): ?array
    {
        [$lights, $middles, $darks] = array_map(static function (array $miss): array {
            asort($miss);

            return array_slice($miss, 0, self::TRIED, true);
        }, $misses);
        $best = null;
        $least = INF;
        foreach ($middles as $middle => $ofMiddle) {
            foreach ($lights as $light => $ofLight) {
                if ($ofMiddle + $ofLight >= $least || ! $this->areNeighbours($light, $middle)) {
                    continue;
                }
                foreach ($darks as $dark => $ofDark) {
                    $miss = $ofMiddle + $ofLight + $ofDark;
                    if ($miss < $least && $this->areNeighbours($middle, $dark) && $this->goesOneWay($light, $middle, $dark)) {
                        $least = $miss;
                        $best = [$light, $middle, $dark];
                    }
                }
            }
        }

        return $best;
    }

    /** The first lighter than the second, and a neighbour of its hue. */
    private function areNeighbours(int $lighter, int $darker): bool
    {
        $one = $this->book->coat($lighter);
        $other = $this->book->coat($darker);
        if ($one->L < $other->L + self::VALUES_APART || $one->isColoured() !== $other->isColoured()) {
            return false;
        }
        $apart = Wheel::distance($one->position, $other->position);

        return ! $one->isColoured() || ($apart >= self::APART[0] && $apart <= self::APART[1]);
    }

    /** From the light over the middle to the dark round the wheel one way. */
    private function goesOneWay(int $light, int $middle, int $dark): bool
    {
        $coats = array_map($this->book->coat(...), [$light, $middle, $dark]);
        if (! $coats[0]->isColoured()) {
            return true;
        }
        [$a, $b, $c] = array_map(static fn (PencilCoat $coat): float => $coat->position, $coats);

        return Wheel::distance($a, $c) > max(Wheel::distance($a, $b), Wheel::distance($b, $c));
    }
}
