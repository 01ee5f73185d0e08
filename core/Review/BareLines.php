<?php

declare(strict_types=1);

namespace Prism\Review;

use Prism\Maths\Correlation;
use Prism\Reference\Image\Field;
use Prism\Reference\Image\Raster;
use Prism\Reference\Zones\ZoneMap;

/** Finds a drawing of which nothing but lines is there, however faint: by the outlines of the zones, which is what one draws first. */
final class BareLines
{
    /** Long edges of the picture in which is looked, pixels: a line is about a pixel wide in the first, and where it lies is seen in the last. */
    private const EDGES = [110, 220, 440];

    /** How often it is brought nearer before one looks closely. */
    private const ROUGHLY = 2;

    /** Value of a line, L*. */
    private const LINE = 40.0;

    /** Lines and outlines go together at least so well, -1 to 1, or it is another drawing; and so well nobody needs to look at the corners. */
    private const OWN = 0.3;

    private const SURE = 0.45;

    /** A sheet is looked through in so many squares each way, of so many places each way; those at its rim do not count. */
    private const SQUARES = 30;

    private const PLACES = 5;

    private const RIM = 2;

    /** What reflects so much less or more than paper, natural logarithm, is laid; and such a share of the squares is a passage. */
    private const LAID = 0.06;

    private const PASSAGES = 0.015;

    /** In squares of so many pixels of the outlines. */
    private const SQUARE = 6;

    /** Whether hardly any passage of a sheet is laid: lines are narrower than half of every square, and do not show in the middle one of its places. */
    public static function isAll(LinearPicture $picture, Corners $sheet, PaperLight $light): bool
    {
        $size = self::SQUARES * self::PLACES;
        [$red, $green, $blue] = Straightened::planes($picture, $sheet, $light, $size, $size);
        $white = $light->reflects();
        $laid = $all = 0;
        for ($j = self::RIM; $j < self::SQUARES - self::RIM; $j++) {
            for ($i = self::RIM; $i < self::SQUARES - self::RIM; $i++) {
                $off = [];
                for ($n = 0; $n < self::PLACES ** 2; $n++) {
                    $at = ($j * self::PLACES + intdiv($n, self::PLACES)) * $size + $i * self::PLACES + $n % self::PLACES;
                    $off[] = max(abs(log($red[$at] / $white[0])), abs(log($green[$at] / $white[1])), abs(log($blue[$at] / $white[2])));
                }
                sort($off);
                $all++;
                $laid += $off[intdiv(count($off), 2)] > self::LAID ? 1 : 0;
            }
        }

        return $laid < self::PASSAGES * $all;
    }

    /** The outlines of zones as a drawing of lines. */
    public static function outlines(ZoneMap $map, int $width, int $height): Field
    {
        $map = $map->scaled($width, $height);
        $L = [];
        for ($at = 0, $count = $width * $height; $at < $count; $at++) {
            $label = $map->labels[$at];
            $right = $at % $width < $width - 1 ? $map->labels[$at + 1] : $label;
            $below = $at + $width < $count ? $map->labels[$at + $width] : $label;
            $L[] = $right !== $label || $below !== $label ? self::LINE : 100.0;
        }
        $none = array_fill(0, $width * $height, 0.0);

        return Field::ofPlanes($width, $height, $L, $none, $none);
    }

    /**
     * @param  Field  $outlines  {@see self::outlines()}
     * @return ?array{Corners, float, bool} in pixels of the picture, how well it goes together, and whether that is for certain; null where
     *                                      nothing goes together with the outlines
     */
    public static function find(Raster $picture, Corners $sheet, Field $outlines): ?array
    {
        $views = [];
        foreach (self::EDGES as $edge) {
            $view = LinearPicture::of($picture, $edge);
            $marks = $view->marks($sheet->scaled(1.0 / $view->scale));
            if ($marks === null) {
                return null;
            }
            $views[] = $marks;
        }
        $lightOn = static fn (LinearPicture $view): PaperLight => PaperLight::even($view, LinearPicture::WHITE);
        [$coarse, $middle, $fine] = $views;
        $best = -1.0;
        $guesses = FirstGuess::of($coarse, $sheet->scaled(1.0 / $coarse->scale), $lightOn($coarse), $outlines);
        $corners = $guesses[0][0];
        foreach ($guesses as [$guess]) {
            $guess = $guess->scaled($coarse->scale / $middle->scale);
            [$moved, $fit, $share] = Registration::roughly($middle, $guess, $lightOn($middle), $outlines);
            if ($fit * sqrt($share) > $best) {
                $best = $fit * sqrt($share);
                $corners = $moved;
            }
        }
        for ($i = 0; $i < self::ROUGHLY; $i++) {
            [$corners] = Registration::roughly($middle, $corners, $lightOn($middle), $outlines);
        }
        [$corners] = Registration::of($fine, $corners->scaled($middle->scale / $fine->scale), $lightOn($fine), $outlines);
        $together = self::together($fine, $corners, $lightOn($fine), $outlines);

        return $together < self::OWN ? null : [$corners->scaled($fine->scale), $together, $together >= self::SURE];
    }

    /** How far what is dark goes with where outlines are, over squares. */
    private static function together(LinearPicture $marks, Corners $corners, PaperLight $light, Field $outlines): float
    {
        $columns = intdiv($outlines->width, self::SQUARE);
        $rows = intdiv($outlines->height, self::SQUARE);
        $seen = Straightened::field($marks, $corners, $light, $outlines->width, $outlines->height)->L;
        $small = static fn (array $values): array => Straightened::resized($values, $outlines->width, $outlines->height, $columns, $rows);

        return Correlation::of([array_map(static fn (float $one, float $other): array => [$one, $other], $small($seen), $small($outlines->L))]);
    }
}
