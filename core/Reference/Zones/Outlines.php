<?php

declare(strict_types=1);

namespace Prism\Reference\Zones;

/**
 * The borders of a zone map as lines. Each border between two zones is one arc that both share, so that simplifying it
 * leaves no gap and no overlap.
 */
final readonly class Outlines
{
    /** Borders may leave the edges of the pixels by this much, in pixels, to become straight. */
    private const TOLERANCE = 0.9;

    private const EAST = 1;

    private const SOUTH = 2;

    private const WEST = 4;

    private const NORTH = 8;

    /**
     * @param  list<array{left: int, right: int, points: list<array{float, float}>}>  $arcs  points as shares of width and
     *                                                                                       height; a ring ends where it begins
     */
    private function __construct(public array $arcs)
    {
    }

    public static function of(ZoneMap $map): self
    {
        [$width, $height, $labels] = [$map->width, $map->height, $map->labels];
        $at = static fn (int $x, int $y): int => $x < 0 || $y < 0 || $x >= $width || $y >= $height ? 0 : ord($labels[$y * $width + $x]);
        $open = self::edges($map);
        $stride = $width + 1;
        $arcs = [];
        $nodes = [];
        foreach ($open as $vertex => $bits) {
            if (! in_array($bits, [5, 10, 3, 6, 9, 12], true)) {
                $nodes[$vertex] = true;
            }
        }
        $trace = static function (int $vertex, int $direction) use (&$open, $nodes, $stride, $at, $width, $height): array {
            $x = $vertex % $stride;
            $y = intdiv($vertex, $stride);
            // Walking east, what lies above is to the left; and so on round.
            [$left, $right] = match ($direction) {
                self::EAST => [$at($x, $y - 1), $at($x, $y)],
                self::SOUTH => [$at($x, $y), $at($x - 1, $y)],
                self::WEST => [$at($x - 1, $y), $at($x - 1, $y - 1)],
                default => [$at($x - 1, $y - 1), $at($x, $y - 1)],
            };
            $points = [[$x, $y]];
            $start = $vertex;
            while (true) {
                [$dx, $dy, $back] = match ($direction) {
                    self::EAST => [1, 0, self::WEST],
                    self::SOUTH => [0, 1, self::NORTH],
                    self::WEST => [-1, 0, self::EAST],
                    default => [0, -1, self::SOUTH],
                };
                $open[$vertex] &= ~$direction;
                $x += $dx;
                $y += $dy;
                $vertex = $y * $stride + $x;
                $open[$vertex] &= ~$back;
                $points[] = [$x, $y];
                if (isset($nodes[$vertex]) || $vertex === $start || $open[$vertex] === 0) {
                    break;
                }
                $direction = $open[$vertex];
            }

            return ['left' => $left, 'right' => $right, 'points' => array_map(
                static fn (array $point): array => [$point[0] / $width, $point[1] / $height],
                self::simplified($points),
            )];
        };
        foreach (array_keys($nodes) as $vertex) {
            foreach ([self::EAST, self::SOUTH, self::WEST, self::NORTH] as $direction) {
                if (($open[$vertex] & $direction) !== 0) {
                    $arcs[] = $trace($vertex, $direction);
                }
            }
        }
        foreach (array_keys($open) as $vertex) {
            if ($open[$vertex] !== 0) {
                $arcs[] = $trace($vertex, $open[$vertex] & -$open[$vertex]);
            }
        }

        return new self($arcs);
    }

    /** All borders as an SVG path, in thousandths of width and height. */
    public function borders(): string
    {
        return implode('', array_map(static fn (array $arc): string => self::path($arc['points']), $this->arcs));
    }

    /** The outline of a zone as an SVG path, in thousandths of width and height. */
    public function outline(int $zone): string
    {
        return implode('', array_map(static fn (array $ring): string => self::path($ring).'Z', $this->rings($zone)));
    }

    /** @param  list<array{float, float}>  $points */
    private static function path(array $points): string
    {
        $path = '';
        foreach ($points as $i => [$x, $y]) {
            $path .= sprintf('%s%s %s', $i === 0 ? 'M' : 'L', round(1000.0 * $x, 1), round(1000.0 * $y, 1));
        }

        return $path;
    }

    /**
     * The closed lines round a zone, outer ones and holes alike: fill them by the even-odd rule.
     *
     * @return list<list<array{float, float}>>
     */
    public function rings(int $zone): array
    {
        $key = static fn (array $point): string => sprintf('%.7f,%.7f', $point[0], $point[1]);
        $from = [];
        foreach ($this->arcs as $arc) {
            if ($arc['left'] === $zone) {
                $from[$key($arc['points'][0])][] = $arc['points'];
            } elseif ($arc['right'] === $zone) {
                $points = array_reverse($arc['points']);
                $from[$key($points[0])][] = $points;
            }
        }
        $rings = [];
        while ($from !== []) {
            $start = array_key_first($from);
            $ring = [];
            $here = $start;
            do {
                $arc = array_pop($from[$here]) ?? [];
                if ($from[$here] === []) {
                    unset($from[$here]);
                }
                array_push($ring, ...array_slice($arc, 0, -1));
                $here = $key($arc[count($arc) - 1]);
            } while ($here !== $start && isset($from[$here]));
            $rings[] = $ring;
        }

        return $rings;
    }

    /**
     * For each corner of a pixel that a border runs through, in which directions it does.
     *
     * @return array<int, int>
     */
    private static function edges(ZoneMap $map): array
    {
        [$width, $height, $labels] = [$map->width, $map->height, $map->labels];
        $stride = $width + 1;
        $edges = [];
        for ($y = 0; $y < $height; $y++) {
            $row = $y * $width;
            for ($x = 0; $x <= $width; $x++) {
                $west = $x > 0 ? $labels[$row + $x - 1] : "\0";
                $east = $x < $width ? $labels[$row + $x] : "\0";
                if ($west !== $east) {
                    $vertex = $y * $stride + $x;
                    $edges[$vertex] = ($edges[$vertex] ?? 0) | self::SOUTH;
                    $edges[$vertex + $stride] = ($edges[$vertex + $stride] ?? 0) | self::NORTH;
                }
            }
        }
        for ($y = 0; $y <= $height; $y++) {
            for ($x = 0; $x < $width; $x++) {
                $above = $y > 0 ? $labels[($y - 1) * $width + $x] : "\0";
                $below = $y < $height ? $labels[$y * $width + $x] : "\0";
                if ($above !== $below) {
                    $vertex = $y * $stride + $x;
                    $edges[$vertex] = ($edges[$vertex] ?? 0) | self::EAST;
                    $edges[$vertex + 1] = ($edges[$vertex + 1] ?? 0) | self::WEST;
                }
            }
        }

        return $edges;
    }

    /**
     * Douglas & Peucker 1973; the ends stay, and of a ring also the point furthest from its beginning.
     *
     * @param  non-empty-list<array{int, int}>  $points
     * @return non-empty-list<array{int, int}>
     */
    private static function simplified(array $points): array
    {
        $last = count($points) - 1;
        $keep = [0 => true, $last => true];
        $stack = [[0, $last]];
        while ($stack !== []) {
            [$from, $to] = array_pop($stack);
            [$x1, $y1] = $points[$from];
            $dx = $points[$to][0] - $x1;
            $dy = $points[$to][1] - $y1;
            $length = hypot($dx, $dy);
            $furthest = -1;
            $most = self::TOLERANCE;
            for ($i = $from + 1; $i < $to; $i++) {
                $px = $points[$i][0] - $x1;
                $py = $points[$i][1] - $y1;
                $distance = $length < 1e-9 ? hypot($px, $py) : abs($px * $dy - $py * $dx) / $length;
                if ($distance > $most) {
                    $most = $distance;
                    $furthest = $i;
                }
            }
            if ($furthest > 0) {
                $keep[$furthest] = true;
                $stack[] = [$from, $furthest];
                $stack[] = [$furthest, $to];
            }
        }
        ksort($keep);

        return array_map(static fn (int $i): array => $points[$i], array_keys($keep));
    }
}
