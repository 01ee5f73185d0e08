<?php

declare(strict_types=1);

namespace Prism\Reference\Zones;

use Prism\Reference\Image\Field;
use Prism\Reference\Image\Smoothing;

/**
 * The zones found in a picture, at every number from {@see self::FEWEST} to {@see self::MOST}: the finest cut, and the order
 * in which its zones are merged. One zone more always splits one zone and leaves the others as they were.
 */
final readonly class MergeTree
{
    public const FEWEST = 4;

    public const MOST = 60;

    /** Patches start about this large, in pixels across. */
    private const CELL = 8;

    /** No zone is less than this share of the picture. */
    private const SMALLEST = 0.0012;

    /** Pieces that smoothing has torn off a zone are crumbs below this share of the smallest zone. */
    private const CRUMB = 0.7;

    /** Zones nearer to one another than this, in CIELAB, are one to the eye. */
    private const DIFFERENT = 5.0;

    /** @param  list<array{int, int, float}>  $merges  which zone goes into which, finest first, and how far apart their colours are */
    private function __construct(public ZoneMap $finest, public array $merges)
    {
    }

    /**
     * @param  ?\Closure(string, float): void  $progress
     */
    public static function of(Field $field, ?\Closure $progress = null): self
    {
        $progress ??= static function (): void {
        };
        $progress('Taking out grain and noise', 0.0);
        $smooth = Smoothing::of($field);
        $progress('Following the edges', 0.4);
        $patches = Superpixels::of($smooth, self::CELL);
        $progress('Merging what belongs together', 0.6);
        $smallest = self::SMALLEST * $field->count();
        $order = (new Regions($smooth, $patches))->merge(1, $smallest);
        $leaves = min(self::MOST, self::withoutCrumbs($order, $patches, $smallest));
        $finest = self::cutOf($patches, $order, $leaves);
        $progress('Drawing the borders', 0.8);
        [$map, $numbers] = $finest;
        $map = Tidying::withoutCrumbs(Tidying::smoothed($map), (int) ceil(self::CRUMB * $smallest));
        $merges = [];
        foreach (array_slice($order, $patches->count - $leaves) as [$gone, $into, $apart]) {
            $merges[] = [$numbers[$gone], $numbers[$into], $apart];
        }

        return new self($map, $merges);
    }

    /** How many zones the finest cut has. */
    public function most(): int
    {
        return count($this->merges) + 1;
    }

    /** How many zones differ from what they would be merged with: no more are worth having. */
    public function worth(): int
    {
        return 1 + count(array_filter($this->merges, static fn (array $merge): bool => $merge[2] >= self::DIFFERENT));
    }

    /**
     * The zone into which each zone of the finest cut has gone when so many are left.
     *
     * @return array<int, int>
     */
    public function groups(int $zones): array
    {
        $into = [];
        foreach (array_keys($this->finest->areas()) as $label) {
            $into[$label] = $label;
        }
        foreach (array_slice($this->merges, 0, max(0, $this->most() - max(1, $zones))) as [$gone, $to]) {
            $into[$gone] = $to;
        }
        foreach (array_keys($into) as $label) {
            $root = $label;
            while (($into[$root] ?? $root) !== $root) {
                $root = $into[$root];
            }
            $into[$label] = $root;
        }

        return $into;
    }

    /** The picture cut into so many zones, numbered from 1 by area, largest first. */
    public function cut(int $zones): ZoneMap
    {
        $map = $this->finest->renumbered($this->groups($zones));
        $areas = $map->areas();
        arsort($areas);
        $numbers = [];
        foreach (array_keys($areas) as $i => $label) {
            $numbers[$label] = $i + 1;
        }

        return $map->renumbered($numbers);
    }

    /**
     * How many zones are left when the last crumb has been merged.
     *
     * @param  list<array{int, int, float}>  $order
     */
    private static function withoutCrumbs(array $order, Superpixels $patches, float $smallest): int
    {
        $area = array_fill(0, $patches->count, 0);
        foreach ($patches->labels as $label) {
            $area[$label]++;
        }
        $crumbs = 0;
        foreach ($area as $pixels) {
            $crumbs += $pixels < $smallest ? 1 : 0;
        }
        foreach ($order as $done => [$gone, $into]) {
            if ($crumbs === 0) {
                return $patches->count - $done;
            }
            $crumbs -= ($area[$gone] < $smallest ? 1 : 0) + ($area[$into] < $smallest ? 1 : 0);
            $area[$into] += $area[$gone];
            $crumbs += $area[$into] < $smallest ? 1 : 0;
        }

        return 1;
    }

    /**
     * @param  list<array{int, int, float}>  $order
     * @return array{ZoneMap, array<int, int>} the map, and the number in it of each patch that is left
     */
    private static function cutOf(Superpixels $patches, array $order, int $zones): array
    {
        $into = range(0, $patches->count - 1);
        foreach (array_slice($order, 0, $patches->count - $zones) as [$gone, $to]) {
            $into[$gone] = $to;
        }
        $byte = $numbers = [];
        for ($patch = 0; $patch < $patches->count; $patch++) {
            $root = $patch;
            while ($into[$root] !== $root) {
                $root = $into[$root];
            }
            $numbers[$root] ??= count($numbers) + 1;
            $byte[] = chr($numbers[$root]);
        }
        $labels = '';
        foreach ($patches->labels as $patch) {
            $labels .= $byte[$patch];
        }

        return [ZoneMap::of($patches->width, $patches->height, $labels), $numbers];
    }
}
