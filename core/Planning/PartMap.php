<?php

declare(strict_types=1);

namespace Prism\Planning;

use Prism\Colour\Lab;
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
final readonly class PartMap
{
    /** A pixel is an accent if it is so much nearer to it than to the local colour, in CIELAB. */
    private const ACCENT_NEARER = 0.6;

    /** In a map of fewer pixels across, lines are too thin to be found. */
    private const SHOWS_LINES = 400;

    /** Strokes cross a soft border by this share of the width. */
    private const CROSSES = 0.006;

    private string $labels;

    /** @var list<PictureTarget> */
    public array $targets;

    /** @var array<int, non-empty-list<int>> by label: light, middle and dark by index, darkest first */
    private array $values;

    /** @var array<int, non-empty-list<int>> by label: what lies where the photo is nearest to it */
    private array $accents;

    /** @var array<int, int> by pixel, the lines that it lies on */
    private array $lines;

    /**
     * @param  Field  $photo  of the size of the map
     * @param  list<PictureZone>  $zones
     */
    public function __construct(private Field $photo, ZoneMap $map, array $zones)
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
        $this->labels = self::crossed($map, $zones);
        $this->lines = $this->linesOf($map, $zones);
    }

    /**
     * The two colours that a pixel lies between, by index, and how far it is on the way from the first to the second.
     *
     * @return ?array{int, int, float} null: no zone, or none with a light, a middle or a dark
     */
    public function at(int $pixel): ?array
    {
        if (isset($this->lines[$pixel])) {
            return [$this->lines[$pixel], $this->lines[$pixel], 0.0];
        }
        $label = ord($this->labels[$pixel]);
        $values = $this->values[$label] ?? null;
        if ($values === null) {
            return null;
        }
        $L = $this->photo->L[$pixel];
        $last = count($values) - 1;
        $lies = [$values[$last], $values[$last], 0.0];
        if ($L <= $this->targets[$values[0]]->read->L) {
            $lies = [$values[0], $values[0], 0.0];
        } else {
            for ($i = 0; $i < $last; $i++) {
                $high = $this->targets[$values[$i + 1]]->read->L;
                if ($L < $high) {
                    $low = $this->targets[$values[$i]]->read->L;
                    $lies = [$values[$i], $values[$i + 1], ($L - $low) / max(1e-6, $high - $low)];

                    break;
                }
            }
        }
        if (isset($this->accents[$label])) {
            $near = $this->accent($this->accents[$label], $lies[2] < 0.5 ? $lies[0] : $lies[1], $pixel);
            if ($near !== null) {
                return [$near, $near, 0.0];
            }
        }

        return $lies;
    }

    /**
     * All of it: for each pixel three bytes, the two colours that it lies between, counted from 1 (0: none), and how far it is on the
     * way from the first to the second, of 255. Colours beyond the 255th are none.
     */
    public function bytes(): string
    {
        $bytes = '';
        for ($at = 0, $count = $this->photo->count(); $at < $count; $at++) {
            $lies = $this->at($at);
            $bytes .= $lies === null || max($lies[0], $lies[1]) > 254 ? "\0\0\0" : chr($lies[0] + 1).chr($lies[1] + 1).chr((int) round(255.0 * $lies[2]));
        }

        return $bytes;
    }

    /**
     * Where some colours lie.
     *
     * @param  list<string>  $targets  ids
     * @return string a byte a pixel: 0 nowhere, 255 altogether
     */
    public function mask(array $targets): string
    {
        $wanted = array_map(static fn (PictureTarget $target): float => in_array($target->id, $targets, true) ? 255.0 : 0.0, $this->targets);
        $mask = '';
        for ($at = 0, $count = $this->photo->count(); $at < $count; $at++) {
            $lies = $this->at($at);
            $mask .= $lies === null ? "\0" : chr((int) round($wanted[$lies[0]] + $lies[2] * ($wanted[$lies[1]] - $wanted[$lies[0]])));
        }

        return $mask;
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

    /** @param  non-empty-list<int>  $accents */
    private function accent(array $accents, int $local, int $pixel): ?int
    {
        [$L, $a, $b] = [$this->photo->L[$pixel], $this->photo->a[$pixel], $this->photo->b[$pixel]];
        $least = self::ACCENT_NEARER ** 2 * self::awaySquared($this->targets[$local]->read, $L, $a, $b);
        $near = null;
        foreach ($accents as $accent) {
            $away = self::awaySquared($this->targets[$accent]->read, $L, $a, $b);
            if ($away < $least) {
                $least = $away;
                $near = $accent;
            }
        }

        return $near;
    }

    private static function awaySquared(Lab $from, float $L, float $a, float $b): float
    {
        return ($L - $from->L) ** 2 + ($a - $from->a) ** 2 + ($b - $from->b) ** 2;
    }
}
