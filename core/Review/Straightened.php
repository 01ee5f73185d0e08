<?php

declare(strict_types=1);

namespace Prism\Review;

use Prism\Colour\Lab;
use Prism\Colour\Srgb;
use Prism\Maths\Correlation;
use Prism\Reference\Image\Field;

/** A surface of a picture as it is seen from straight above, in even light. */
final class Straightened
{
    /** Light below this, linear, is nothing that a sensor tells. */
    private const LEAST = 1e-4;

    /** What is so far from the paper is drawn on, sum of |dL*| and the distance in a*, b*. */
    private const DRAWN = 10.0;

    /** Light is smooth: it is asked for at every so many pixels of a row, and lies on a line between. */
    private const KNOTS = 8;

    /** @return array{list<float>, list<float>, list<float>} what it reflects, linear, row by row */
    public static function planes(LinearPicture $picture, Corners $corners, ?PaperLight $light, int $width, int $height): array
    {
        $view = $corners->view((float) $width, (float) $height);
        [$reds, $greens, $blues] = $picture->through($view, $width, $height);
        $red = $green = $blue = [];
        for ($y = $i = 0; $y < $height; $y++) {
            $left = $right = $light?->gains(...$view->map(0.5, $y + 0.5)) ?? [1.0, 1.0, 1.0];
            for ($x = 0; $x < $width; $x++, $i++) {
                $beside = $x % self::KNOTS;
                if ($beside === 0) {
                    $left = $right;
                    $right = $light?->gains(...$view->map($x + self::KNOTS + 0.5, $y + 0.5)) ?? $left;
                }
                $share = $beside / self::KNOTS;
                $r = $reds[$i] * ($left[0] + $share * ($right[0] - $left[0]));
                $g = $greens[$i] * ($left[1] + $share * ($right[1] - $left[1]));
                $b = $blues[$i] * ($left[2] + $share * ($right[2] - $left[2]));
                $red[] = $r > self::LEAST ? $r : self::LEAST;
                $green[] = $g > self::LEAST ? $g : self::LEAST;
                $blue[] = $b > self::LEAST ? $b : self::LEAST;
            }
        }

        return [$red, $green, $blue];
    }

    /** What is seen of its outlines. */
    public static function structure(LinearPicture $picture, Corners $corners, PaperLight $light, int $width, int $height): Structure
    {
        return Structure::of($width, $height, Srgb::planesToLightness(...self::planes($picture, $corners, $light, $width, $height)));
    }

    public static function field(LinearPicture $picture, Corners $corners, ?PaperLight $light, int $width, int $height): Field
    {
        return Field::ofPlanes($width, $height, ...Srgb::planesToLab(...self::planes($picture, $corners, $light, $width, $height)));
    }

    /**
     * A plane of values in another size: means of what lies in each new pixel, or the nearest.
     *
     * @param  array<int, float>  $values  row by row
     * @return list<float>
     */
    public static function resized(array $values, int $width, int $height, int $newWidth, int $newHeight): array
    {
        $resized = [];
        for ($y = 0; $y < $newHeight; $y++) {
            $top = intdiv($y * $height, $newHeight);
            $bottom = max($top + 1, intdiv(($y + 1) * $height, $newHeight));
            for ($x = 0; $x < $newWidth; $x++) {
                $left = intdiv($x * $width, $newWidth);
                $right = max($left + 1, intdiv(($x + 1) * $width, $newWidth));
                $sum = 0.0;
                for ($row = $top; $row < $bottom; $row++) {
                    for ($column = $left; $column < $right; $column++) {
                        $sum += $values[$row * $width + $column];
                    }
                }
                $resized[] = $sum / (($bottom - $top) * ($right - $left));
            }
        }

        return $resized;
    }

    /**
     * How far the colours of what is drawn go with those of the reference, 1 if they rise and fall alike: correlation over L*, a* and b* of what is
     * no bare paper, in squares in which the grain closes.
     *
     * @param  Field  $seen  of the size of the reference
     */
    public static function likeness(Field $seen, Field $reference, Lab $paper, int $square = 6): float
    {
        $columns = intdiv($seen->width, $square);
        $rows = intdiv($seen->height, $square);
        $small = static fn (array $values): array => self::resized($values, $seen->width, $seen->height, $columns, $rows);
        [$L, $a, $b] = [$small($seen->L), $small($seen->a), $small($seen->b)];
        $pairs = [];
        foreach ([[$L, $small($reference->L)], [$a, $small($reference->a)], [$b, $small($reference->b)]] as $channel => [$one, $other]) {
            foreach ($one as $i => $value) {
                if (abs($L[$i] - $paper->L) + hypot($a[$i] - $paper->a, $b[$i] - $paper->b) > self::DRAWN) {
                    $pairs[$channel][] = [$value, $other[$i]];
                }
            }
        }

        return Correlation::of($pairs);
    }
}
