<?php

declare(strict_types=1);

namespace Prism\Maths;

/** What parts two kinds of places of a plane: a line, or where none does a curve of second degree (logistic regression, Cox 1958, by Newton's method). */
final readonly class Separation
{
    private const ROUNDS = 12;

    /** Keeps a border between kinds that do not mix from growing infinitely sharp. */
    private const RIDGE = 1e-3;

    /** Such a share of the places must lie on the side of their kind. */
    private const PARTED = 0.95;

    /** @param  array<int, float>  $weights  of 1, x, y and, on a curve, xx, xy, yy */
    private function __construct(private array $weights)
    {
    }

    /**
     * @param  list<array{float, float, bool}>  $places  about -1 to 1, and whether each is of the one kind
     * @return ?self null where they lie in among one another, or are all of one kind
     */
    public static function of(array $places): ?self
    {
        $ones = count(array_filter(array_column($places, 2)));
        if ($ones === 0 || $ones === count($places)) {
            return null;
        }
        // A curve on a line's place would bend where no place tells it to.
        foreach ([3, 6] as $terms) {
            $border = self::fitted($places, $terms);
            $right = count(array_filter($places, static fn (array $place): bool => $border->isOne($place[0], $place[1]) === $place[2]));
            if ($right >= self::PARTED * count($places)) {
                return $border;
            }
        }

        return null;
    }

    /** Whether a place lies on the side of the one kind. */
    public function isOne(float $x, float $y): bool
    {
        $sum = 0.0;
        foreach (self::terms($x, $y, count($this->weights)) as $i => $term) {
            $sum += $this->weights[$i] * $term;
        }

        return $sum > 0.0;
    }

    /** @param  list<array{float, float, bool}>  $places */
    private static function fitted(array $places, int $terms): self
    {
        $weights = array_fill(0, $terms, 0.0);
        for ($round = 0; $round < self::ROUNDS; $round++) {
            $normal = array_fill(0, $terms, array_fill(0, $terms, 0.0));
            $slope = array_map(static fn (float $weight): float => -self::RIDGE * count($places) * $weight, $weights);
            for ($i = 0; $i < $terms; $i++) {
                $normal[$i][$i] = self::RIDGE * count($places);
            }
            foreach ($places as [$x, $y, $isOne]) {
                $of = self::terms($x, $y, $terms);
                $sum = 0.0;
                foreach ($of as $i => $term) {
                    $sum += $weights[$i] * $term;
                }
                $likely = 1.0 / (1.0 + exp(-max(-30.0, min(30.0, $sum))));
                $bend = $likely * (1.0 - $likely);
                foreach ($of as $i => $term) {
                    $slope[$i] += (($isOne ? 1.0 : 0.0) - $likely) * $term;
                    foreach ($of as $j => $other) {
                        $normal[$i][$j] += $bend * $term * $other;
                    }
                }
            }
            foreach (LinearSystem::solve($normal, $slope) as $i => $by) {
                $weights[$i] += $by;
            }
        }

        return new self($weights);
    }

    /** @return list<float> */
    private static function terms(float $x, float $y, int $count): array
    {
        return $count === 3 ? [1.0, $x, $y] : [1.0, $x, $y, $x * $x, $x * $y, $y * $y];
    }
}
