<?php

declare(strict_types=1);

namespace Prism\Planning;

use Prism\Reference\Image\Field;
use Prism\Reference\Zones\LineFinder;
use Prism\Reference\Zones\TargetRole;
use Prism\Reference\Zones\ZoneMap;

/**
 * Which colour of its zone lies at each pixel: the parts of a zone follow the photo, soft where the form is.
 *
 * Between the light, middle and dark of a zone a pixel lies by the value that the photo has there, as a hand shades; accents lie
 * where the photo is nearest to them. Over the border of a zone whose edge is soft the strokes of both sides cross, so that it is
 * a join and no outline.
 */
final class PartFinder
{
    /** A pixel is an accent if it is so much nearer to it than to the local colour, in CIELAB. */
    private const ACCENT_NEARER = 0.6;

    /** In a map of fewer pixels across, lines are too thin to be found. */
    private const SHOWS_LINES = 400;

    /** Strokes cross a soft border by this share of the width. */
    private const CROSSES = 0.006;

    /** @var list<PictureTarget> */
    private readonly array $targets;

    /** @var array<int, non-empty-list<int>> by label: light, middle and dark by index, darkest first */
    private readonly array $values;

    /** @var array<int, non-empty-list<int>> by label: what lies where the photo is nearest to it */
    private readonly array $accents;

    /** @var list<array{int, int}> those that were met so far; the first stands for none */
    private array $pairs = [[0, 0]];

    /** @var array<int, string> bytes of each pair, by both */
    private array $told = [];

    /**
     * @param  Field  $photo  of the size of the map
     * @param  list<PictureZone>  $zones
     */
    public static function of(Field $photo, ZoneMap $map, array $zones): PartMap
    {
        return (new self($photo, $map, $zones))->find();
    }

    /** @param  list<PictureZone>  $zones */
    private function __construct(private readonly Field $photo, private readonly ZoneMap $map, private readonly array $zones)
    {
        $targets = $values = $accents = [];
        foreach ($zones as $zone) {
            $of = [];
            foreach ($zone->targets as $target) {
                if (in_array($target->role, [TargetRole::Light, TargetRole::Middle, TargetRole::Dark], true)) {
                    $of[] = count($targets);
                } else {
                    $accents[$zone->label][] = count($targets);
                }
                $targets[] = $target;
            }
            usort($of, static fn (int $a, int $b): int => $targets[$a]->read->L <=> $targets[$b]->read->L);
            if ($of !== []) {
                $values[$zone->label] = $of;
            }
        }
        $this->targets = $targets;
        $this->values = $values;
        $this->accents = $accents;
    }

    private function find(): PartMap
    {
        $labels = self::crossed($this->map, $this->zones);
        $lines = $this->linesOf($this->map, $this->zones);
        [$L, $a, $b] = [$this->photo->L, $this->photo->a, $this->photo->b];
        $read = array_map(static fn (PictureTarget $target): array => [$target->read->L, $target->read->a, $target->read->b], $this->targets);
        $lies = '';
        for ($at = 0, $count = $this->photo->count(); $at < $count; $at++) {
            if (isset($lines[$at])) {
                $lies .= $this->pair($lines[$at], $lines[$at])."\0";

                continue;
            }
            $label = ord($labels[$at]);
            $values = $this->values[$label] ?? null;
            if ($values === null) {
                $lies .= "\0\0\0";

                continue;
            }
            $last = count($values) - 1;
            [$low, $high, $share] = [$values[$last], $values[$last], 0.0];
            if ($L[$at] <= $read[$values[0]][0]) {
                $low = $high = $values[0];
            } else {
                for ($i = 0; $i < $last; $i++) {
                    $above = $read[$values[$i + 1]][0];
                    if ($L[$at] < $above) {
                        [$low, $high] = [$values[$i], $values[$i + 1]];
                        $share = ($L[$at] - $read[$low][0]) / max(1e-6, $above - $read[$low][0]);

                        break;
                    }
                }
            }
            if (isset($this->accents[$label])) {
                $local = $read[$share < 0.5 ? $low : $high];
                $least = self::ACCENT_NEARER ** 2 * (($L[$at] - $local[0]) ** 2 + ($a[$at] - $local[1]) ** 2 + ($b[$at] - $local[2]) ** 2);
                foreach ($this->accents[$label] as $accent) {
                    $of = $read[$accent];
                    $away = ($L[$at] - $of[0]) ** 2 + ($a[$at] - $of[1]) ** 2 + ($b[$at] - $of[2]) ** 2;
                    if ($away < $least) {
                        $least = $away;
                        $low = $high = $accent;
                        $share = 0.0;
                    }
                }
            }
            $lies .= $this->pair($low, $high).chr((int) round(PartMap::SHARES * $share));
        }

        return new PartMap($this->photo->width, $this->photo->height, $this->targets, $this->pairs, $lies);
    }

    private function pair(int $low, int $high): string
    {
        $both = $low << 16 | $high;
        if (! isset($this->told[$both])) {
            $number = count($this->pairs);
            $this->pairs[] = [$low, $high];
            $this->told[$both] = chr($number & 255).chr($number >> 8);
        }

        return $this->told[$both];
    }

    /**
     * The zone whose stroke lies at each pixel: near a soft border, here and there that of the other side.
     *
     * @param  list<PictureZone>  $zones
     */
    private static function crossed(ZoneMap $map, array $zones): string
    {
        $soft = [];
        foreach ($zones as $zone) {
            if (! $zone->crisp && $zone->label > 0) {
                $soft[chr($zone->label)] = true;
            }
        }
        $reach = (int) round(self::CROSSES * $map->width);
        if ($soft === [] || $reach === 0) {
            return $map->labels;
        }
        $labels = $map->labels;
        $crossed = $labels;
        [$width, $height] = [$map->width, $map->height];
        $span = 2 * $reach + 1;
        for ($y = 0; $y < $height; $y++) {
            for ($x = 0; $x < $width; $x++) {
                $hash = ($x * 668265263 + $y * 374761393) & 0x7FFFFFFF;
                $hash = (($hash ^ ($hash >> 13)) * 1274126177) & 0x7FFFFFFF;
                $fromX = $x + ($hash >> 4) % $span - $reach;
                $fromY = $y + ($hash >> 16) % $span - $reach;
                if ($fromX < 0 || $fromY < 0 || $fromX >= $width || $fromY >= $height) {
                    continue;
                }
                $at = $y * $width + $x;
                $other = $labels[$fromY * $width + $fromX];
                if ($other !== $labels[$at] && $other !== "\0" && $labels[$at] !== "\0" && (isset($soft[$other]) || isset($soft[$labels[$at]]))) {
                    $crossed[$at] = $other;
                }
            }
        }

        return $crossed;
    }

    /**
     * Which pixels lie on the lines of their zone. In a map too small for lines they lie where the photo is nearest to them, as accents do.
     *
     * @param  list<PictureZone>  $zones
     * @return array<int, int> by pixel, index of the target
     */
    private function linesOf(ZoneMap $map, array $zones): array
    {
        $wanted = [];
        $at = 0;
        foreach ($zones as $zone) {
            foreach ($zone->targets as $target) {
                if ($target->role === TargetRole::Line) {
                    $wanted[$zone->label][] = $at;
                }
                $at++;
            }
        }
        if ($wanted === [] || $map->width < self::SHOWS_LINES) {
            return [];
        }
        $pixels = [];
        for ($pixel = 0, $count = strlen($map->labels); $pixel < $count; $pixel++) {
            $label = ord($map->labels[$pixel]);
            if (isset($wanted[$label])) {
                $pixels[$label][] = $pixel;
            }
        }
        $depths = $map->depths();
        $finder = new LineFinder($this->photo);
        $lines = [];
        foreach ($pixels as $label => $of) {
            foreach (array_filter($finder->of($of, $depths)) as $kind => $found) {
                $target = $this->lineOf($wanted[$label], $kind === 'dark');
                if ($target !== null) {
                    $lines += array_fill_keys($found->pixels, $target);
                }
            }
        }

        return $lines;
    }

    /**
     * The darker of two kinds of lines, or the lighter; the only one where its zone has one.
     *
     * @param  non-empty-list<int>  $of  targets
     */
    private function lineOf(array $of, bool $dark): ?int
    {
        usort($of, fn (int $a, int $b): int => $this->targets[$a]->read->L <=> $this->targets[$b]->read->L);
        if (count($of) > 1) {
            return $dark ? $of[0] : $of[count($of) - 1];
        }
        $label = array_find_key($this->accents, static fn (array $accents): bool => in_array($of[0], $accents, true));
        $values = $this->values[$label] ?? [];
        $middle = $values === [] ? null : $this->targets[$values[intdiv(count($values), 2)]]->read->L;

        return $middle === null || ($this->targets[$of[0]]->read->L < $middle) === $dark ? $of[0] : null;
    }
}
