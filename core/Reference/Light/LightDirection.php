<?php

declare(strict_types=1);

namespace Prism\Reference\Light;

use Prism\Reference\Image\Field;

/**
 * Where the light comes from in the picture: an estimate from how forms get lighter. On a round matt form lightness rises
 * towards the light, so the soft gradients of a picture point there on the whole, and its hard edges are left out.
 */
final readonly class LightDirection
{
    /** Gradients are taken on squares of this many pixels. */
    private const BLOCK = 6;

    /** In L* from one square to the next: below is nothing, above is an edge. */
    private const LEAST_SLOPE = 0.6;

    private const MOST_SLOPE = 9.0;

    /**
     * @param  float  $degrees  from the right of the picture, counter-clockwise, 0 up to 360
     * @param  float  $agreement  0-1: how far the gradients agree
     */
    private function __construct(public float $degrees, public float $agreement)
    {
    }

    public static function of(Field $field): self
    {
        [$columns, $rows, $L] = self::squares($field);
        $sumX = $sumY = $sum = 0.0;
        for ($y = 1; $y < $rows - 1; $y++) {
            for ($x = 1; $x < $columns - 1; $x++) {
                $at = $y * $columns + $x;
                $right = $L[$at + 1] - $L[$at];
                $left = $L[$at] - $L[$at - 1];
                $down = $L[$at + $columns] - $L[$at];
                $up = $L[$at] - $L[$at - $columns];
                // An edge or a line on one side spoils the slope; a form's slope goes on through the square.
                if (max(abs($right), abs($left), abs($down), abs($up)) > self::MOST_SLOPE || $right * $left < 0.0 && $down * $up < 0.0) {
                    continue;
                }
                $dx = 0.5 * ($right + $left);
                $dy = 0.5 * ($down + $up);
                $slope = hypot($dx, $dy);
                if ($slope < self::LEAST_SLOPE) {
                    continue;
                }
                $sumX += $dx;
                $sumY -= $dy;
                $sum += $slope;
            }
        }
        if ($sum === 0.0) {
            return new self(90.0, 0.0);
        }
        $degrees = rad2deg(atan2($sumY, $sumX));

        return new self($degrees < 0.0 ? $degrees + 360.0 : $degrees, min(1.0, hypot($sumX, $sumY) / $sum));
    }

    public static function corrected(float $degrees): self
    {
        return new self(fmod(fmod($degrees, 360.0) + 360.0, 360.0), 1.0);
    }

    /** "upper left", or the like. */
    public function words(): string
    {
        $names = ['right', 'upper right', 'above', 'upper left', 'left', 'lower left', 'below', 'lower right'];

        return $names[((int) round($this->degrees / 45.0)) % 8];
    }

    /** How far a place lies towards the light: shares of width and height, with y down. */
    public function along(float $x, float $y, float $ratio = 1.0): float
    {
        return $x * $ratio * cos(deg2rad($this->degrees)) - $y * sin(deg2rad($this->degrees));
    }

    /** @return array{int, int, list<float>} columns, rows, mean L* */
    private static function squares(Field $field): array
    {
        $columns = max(1, intdiv($field->width, self::BLOCK));
        $rows = max(1, intdiv($field->height, self::BLOCK));
        $means = [];
        for ($row = 0; $row < $rows; $row++) {
            for ($column = 0; $column < $columns; $column++) {
                $sum = 0.0;
                for ($y = 0; $y < self::BLOCK; $y++) {
                    $at = min($field->height - 1, $row * self::BLOCK + $y) * $field->width + $column * self::BLOCK;
                    for ($x = 0; $x < self::BLOCK; $x++) {
                        $sum += $field->L[min($at + $x, $field->width * $field->height - 1)];
                    }
                }
                $means[] = $sum / self::BLOCK ** 2;
            }
        }

        return [$columns, $rows, $means];
    }
}
