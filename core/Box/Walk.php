<?php

declare(strict_types=1);

namespace Prism\Box;

use Prism\Colour\Lab;
use Prism\Colour\Wheel;
use Prism\Colour\Words\Appearance;

/**
 * Lays pencils out in one row so that each is a small step from its neighbours, by hue before value.
 *
 * The row starts as a walk round the wheel, up and down in value part by part, with the greys after the colours. Then
 * stretches are turned round and single pencils moved elsewhere (2-opt, Croes 1958, and or-opt, Or 1976) as long as the
 * sum of steps gets smaller. In long rows only places near each other are tried.
 */
final class Walk
{
    /** A step in value counts this much against one of hue or chroma. */
    private const VALUE_SHARE = 0.45;

    /** Rows up to this length are improved over their whole length. */
    private const WHOLE_UP_TO = 320;

    private const REACH = 24;

    private const ROUNDS = 12;

    private const ROUNDS_LONG = 4;

    /** @var list<array{float, float, float}> value, a*, b* as they count */
    private array $points = [];

    /**
     * @param  array<string, Lab>  $colours  by pencil
     * @return list<string> the same keys in the order of the walk
     */
    public static function order(array $colours): array
    {
        $keys = self::walk($colours);
        $walk = new self;
        foreach ($keys as $key) {
            $lab = $colours[$key];
            $walk->points[] = [self::VALUE_SHARE * $lab->L, $lab->a, $lab->b];
        }

        return array_map(static fn (int $i): string => $keys[$i], $walk->improved());
    }

    /** The step between two colours as the walk counts it. */
    public static function step(Lab $one, Lab $other): float
    {
        return sqrt((self::VALUE_SHARE * ($one->L - $other->L)) ** 2 + ($one->a - $other->a) ** 2 + ($one->b - $other->b) ** 2);
    }

    /**
     * @param  array<string, Lab>  $colours
     * @return list<string>
     */
    private static function walk(array $colours): array
    {
        $parts = $greys = [];
        foreach ($colours as $key => $lab) {
            $appearance = Appearance::of($lab);
            if ($lab->isNeutral()) {
                $greys[$key] = $lab->L;
            } else {
                $parts[((int) round($appearance->wheelPosition)) % Wheel::PARTS][$key] = $lab->L;
            }
        }
        $row = [];
        $up = true;
        // From red-violet round to violet: the wheel is opened where boxes are usually thinnest.
        for ($i = 0; $i < Wheel::PARTS; $i++) {
            $part = $parts[($i + 17) % Wheel::PARTS] ?? [];
            $up ? asort($part) : arsort($part);
            array_push($row, ...array_map(strval(...), array_keys($part)));
            $up = $part === [] ? $up : ! $up;
        }
        $up ? asort($greys) : arsort($greys);

        return [...$row, ...array_map(strval(...), array_keys($greys))];
    }

    /** @return list<int> */
    private function improved(): array
    {
        $count = count($this->points);
        $order = range(0, max(0, $count - 1));
        if ($count < 3) {
            return array_slice($order, 0, $count);
        }
        $reach = $count <= self::WHOLE_UP_TO ? $count : self::REACH;
        $rounds = $count <= self::WHOLE_UP_TO ? self::ROUNDS : self::ROUNDS_LONG;
        for ($round = 0; $round < $rounds; $round++) {
            $gain = $this->turn($order, $reach) + $this->move($order, $reach);
            if ($gain < 1e-6) {
                break;
            }
        }

        return array_values($order);
    }

    /**
     * Turns stretches round; the row is open, so its ends may turn freely.
     *
     * @param  array<int, int>  $order
     */
    private function turn(array &$order, int $reach): float
    {
        $count = count($order);
        $gain = 0.0;
        for ($i = 0; $i < $count - 1; $i++) {
            $last = min($count - 1, $i + $reach);
            for ($j = $i + 1; $j <= $last; $j++) {
                $before = ($i > 0 ? $this->far($order[$i - 1], $order[$i]) : 0.0) + ($j < $count - 1 ? $this->far($order[$j], $order[$j + 1]) : 0.0);
                $after = ($i > 0 ? $this->far($order[$i - 1], $order[$j]) : 0.0) + ($j < $count - 1 ? $this->far($order[$i], $order[$j + 1]) : 0.0);
                if ($after < $before - 1e-9) {
                    for ($low = $i, $high = $j; $low < $high; $low++, $high--) {
                        $kept = $order[$low];
                        $order[$low] = $order[$high];
                        $order[$high] = $kept;
                    }
                    $gain += $before - $after;
                }
            }
        }

        return $gain;
    }

    /**
     * Moves runs of one to three pencils elsewhere.
     *
     * @param  array<int, int>  $order
     */
    private function move(array &$order, int $reach): float
    {
        $count = count($order);
        $gain = 0.0;
        for ($run = 1; $run <= min(3, $count - 2); $run++) {
            for ($i = 0; $i + $run <= $count; $i++) {
                $first = $order[$i];
                $end = $order[$i + $run - 1];
                $left = $i > 0 ? $order[$i - 1] : null;
                $right = $i + $run < $count ? $order[$i + $run] : null;
                $freed = ($left === null ? 0.0 : $this->far($left, $first)) + ($right === null ? 0.0 : $this->far($end, $right))
                    - ($left === null || $right === null ? 0.0 : $this->far($left, $right));
                $best = 1e-9;
                $to = null;
                $turned = false;
                $from = max(0, $i - $reach);
                $till = min($count, $i + $run + $reach);
                // A gap lies before place g; those at the run itself are none.
                for ($g = $from; $g <= $till; $g++) {
                    if ($g >= $i && $g <= $i + $run) {
                        continue;
                    }
                    $a = $g > 0 ? $order[$g - 1] : null;
                    $b = $g < $count ? $order[$g] : null;
                    $joined = $a === null || $b === null ? 0.0 : $this->far($a, $b);
                    $straight = ($a === null ? 0.0 : $this->far($a, $first)) + ($b === null ? 0.0 : $this->far($end, $b)) - $joined;
                    $reversed = ($a === null ? 0.0 : $this->far($a, $end)) + ($b === null ? 0.0 : $this->far($first, $b)) - $joined;
                    $won = $freed - min($straight, $reversed);
                    if ($won > $best) {
                        $best = $won;
                        $to = $g;
                        $turned = $reversed < $straight;
                    }
                }
                if ($to !== null) {
                    $moved = array_splice($order, $i, $run);
                    array_splice($order, $to > $i ? $to - $run : $to, 0, $turned ? array_reverse($moved) : $moved);
                    $gain += $best;
                }
            }
        }

        return $gain;
    }

    private function far(int $one, int $other): float
    {
        [$l, $a, $b] = $this->points[$one];
        [$m, $c, $d] = $this->points[$other];

        return sqrt(($l - $m) * ($l - $m) + ($a - $c) * ($a - $c) + ($b - $d) * ($b - $d));
    }
}
