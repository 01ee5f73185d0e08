<?php

declare(strict_types=1);

namespace Prism\Reference\Zones;

use Prism\Reference\Image\Field;

/**
 * Patches of a picture with what is known of each and of each pair that touches, to be merged two at a time.
 *
 * What two patches cost to merge is the variance that merging adds (Ward 1963), dampened by area so that a large field
 * does not swallow its neighbours' forms, times how much of an edge there is between them.
 */
final class Regions
{
    /** Exponent of area: 1 is Ward's own. This and what follows: best on the rendered references (prism:bench --only=look). */
    private const AREA = 0.55;

    /** What a border without any contrast keeps of its cost. */
    private const SOFT_BORDER = 0.1;

    /** L* counts this much against a* and b*: light changes it within one thing, so it parts things less well than hue does. */
    private const VALUE_WEIGHT = 0.55;

    /** Mean contrast across a border at which it counts fully. */
    private const FULL_CONTRAST = 20.0;

    /** @var array<int, float> */
    private array $area;

    /** @var array<int, float> */
    private array $L;

    /** @var array<int, float> */
    private array $a;

    /** @var array<int, float> */
    private array $b;

    /** @var array<int, array<int, array{float, float}>> for each patch its neighbours: border length and summed contrast */
    private array $touching;

    /** @var array<int, bool> */
    private array $alive;

    public function __construct(Field $field, Superpixels $patches)
    {
        $count = $patches->count;
        $this->area = array_fill(0, $count, 0.0);
        $this->L = $this->a = $this->b = array_fill(0, $count, 0.0);
        $this->touching = array_fill(0, $count, []);
        $this->alive = array_fill(0, $count, true);
        $labels = $patches->labels;
        $pixels = $field->count();
        for ($i = 0; $i < $pixels; $i++) {
            $of = $labels[$i];
            $this->area[$of] += 1.0;
            $this->L[$of] += $field->L[$i];
            $this->a[$of] += $field->a[$i];
            $this->b[$of] += $field->b[$i];
        }
        for ($of = 0; $of < $count; $of++) {
            $n = max(1.0, $this->area[$of]);
            $this->L[$of] /= $n;
            $this->a[$of] /= $n;
            $this->b[$of] /= $n;
        }
        $this->border($field, $labels);
    }

    /**
     * Merges, cheapest first, until so many are left.
     *
     * @param  float  $smallest  patches of less area, in pixels, are merged before all others
     * @return list<array{int, int, float}> which patch went into which, in order, and how far apart their mean colours were in
     *                                      CIELAB; a patch keeps the number of the one it went into
     */
    public function merge(int $left, float $smallest): array
    {
        $queue = new \SplPriorityQueue;
        $queue->setExtractFlags(\SplPriorityQueue::EXTR_DATA);
        $stamp = array_fill(0, count($this->area), 0);
        foreach ($this->touching as $i => $neighbours) {
            foreach (array_keys($neighbours) as $j) {
                if ($i < $j) {
                    $queue->insert([$i, $j, 0, 0], -$this->cost($i, $j, $smallest));
                }
            }
        }
        $alive = count(array_filter($this->alive));
        $merges = [];
        while ($alive > $left && ! $queue->isEmpty()) {
            [$i, $j, $si, $sj] = $queue->extract();
            if (! $this->alive[$i] || ! $this->alive[$j] || $stamp[$i] !== $si || $stamp[$j] !== $sj) {
                continue;
            }
            if ($this->area[$i] < $this->area[$j]) {
                [$i, $j] = [$j, $i];
            }
            $apart = sqrt(($this->L[$i] - $this->L[$j]) ** 2 + ($this->a[$i] - $this->a[$j]) ** 2 + ($this->b[$i] - $this->b[$j]) ** 2);
            $this->join($i, $j);
            $merges[] = [$j, $i, $apart];
            $alive--;
            $stamp[$i]++;
            foreach (array_keys($this->touching[$i]) as $k) {
                $queue->insert([$i, $k, $stamp[$i], $stamp[$k]], -$this->cost($i, $k, $smallest));
            }
        }

        return $merges;
    }

    private function cost(int $i, int $j, float $smallest): float
    {
        $n = $this->area[$i] * $this->area[$j] / ($this->area[$i] + $this->area[$j]);
        $dL = self::VALUE_WEIGHT * ($this->L[$i] - $this->L[$j]);
        $d2 = $dL * $dL + ($this->a[$i] - $this->a[$j]) ** 2 + ($this->b[$i] - $this->b[$j]) ** 2;
        [$length, $contrast] = $this->touching[$i][$j];
        $edge = self::SOFT_BORDER + (1.0 - self::SOFT_BORDER) * min(1.0, $contrast / $length / self::FULL_CONTRAST);
        $cost = $n ** self::AREA * $d2 * $edge;
        // A crumb goes first, to whom it is most like and touches most.
        $least = min($this->area[$i], $this->area[$j]);

        return $least < $smallest ? -1e9 + $d2 / sqrt($length) : $cost;
    }

    private function join(int $into, int $gone): void
    {
        $n = $this->area[$into] + $this->area[$gone];
        foreach (['L', 'a', 'b'] as $plane) {
            $this->{$plane}[$into] = ($this->{$plane}[$into] * $this->area[$into] + $this->{$plane}[$gone] * $this->area[$gone]) / $n;
        }
        $this->area[$into] = $n;
        $this->alive[$gone] = false;
        foreach ($this->touching[$gone] as $k => [$length, $contrast]) {
            unset($this->touching[$k][$gone]);
            if ($k === $into) {
                continue;
            }
            [$had, $hadContrast] = $this->touching[$into][$k] ?? [0.0, 0.0];
            $this->touching[$into][$k] = $this->touching[$k][$into] = [$had + $length, $hadContrast + $contrast];
        }
        $this->touching[$gone] = [];
    }

    /** @param  array<int, int>  $labels */
    private function border(Field $field, array $labels): void
    {
        [$width, $height, $L, $a, $b] = [$field->width, $field->height, $field->L, $field->a, $field->b];
        for ($y = 0; $y < $height; $y++) {
            for ($x = 0; $x < $width; $x++) {
                $at = $y * $width + $x;
                for ($k = 0; $k < 2; $k++) {
                    if ($k === 0 ? $x === $width - 1 : $y === $height - 1) {
                        continue;
                    }
                    $next = $k === 0 ? $at + 1 : $at + $width;
                    $i = $labels[$at];
                    $j = $labels[$next];
                    if ($i === $j) {
                        continue;
                    }
                    // Two pixels to either side: an edge in a photo is never one pixel wide.
                    $reach = $k === 0 ? 2 : 2 * $width;
                    $from = $k === 0 ? ($x >= 2 ? $at - $reach : $at) : ($y >= 2 ? $at - $reach : $at);
                    $to = $k === 0 ? ($x < $width - 3 ? $next + $reach : $next) : ($y < $height - 3 ? $next + $reach : $next);
                    $contrast = sqrt(($L[$from] - $L[$to]) ** 2 + ($a[$from] - $a[$to]) ** 2 + ($b[$from] - $b[$to]) ** 2);
                    [$length, $sum] = $this->touching[$i][$j] ?? [0.0, 0.0];
                    $this->touching[$i][$j] = $this->touching[$j][$i] = [$length + 1.0, $sum + $contrast];
                }
            }
        }
    }
}
