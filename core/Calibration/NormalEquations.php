<?php

declare(strict_types=1);

namespace Prism\Calibration;

use Prism\Maths\LinearSystem;

/**
 * Normal equations of a least squares problem in which some unknowns (hand, papers) touch every row and the others come in
 * blocks (pencils), each row touching a few. The blocks are eliminated one by one (Schur complement); what two blocks share
 * in a row is left to the next round, which keeps the cost in proportion to the number of pencils.
 */
final class NormalEquations
{
    /** @var list<array<int, float>> */
    private array $shared;

    /** @var array<int, float> */
    private array $sharedRight;

    /** @var array<string, list<array<int, float>>> */
    private array $blocks = [];

    /** @var array<string, list<array<int, float>>>  by block: size rows of the shared unknowns */
    private array $mixed = [];

    /** @var array<string, array<int, float>> */
    private array $rights = [];

    public function __construct(private readonly int $sharedCount)
    {
        $this->shared = array_fill(0, $sharedCount, array_fill(0, $sharedCount, 0.0));
        $this->sharedRight = array_fill(0, $sharedCount, 0.0);
    }

    /**
     * One weighted row: residual and its slopes.
     *
     * @param  array<int, float>  $sharedSlopes  by shared unknown, zeros left out
     * @param  array<string, array<int, float>>  $blockSlopes  by block
     */
    public function add(float $weight, float $residual, array $sharedSlopes, array $blockSlopes): void
    {
        foreach ($sharedSlopes as $i => $slope) {
            $weighted = $weight * $slope;
            $this->sharedRight[$i] -= $weighted * $residual;
            foreach ($sharedSlopes as $j => $other) {
                $this->shared[$i][$j] += $weighted * $other;
            }
        }
        foreach ($blockSlopes as $block => $slopes) {
            $this->open($block, count($slopes));
            foreach ($slopes as $i => $slope) {
                $weighted = $weight * $slope;
                $this->rights[$block][$i] -= $weighted * $residual;
                foreach ($slopes as $j => $other) {
                    $this->blocks[$block][$i][$j] += $weighted * $other;
                }
                foreach ($sharedSlopes as $j => $other) {
                    $this->mixed[$block][$i][$j] += $weighted * $other;
                }
            }
        }
    }

    /** A shared unknown's value and how far it may lie from 0. */
    public function expectShared(int $unknown, float $value, float $spread): void
    {
        $weight = 1.0 / ($spread * $spread);
        $this->shared[$unknown][$unknown] += $weight;
        $this->sharedRight[$unknown] -= $weight * $value;
    }

    /** The same for an unknown of a block. */
    public function expect(string $block, int $size, int $unknown, float $value, float $spread): void
    {
        $this->open($block, $size);
        $weight = 1.0 / ($spread * $spread);
        $this->blocks[$block][$unknown][$unknown] += $weight;
        $this->rights[$block][$unknown] -= $weight * $value;
    }

    /**
     * The step that makes the squares least, damped as by Levenberg and Marquardt.
     *
     * @return array{array<int, float>, array<string, array<int, float>>} for the shared unknowns and for the blocks
     */
    public function step(float $damping): array
    {
        $schur = $this->shared;
        $right = $this->sharedRight;
        for ($i = 0; $i < $this->sharedCount; $i++) {
            $schur[$i][$i] *= 1.0 + $damping;
        }
        $own = $through = [];
        foreach ($this->blocks as $block => $matrix) {
            foreach (array_keys($matrix) as $i) {
                $matrix[$i][$i] *= 1.0 + $damping;
            }
            $columns = [$this->rights[$block]];
            for ($j = 0; $j < $this->sharedCount; $j++) {
                $columns[] = array_column($this->mixed[$block], $j);
            }
            $solved = LinearSystem::solveAll($matrix, $columns);
            $own[$block] = $solved[0];
            $through[$block] = array_slice($solved, 1);
            [$schur, $right] = self::eliminated($schur, $right, $this->mixed[$block], $own[$block], $through[$block]);
        }
        $shared = $this->sharedCount === 0 ? [] : LinearSystem::solve($schur, $right);
        foreach ($own as $block => $step) {
            foreach ($step as $i => $value) {
                foreach ($shared as $j => $move) {
                    $value -= $through[$block][$j][$i] * $move;
                }
                $own[$block][$i] = $value;
            }
        }

        return [$shared, $own];
    }

    /**
     * The shared equations after a block is taken out of them.
     *
     * @param  list<array<int, float>>  $schur
     * @param  array<int, float>  $right
     * @param  list<array<int, float>>  $mixed  rows of the block by shared unknowns
     * @param  array<int, float>  $own  the block's solution by itself
     * @param  list<array<int, float>>  $through  and by shared unknown
     * @return array{list<array<int, float>>, array<int, float>}
     */
    private static function eliminated(array $schur, array $right, array $mixed, array $own, array $through): array
    {
        $count = count($right);
        $size = count($own);
        for ($j = 0; $j < $count; $j++) {
            $row = $schur[$j];
            for ($k = 0; $k < $count; $k++) {
                $sum = 0.0;
                for ($i = 0; $i < $size; $i++) {
                    $sum += $mixed[$i][$j] * $through[$k][$i];
                }
                $row[$k] -= $sum;
            }
            $schur[$j] = $row;
            $sum = 0.0;
            for ($i = 0; $i < $size; $i++) {
                $sum += $mixed[$i][$j] * $own[$i];
            }
            $right[$j] -= $sum;
        }

        return [$schur, $right];
    }

    private function open(string $block, int $size): void
    {
        if (! isset($this->blocks[$block])) {
            $this->blocks[$block] = array_fill(0, $size, array_fill(0, $size, 0.0));
            $this->mixed[$block] = array_fill(0, $size, array_fill(0, $this->sharedCount, 0.0));
            $this->rights[$block] = array_fill(0, $size, 0.0);
        }
    }
}
