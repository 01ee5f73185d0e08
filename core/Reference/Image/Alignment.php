<?php

declare(strict_types=1);

namespace Prism\Reference\Image;

use Prism\Maths\LinearSystem;
use Prism\Reference\LookRefused;

/**
 * Where a spot of one picture lies in another of the same subject, from pairs of spots that show the same thing: none, by
 * share of width and height; one, shifted; two, also turned and scaled; three and more, the best straight-line map.
 */
final readonly class Alignment
{
    public const MOST_PAIRS = 8;

    /** @param  array{float, float, float, float, float, float}  $m  u = m0 x + m1 y + m2, v = m3 x + m4 y + m5 */
    private function __construct(private array $m)
    {
    }

    /**
     * @param  list<array{float, float, float, float}>  $pairs  x, y in the one and u, v in the other, shares of width and height
     * @param  float  $shape  width by height of the one
     * @param  float  $otherShape  of the other
     *
     * @throws LookRefused if three or more pairs lie on one line, or two on one spot
     */
    public static function of(array $pairs, float $shape = 1.0, float $otherShape = 1.0): self
    {
        if ($pairs === []) {
            return new self([1.0, 0.0, 0.0, 0.0, 1.0, 0.0]);
        }
        if (count($pairs) === 1) {
            [$x, $y, $u, $v] = $pairs[0];

            return new self([1.0, 0.0, $u - $x, 0.0, 1.0, $v - $y]);
        }

        return count($pairs) === 2 ? self::similar($pairs[0], $pairs[1], $shape, $otherShape) : self::leastSquares($pairs);
    }

    /** @return array{float, float} */
    public function map(float $x, float $y): array
    {
        [$a, $b, $c, $d, $e, $f] = $this->m;

        return [$a * $x + $b * $y + $c, $d * $x + $e * $y + $f];
    }

    /**
     * Turned and scaled as the subject is, in lengths: shares of a width are not those of a height.
     *
     * @param  array{float, float, float, float}  $first
     * @param  array{float, float, float, float}  $second
     */
    private static function similar(array $first, array $second, float $shape, float $otherShape): self
    {
        $dx = $shape * ($second[0] - $first[0]);
        $dy = $second[1] - $first[1];
        $square = $dx * $dx + $dy * $dy;
        if ($square < 1e-6) {
            throw new LookRefused('Two pairs start from one spot; set them apart.');
        }
        $du = $otherShape * ($second[2] - $first[2]);
        $dv = $second[3] - $first[3];
        $cos = ($dx * $du + $dy * $dv) / $square;
        $sin = ($dx * $dv - $dy * $du) / $square;

        [$a, $b, $d, $e] = [$cos * $shape / $otherShape, -$sin / $otherShape, $sin * $shape, $cos];

        return new self([$a, $b, $first[2] - $a * $first[0] - $b * $first[1], $d, $e, $first[3] - $d * $first[0] - $e * $first[1]]);
    }

    /** @param  list<array{float, float, float, float}>  $pairs */
    private static function leastSquares(array $pairs): self
    {
        $normal = array_fill(0, 3, array_fill(0, 3, 0.0));
        $rights = array_fill(0, 2, array_fill(0, 3, 0.0));
        foreach ($pairs as [$x, $y, $u, $v]) {
            $row = [$x, $y, 1.0];
            for ($i = 0; $i < 3; $i++) {
                for ($j = 0; $j < 3; $j++) {
                    $normal[$i][$j] += $row[$i] * $row[$j];
                }
                $rights[0][$i] += $row[$i] * $u;
                $rights[1][$i] += $row[$i] * $v;
            }
        }
        $determinant = $normal[0][0] * ($normal[1][1] * $normal[2][2] - $normal[1][2] ** 2) - $normal[0][1] * ($normal[0][1] * $normal[2][2] - $normal[1][2] * $normal[0][2]) + $normal[0][2] * ($normal[0][1] * $normal[1][2] - $normal[1][1] * $normal[0][2]);
        if (abs($determinant) < 1e-6) {
            throw new LookRefused('These spots lie on one line; set one apart from it.');
        }
        [$first, $second] = LinearSystem::solveAll($normal, $rights);

        return new self([$first[0], $first[1], $first[2], $second[0], $second[1], $second[2]]);
    }
}
