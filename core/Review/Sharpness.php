<?php

declare(strict_types=1);

namespace Prism\Review;

/** How sharp a drawing is seen, and where it glares, by its light alone. */
final class Sharpness
{
    /** Steps along a side of the drawing at which is looked. */
    private const GRID = 160;

    /** How far apart is looked for detail, and for what there is to be seen at all, pixels. */
    private const NEAR = 1.0;

    private const FAR = 5.0;

    /** What is finer than that within a drawing, and along the edge of its sheet, is not there. */
    private const FINE = 0.225;

    private const EDGE = 0.3;

    /** So far to either side of the edge of a sheet, pixels; and what is no edge, of the light's root. */
    private const REACH = 8;

    private const STEP = 0.15;

    /** No paper and no pencil throws back so much of the light, 0-1: where it seems so, something shines. */
    public const GLARE = 0.99;

    /**
     * Whether neither the drawing nor the edge of its sheet shows anything finer than some pixels: how much of what differs over a few
     * pixels differs from one to the next. A smooth drawing has nothing fine either, the edge of a sheet has.
     */
    public static function isBlurred(LinearPicture $picture, Corners $drawing, Corners $sheet): bool
    {
        return self::within($picture, $drawing) < self::FINE && self::alongEdge($picture, $sheet) < self::EDGE;
    }

    /** About 0.2 where an edge is spread over all of them, more where it is sharp. */
    public static function within(LinearPicture $picture, Corners $drawing): float
    {
        $view = $drawing->view(1.0, 1.0);
        $near = $far = 0.0;
        for ($j = 1; $j < self::GRID; $j++) {
            for ($i = 1; $i < self::GRID; $i++) {
                [$x, $y] = $view->map($i / self::GRID, $j / self::GRID);
                $near += self::differs($picture, $x, $y, self::NEAR);
                $far += self::differs($picture, $x, $y, self::FAR);
            }
        }

        return $near / max(1e-9, $far);
    }

    /** The steepest step across the edge of a sheet against all that it climbs, at the median of places along it. */
    public static function alongEdge(LinearPicture $picture, Corners $sheet): float
    {
        $view = $sheet->view(1.0, 1.0);
        $steepest = [];
        for ($i = 1; $i < self::GRID; $i++) {
            $along = $i / self::GRID;
            foreach ([[$along, 0.0, 0.0, 1.0], [$along, 1.0, 0.0, 1.0], [0.0, $along, 1.0, 0.0], [1.0, $along, 1.0, 0.0]] as [$u, $v, $across, $down]) {
                [$x, $y] = $view->map($u, $v);
                $low = $high = $before = null;
                $step = 0.0;
                for ($at = -self::REACH; $at <= self::REACH; $at++) {
                    $level = sqrt(max(0.0, $picture->at($x + $at * $across, $y + $at * $down)[1]));
                    $low = min($low ?? $level, $level);
                    $high = max($high ?? $level, $level);
                    $step = max($step, abs($level - ($before ?? $level)));
                    $before = $level;
                }
                if ($high - $low > self::STEP) {
                    $steepest[] = $step / ($high - $low);
                }
            }
        }
        sort($steepest);

        return $steepest === [] ? 0.0 : $steepest[intdiv(count($steepest), 2)];
    }

    /** Share of the drawing that throws back more light than white can, its bare paper being what it is known to be. */
    public static function glare(LinearPicture $picture, Corners $drawing, PaperLight $light): float
    {
        $view = $drawing->view(1.0, 1.0);
        $shines = 0;
        for ($j = 1; $j < self::GRID; $j++) {
            for ($i = 1; $i < self::GRID; $i++) {
                [$x, $y] = $view->map($i / self::GRID, $j / self::GRID);
                $shines += $picture->at($x, $y)[1] * $light->gains($x, $y)[1] > self::GLARE ? 1 : 0;
            }
        }

        return $shines / (self::GRID - 1) ** 2;
    }

    private static function differs(LinearPicture $picture, float $x, float $y, float $by): float
    {
        $green = static fn (float $x, float $y): float => sqrt(max(0.0, $picture->at($x, $y)[1]));

        return abs($green($x + $by, $y) - $green($x, $y)) + abs($green($x, $y + $by) - $green($x, $y));
    }
}
