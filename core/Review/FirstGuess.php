<?php

declare(strict_types=1);

namespace Prism\Review;

use Prism\Maths\AreaSums;
use Prism\Reference\Image\Field;

/**
 * Where on the sheet the drawing lies, and which way up: the outlines of the reference are laid over those of the sheet in many sizes and
 * places, and where most of them go the same way it is (normalised correlation of gradients).
 */
final class FirstGuess
{
    /** Long edge of the sheet in which is looked, pixels. */
    private const EDGE = 80;

    /** So many of the strongest outlines stand for the reference. */
    private const OUTLINES = 180;

    /** Widths of the drawing, as shares of the sheet's, and how much narrower or wider than the reference it may seem. */
    private const SIZES = [0.56, 0.61, 0.66, 0.71, 0.76, 0.81, 0.86, 0.91, 0.96, 1.0];

    private const SHAPES = [0.93, 1.0, 1.07];

    /** A drawing lies about in the middle of its sheet: so far from it, as a share of the sheet, it is half as likely. */
    private const ASIDE = 0.06;

    /** All that is drawn lies in the drawing: a place with a share of it counts by this power of that. */
    private const DRAWN = 2;

    /** Outlines that all lie on one another come to 1, or little more where some lie at the rim of the sheet. */
    private const TOGETHER = 1.2;

    /**
     * The best place for each of the four sides that may be up.
     *
     * @return non-empty-list<array{Corners, float}> and how well it fits, -1 to 1
     */
    public static function of(LinearPicture $picture, Corners $sheet, PaperLight $light, Field $reference): array
    {
        $scale = min(1.0, 2.0 * self::EDGE / max($reference->width, $reference->height));
        [$width, $height] = [(int) round($scale * $reference->width), (int) round($scale * $reference->height)];
        $L = Straightened::resized($reference->L, $reference->width, $reference->height, $width, $height);

        return array_map(static fn (int $quarters): array => self::upright($picture, $sheet->turned($quarters), $light, $L, $width, $height), [0, 1, 2, 3]);
    }

    /**
     * @param  list<float>  $L  of the reference, row by row
     * @return array{Corners, float}
     */
    private static function upright(LinearPicture $picture, Corners $sheet, PaperLight $light, array $L, int $columns, int $rows): array
    {
        [$wide, $high] = $sheet->size();
        $scale = self::EDGE / max($wide, $high);
        $width = max(8, (int) round($scale * $wide));
        $height = max(8, (int) round($scale * $high));
        $seen = Straightened::structure($picture, $sheet, $light, $width, $height)->eitherWay();
        [$across, $down] = [$seen->across, $seen->down];
        $sums = self::sums($seen);
        $drawn = max(1e-6, end($sums));
        $best = -1.0;
        $at = [0, 0, $width, $height];
        foreach (self::SIZES as $size) {
            foreach (self::SHAPES as $shape) {
                $w = (int) round($size * $width);
                $h = (int) round($w * $shape * $rows / $columns);
                if ($w > $width || $h > $height || $w < 16 || $h < 16) {
                    continue;
                }
                [$places, $xs, $ys, $strength] = self::outlines(Structure::of($w, $h, Straightened::resized($L, $columns, $rows, $w, $h))->eitherWay(), $width);
                if ($strength <= 0.0) {
                    continue;
                }
                for ($top = 0; $top <= $height - $h; $top++) {
                    for ($left = 0; $left <= $width - $w; $left++) {
                        $energy = $sums[($top + $h) * ($width + 1) + $left + $w] - $sums[$top * ($width + 1) + $left + $w] - $sums[($top + $h) * ($width + 1) + $left] + $sums[$top * ($width + 1) + $left];
                        $aside = (($left + $w / 2.0) / $width - 0.5) ** 2 + (($top + $h / 2.0) / $height - 0.5) ** 2;
                        $most = min(1.0, $energy / $drawn) ** self::DRAWN * 2.0 ** (-$aside / self::ASIDE ** 2);
                        // However well outlines go together there, it is not the best.
                        if ($most * self::TOGETHER <= $best) {
                            continue;
                        }
                        $from = $top * $width + $left;
                        $dot = 0.0;
                        foreach ($places as $n => $place) {
                            $dot += $xs[$n] * $across[$from + $place] + $ys[$n] * $down[$from + $place];
                        }
                        $score = $dot / sqrt($strength * $drawn) * $most;
                        if ($score > $best) {
                            $best = $score;
                            $at = [$left, $top, $w, $h];
                        }
                    }
                }
            }
        }
        $view = $sheet->view((float) $width, (float) $height);
        [$left, $top, $w, $h] = $at;

        return [Corners::of([$view->map($left, $top), $view->map($left + $w, $top), $view->map($left + $w, $top + $h), $view->map($left, $top + $h)]), $best];
    }

    /**
     * The strongest outlines of a reference, by where they lie in a frame so wide.
     *
     * @return array{list<int>, list<float>, list<float>, float} places, how much changes there across and down, and their strength together
     */
    private static function outlines(Structure $of, int $frame): array
    {
        $strengths = [];
        $margin = 2;
        for ($y = $margin; $y < $of->height - $margin; $y++) {
            for ($x = $margin; $x < $of->width - $margin; $x++) {
                $i = $y * $of->width + $x;
                $strengths[$i] = $of->across[$i] ** 2 + $of->down[$i] ** 2;
            }
        }
        arsort($strengths);
        $places = $xs = $ys = [];
        $all = 0.0;
        foreach (array_slice($strengths, 0, self::OUTLINES, true) as $i => $strength) {
            $places[] = intdiv($i, $of->width) * $frame + $i % $of->width;
            $xs[] = $of->across[$i];
            $ys[] = $of->down[$i];
            $all += $strength;
        }

        return [$places, $xs, $ys, $all];
    }

    /** @return array<int, float> of all outlines above and left of a place, squared; one more column and row than the frame */
    private static function sums(Structure $of): array
    {
        $squares = [];
        foreach ($of->across as $i => $across) {
            [$x, $y] = [$i % $of->width, intdiv($i, $of->width)];
            // The sheet's own edge is none of the drawing's.
            $isRim = min($x, $y, $of->width - 1 - $x, $of->height - 1 - $y) < 3;
            $squares[] = $isRim ? 0.0 : $across ** 2 + $of->down[$i] ** 2;
        }

        return AreaSums::of($of->width, $of->height, $squares)->sums;
    }
}
