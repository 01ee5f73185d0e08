<?php

declare(strict_types=1);

namespace Prism\Review;

use Prism\Maths\LinearSystem;
use Prism\Reference\Image\Field;

/**
 * Brings the corners of a drawing to where its outlines lie over those of the reference: squares of the reference are looked for near where
 * they should lie (block matching by normalised correlation of gradients), and the change of view that fits most of them is taken
 * (reweighted least squares after Huber 1964). What is not drawn yet, or drawn otherwise, is not found, and does not pull.
 * Where colour ends at bare paper the drawing has its edge.
 */
final class Registration
{
    /** Half the edge of a square, and how far their middles are apart, in pixels of the frame. */
    private const HALF = 12;

    private const APART = 16;

    /** So many of a square's strongest outlines stand for it; a square with fewer has nothing to be known by. */
    private const OUTLINES = 64;

    private const LEAST_STRENGTH = 60.0;

    /** A square is found if it goes together with the drawing at least so well. */
    private const FOUND = 0.42;

    /** Places no farther than this are all looked at; of those farther every other, and about the highest few of them all. */
    private const ALL = 3;

    private const TOPS = 3;

    /** Beyond so many pixels a square counts less and less. */
    private const HUBER = 1.0;

    /** How firmly the perspective of the sheet is kept, and all else, for each square. */
    private const PERSPECTIVE = 0.25;

    private const STILL = 0.004;

    /** Paper and colour differ by this, natural logarithm of what they reflect. */
    private const COLOUR = 0.16;

    /** Long edges of the frame, and how far is looked in it, pixels. */
    private const ROUNDS = [[160, 10], [160, 6], [256, 4], [384, 3]];

    /** From this round on it is looked closely. */
    private const CLOSE = 2;

    /**
     * Corners that are about right, by what the drawing should look like by now.
     *
     * @return array{Corners, float, float} as {@see self::of()}
     */
    public static function refined(LinearPicture $picture, Corners $corners, PaperLight $light, Field $expected): array
    {
        $fit = $share = 0.0;
        foreach (array_slice(self::ROUNDS, self::CLOSE) as [$edge, $reach]) {
            [$corners, $fit, $share] = self::step($picture, $corners, $light, $expected, $edge, $reach);
        }

        return [$corners, $fit, $share];
    }

    /** @return array{Corners, float, float} the corners; how well the squares that were found fit, 0-1; and how many of all that is */
    public static function of(LinearPicture $picture, Corners $corners, PaperLight $light, Field $reference): array
    {
        $fit = $share = 0.0;
        foreach (self::ROUNDS as [$edge, $reach]) {
            [$corners, $fit, $share] = self::step($picture, $corners, $light, $reference, $edge, $reach);
        }

        return [$corners, $fit, $share];
    }

    /**
     * A first look at whether they go together at all.
     *
     * @return array{Corners, float, float} as {@see self::of()}
     */
    public static function roughly(LinearPicture $picture, Corners $corners, PaperLight $light, Field $reference): array
    {
        return self::step($picture, $corners, $light, $reference, ...self::ROUNDS[0]);
    }

    /**
     * How far outlines lie from where they should, square by square, whichever of their sides is darker.
     *
     * @return array{list<array{int, int, float, float, float, float}>, int, int} places with how far across and down, pixels, how well they fit there, and which share
     *                                                                           of their outlines tells of across, the rest of down; and the size of the frame
     */
    public static function shifts(LinearPicture $picture, Corners $corners, PaperLight $light, Field $reference, int $edge, int $reach): array
    {
        $scale = $edge / max($reference->width, $reference->height);
        [$width, $height] = [(int) round($scale * $reference->width), (int) round($scale * $reference->height)];
        $as = Structure::of($width, $height, Straightened::resized($reference->L, $reference->width, $reference->height, $width, $height));
        $wanted = $as->eitherWay();
        $seen = Straightened::structure($picture, $corners, $light, $width, $height)->eitherWay();
        $shifts = [];
        for ($y = self::HALF + 1; $y < $height - self::HALF; $y += self::APART) {
            for ($x = self::HALF + 1; $x < $width - self::HALF; $x += self::APART) {
                $shift = self::shift($wanted, $seen, $x, $y, $reach);
                if ($shift !== null) {
                    $shifts[] = [$x, $y, $shift[0], $shift[1], $shift[2], self::across($as, $x, $y)];
                }
            }
        }

        return [$shifts, $width, $height];
    }

    /** @return array{Corners, float, float} */
    private static function step(LinearPicture $picture, Corners $corners, PaperLight $light, Field $reference, int $edge, int $reach): array
    {
        $scale = $edge / max($reference->width, $reference->height);
        $width = (int) round($scale * $reference->width);
        $height = (int) round($scale * $reference->height);
        $wanted = Structure::of($width, $height, Straightened::resized($reference->L, $reference->width, $reference->height, $width, $height));
        $seen = Straightened::structure($picture, $corners, $light, $width, $height);
        if ($edge === self::ROUNDS[0][0]) {
            [$wanted, $seen] = [$wanted->eitherWay(), $seen->eitherWay()];
        }
        $rows = [];
        $squares = $found = 0;
        $fit = 0.0;
        for ($y = self::HALF + 1; $y < $height - self::HALF; $y += self::APART) {
            for ($x = self::HALF + 1; $x < $width - self::HALF; $x += self::APART) {
                $shift = self::shift($wanted, $seen, $x, $y, $reach, $reach > self::ALL ? 2 : 1);
                if ($shift === null) {
                    continue;
                }
                $squares++;
                [$dx, $dy, $score] = $shift;
                if ($score < self::FOUND) {
                    continue;
                }
                $found++;
                $fit += $score;
                $rows[] = [$x, $y, 1.0, 0.0, $dx, $score * $score];
                $rows[] = [$x, $y, 0.0, 1.0, $dy, $score * $score];
            }
        }
        if ($found > 3 || $rows === []) {
            array_push($rows, ...self::edges($picture, $corners, $light, $width, $height, $reach));
        }
        if (count($rows) < 8) {
            return [$corners, 0.0, 0.0];
        }

        return [self::moved($corners, $rows, $width, $height), $found === 0 ? 0.0 : $fit / $found, $squares === 0 ? 0.0 : $found / $squares];
    }

    /** Share of the outlines of a square that run down it, and so tell how far it lies across: a line says nothing of how far it lies along itself. */
    private static function across(Structure $wanted, int $x, int $y): float
    {
        $across = $down = 1e-9;
        for ($v = -self::HALF; $v <= self::HALF; $v++) {
            for ($u = -self::HALF; $u <= self::HALF; $u++) {
                $i = ($y + $v) * $wanted->width + $x + $u;
                $across += $wanted->across[$i] ** 2;
                $down += $wanted->down[$i] ** 2;
            }
        }

        return $across / ($across + $down);
    }

    /**
     * How far a square of the reference lies from where it should be.
     *
     * @param  int  $every  1: all places are looked at; 2: every other, and those about the best
     * @return ?array{float, float, float} across, down, and how well it fits there; null where the reference has no outlines
     */
    private static function shift(Structure $wanted, Structure $seen, int $x, int $y, int $reach, int $every = 1): ?array
    {
        $width = $wanted->width;
        $strengths = $places = $xs = $ys = [];
        for ($v = -self::HALF; $v <= self::HALF; $v++) {
            for ($u = -self::HALF; $u <= self::HALF; $u++) {
                $i = ($y + $v) * $width + $x + $u;
                $strengths[$i] = $wanted->across[$i] ** 2 + $wanted->down[$i] ** 2;
            }
        }
        arsort($strengths);
        $strength = 0.0;
        foreach (array_slice($strengths, 0, self::OUTLINES, true) as $i => $one) {
            $strength += $one;
            $places[] = $i;
            $xs[] = $wanted->across[$i];
            $ys[] = $wanted->down[$i];
        }
        if ($strength < self::LEAST_STRENGTH) {
            return null;
        }
        $scores = [];
        $score = static function (int $u, int $v) use (&$scores, $seen, $places, $xs, $ys, $strength, $width): float {
            return $scores[$v][$u] ??= self::together($seen, $v * $width + $u, $places, $xs, $ys, $strength);
        };
        // A peak is wider than two pixels: every other place tells where some are, those about them which is the highest.
        $tops = [];
        for ($v = -$reach; $v <= $reach; $v += $every) {
            for ($u = -$reach; $u <= $reach; $u += $every) {
                $tops[] = [$score($u, $v), $u, $v];
            }
        }
        rsort($tops);
        $best = -1.0;
        $at = [0, 0];
        foreach (array_slice($tops, 0, $every === 1 ? 1 : self::TOPS) as [$high, $u, $v]) {
            do {
                $isTop = true;
                for ($n = 0; $n < 9 && $every > 1; $n++) {
                    [$x, $y] = [$u + $n % 3 - 1, $v + intdiv($n, 3) - 1];
                    if (max(abs($x), abs($y)) <= $reach && $score($x, $y) > $high) {
                        [$high, $u, $v, $isTop] = [$score($x, $y), $x, $y, false];
                    }
                }
            } while (! $isTop);
            if ($high > $best) {
                $best = $high;
                $at = [$u, $v];
            }
        }
        [$u, $v] = $at;
        // At the rim of what was looked through nobody knows how far it goes on.
        if (abs($u) === $reach || abs($v) === $reach) {
            return [(float) $u, (float) $v, 0.0];
        }

        return [
            $u + self::peak($score($u - 1, $v), $best, $score($u + 1, $v)),
            $v + self::peak($score($u, $v - 1), $best, $score($u, $v + 1)),
            $best,
        ];
    }

    /**
     * How well outlines go together with what is seen so many places on, -1 to 1.
     *
     * @param  list<int>  $places
     * @param  list<float>  $xs  how much changes there across
     * @param  list<float>  $ys  and down
     */
    private static function together(Structure $seen, int $by, array $places, array $xs, array $ys, float $strength): float
    {
        [$across, $down] = [$seen->across, $seen->down];
        $last = $seen->width * $seen->height;
        $dot = $energy = 0.0;
        foreach ($places as $n => $i) {
            $j = $i + $by;
            if ($j < 0 || $j >= $last) {
                continue;
            }
            $sx = $across[$j];
            $sy = $down[$j];
            $dot += $xs[$n] * $sx + $ys[$n] * $sy;
            $energy += $sx * $sx + $sy * $sy;
        }

        return $dot / sqrt($strength * max(8.0, $energy));
    }

    /** Where a parabola through three values has its top, from the middle one. */
    private static function peak(float $before, float $at, float $after): float
    {
        $bend = $before - 2.0 * $at + $after;

        return $bend > -1e-9 ? 0.0 : max(-0.5, min(0.5, 0.5 * ($before - $after) / $bend));
    }

    /**
     * Where colour ends at bare paper, along the four sides of the frame.
     *
     * @return list<array{float, float, float, float, float, float}>
     */
    private static function edges(LinearPicture $picture, Corners $corners, PaperLight $light, int $width, int $height, int $reach): array
    {
        $view = $corners->view((float) $width, (float) $height);
        $rows = [];
        $reach += 3;
        foreach ([[0.0, 0.0, 1.0, 0.0, 0.0, -1.0], [0.0, (float) $height, 1.0, 0.0, 0.0, 1.0], [0.0, 0.0, 0.0, 1.0, -1.0, 0.0], [(float) $width, 0.0, 0.0, 1.0, 1.0, 0.0]] as [$x, $y, $alongX, $alongY, $outX, $outY]) {
            $length = $alongX > 0.0 ? $width : $height;
            for ($i = 1; $i < 24; $i++) {
                $px = $x + $alongX * $length * $i / 24.0;
                $py = $y + $alongY * $length * $i / 24.0;
                $marks = [];
                for ($by = -$reach; $by <= $reach; $by++) {
                    [$u, $v] = $view->map($px + $outX * $by, $py + $outY * $by);
                    $white = $light->on($u, $v);
                    $seen = $picture->at($u, $v);
                    $marks[] = max(abs(log(max(1e-3, $seen[0]) / $white[0])), abs(log(max(1e-3, $seen[1]) / $white[1])), abs(log(max(1e-3, $seen[2]) / $white[2])));
                }
                $at = self::edge($marks);
                if ($at !== null) {
                    $rows[] = [$px, $py, $outX * $outX, $outY * $outY, ($at - $reach) * ($outX + $outY), 0.5];
                }
            }
        }

        return $rows;
    }

    /**
     * @param  list<float>  $marks  at least three: how far what lies along a line is from bare paper, from inside to outside
     * @return ?float where it ends; null where there is no one such place
     */
    private static function edge(array $marks): ?float
    {
        $count = count($marks);
        $outside = max($marks[$count - 1], $marks[$count - 2], $marks[$count - 3]);
        $inside = min($marks[0], $marks[1], $marks[2]);
        if ($outside > 0.5 * self::COLOUR || $inside < self::COLOUR) {
            return null;
        }
        for ($i = $count - 1; $i > 0; $i--) {
            if ($marks[$i - 1] > 0.5 * self::COLOUR) {
                // Half of what lies just inside: a pixel at the edge holds some of both.
                $level = 0.5 * max(self::COLOUR, $marks[max(0, $i - 2)]);
                for ($j = $i; $j > 0; $j--) {
                    if ($marks[$j - 1] >= $level) {
                        return $j - ($level - $marks[$j]) / max(1e-6, $marks[$j - 1] - $marks[$j]);
                    }
                }

                return null;
            }
        }

        return null;
    }

    /**
     * A small change of view: u = a + b x + c y + g x x + h x y, v = d + e x + f y + g x y + h y y, of the frame's middle and half its long edge.
     *
     * @param  list<array{float|int, float|int, float, float, float, float}>  $rows  place, which way is measured, how far off, and what it counts
     */
    private static function moved(Corners $corners, array $rows, int $width, int $height): Corners
    {
        $half = max($width, $height) / 2.0;
        $terms = static function (float $x, float $y, float $across, float $down) use ($half, $width, $height): array {
            $x = ($x - $width / 2.0) / $half;
            $y = ($y - $height / 2.0) / $half;

            return [$across, $across * $x, $across * $y, $down, $down * $x, $down * $y, ($across * $x + $down * $y) * $x, ($across * $x + $down * $y) * $y];
        };
        $equations = array_map(static fn (array $row): array => [$terms((float) $row[0], (float) $row[1], $row[2], $row[3]), $row[4], $row[5]], $rows);
        $change = array_fill(0, 8, 0.0);
        for ($round = 0; $round < 6; $round++) {
            $normal = array_fill(0, 8, array_fill(0, 8, 0.0));
            $right = array_fill(0, 8, 0.0);
            $all = 0.0;
            foreach ($equations as [$of, $off, $weight]) {
                $miss = $off;
                foreach ($of as $i => $term) {
                    $miss -= $change[$i] * $term;
                }
                $counts = $weight * ($round === 0 || abs($miss) <= self::HUBER ? 1.0 : (self::HUBER / abs($miss)) ** 2);
                $all += $counts;
                for ($i = 0; $i < 8; $i++) {
                    for ($j = 0; $j < 8; $j++) {
                        $normal[$i][$j] += $counts * $of[$i] * $of[$j];
                    }
                    $right[$i] += $counts * $of[$i] * $off;
                }
            }
            for ($i = 0; $i < 8; $i++) {
                $normal[$i][$i] += ($i < 6 ? self::STILL : self::PERSPECTIVE) * $all;
            }
            $change = LinearSystem::solve($normal, $right);
        }
        $view = $corners->view((float) $width, (float) $height);
        $moved = [];
        foreach ([[0.0, 0.0], [(float) $width, 0.0], [(float) $width, (float) $height], [0.0, (float) $height]] as [$x, $y]) {
            $by = [0.0, 0.0];
            foreach ([[1.0, 0.0], [0.0, 1.0]] as $axis => [$across, $down]) {
                foreach ($terms($x, $y, $across, $down) as $i => $term) {
                    $by[$axis] += $change[$i] * $term;
                }
            }
            $moved[] = $view->map($x + $by[0], $y + $by[1]);
        }

        return Corners::of($moved);
    }
}
