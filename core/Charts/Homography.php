<?php

declare(strict_types=1);

namespace Prism\Charts;

use Prism\Maths\LinearSystem;

/** A plane seen from an angle: where each of its points comes to lie (Hartley & Zisserman 2004, chapter 4). */
final readonly class Homography
{
    /** @param  array<int, float>  $h  eight entries, the ninth is 1 */
    private function __construct(private array $h)
    {
    }

    /**
     * @param  list<array{float, float}>  $from  four points, no three on a line
     * @param  list<array{float, float}>  $to
     *
     * @throws \DomainException if three points lie on a line
     */
    public static function of(array $from, array $to): self
    {
        $rows = $right = [];
        foreach ($from as $i => [$x, $y]) {
            [$u, $v] = $to[$i];
            $rows[] = [$x, $y, 1.0, 0.0, 0.0, 0.0, -$u * $x, -$u * $y];
            $right[] = $u;
            $rows[] = [0.0, 0.0, 0.0, $x, $y, 1.0, -$v * $x, -$v * $y];
            $right[] = $v;
        }

        return new self(LinearSystem::solve($rows, $right));
    }

    /** @return array{float, float} */
    public function map(float $x, float $y): array
    {
        $h = $this->h;
        $w = $h[6] * $x + $h[7] * $y + 1.0;

        return [($h[0] * $x + $h[1] * $y + $h[2]) / $w, ($h[3] * $x + $h[4] * $y + $h[5]) / $w];
    }
}
