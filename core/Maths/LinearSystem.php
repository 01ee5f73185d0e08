<?php

declare(strict_types=1);

namespace Prism\Maths;

/** Small dense linear systems, by Gaussian elimination with partial pivoting. */
final class LinearSystem
{
    /**
     * @param  list<array<int, float>>  $matrix  n rows of n
     * @param  array<int, float>  $right  n values
     * @return array<int, float> x with matrix . x = right
     *
     * @throws \DomainException if the matrix is singular
     */
    public static function solve(array $matrix, array $right): array
    {
        return self::solveAll($matrix, [$right])[0];
    }

    /**
     * The same for several right sides.
     *
     * @param  list<array<int, float>>  $matrix  n rows of n
     * @param  non-empty-list<array<int, float>>  $rights  n values each
     * @return non-empty-list<array<int, float>>
     *
     * @throws \DomainException if the matrix is singular
     */
    public static function solveAll(array $matrix, array $rights): array
    {
        $n = count($matrix);
        for ($column = 0; $column < $n; $column++) {
            $pivot = $column;
            for ($row = $column + 1; $row < $n; $row++) {
                if (abs($matrix[$row][$column]) > abs($matrix[$pivot][$column])) {
                    $pivot = $row;
                }
            }
            if (abs($matrix[$pivot][$column]) < 1e-14) {
                throw new \DomainException('The system has no single solution.');
            }
            if ($pivot !== $column) {
                [$matrix[$pivot], $matrix[$column]] = [$matrix[$column], $matrix[$pivot]];
                foreach ($rights as $i => $right) {
                    [$rights[$i][$pivot], $rights[$i][$column]] = [$right[$column], $right[$pivot]];
                }
            }
            for ($row = $column + 1; $row < $n; $row++) {
                $factor = $matrix[$row][$column] / $matrix[$column][$column];
                if ($factor === 0.0) {
                    continue;
                }
                for ($k = $column; $k < $n; $k++) {
                    $matrix[$row][$k] -= $factor * $matrix[$column][$k];
                }
                foreach ($rights as $i => $right) {
                    $rights[$i][$row] -= $factor * $right[$column];
                }
            }
        }

        return array_map(static function (array $right) use ($matrix, $n): array {
            $solution = array_fill(0, $n, 0.0);
            for ($row = $n - 1; $row >= 0; $row--) {
                $sum = $right[$row];
                for ($k = $row + 1; $k < $n; $k++) {
                    $sum -= $matrix[$row][$k] * $solution[$k];
                }
                $solution[$row] = $sum / $matrix[$row][$row];
            }

            return $solution;
        }, $rights);
    }
}
