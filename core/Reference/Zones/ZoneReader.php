<?php

declare(strict_types=1);

namespace Prism\Reference\Zones;

use Prism\Colour\Lab;
use Prism\Colour\Words\Family;
use Prism\Reference\Image\Field;
use Prism\Reference\Light\LightDirection;
use Prism\Reference\Light\ZoneLight;
use Prism\Reference\Light\ZoneLights;
use Prism\Reference\Lines\AreaPaint;
use Prism\Schools\Surface;

/** Reads zones as a trained eye would: where they are, what colours they have, how they are lit and finished. */
final class ZoneReader
{
    /** Root mean square of it above which a surface is rough, in L*. */
    private const ROUGH = 2.4;

    /** Agreement of gradients, 0-1, from which a surface has a direction. */
    private const DIRECTED = 0.45;

    /** A glint stands out this far, in L*, from a hard surface. */
    private const GLINT = 18.0;

    private const GLINT_FROM = 75.0;

    /** Share of the contrast that lies within two pixels, from which an edge is crisp. */
    private const CRISP = 0.5;

    /** Border contrast, in CIELAB units, from which a zone draws the eye; below the second it is quiet. */
    private const DRAWS_THE_EYE = 24.0;

    private const QUIET = 12.0;

    /** Zones with a lowest point below this share of the height are near, above the second far. */
    private const NEAR = 0.72;

    private const FAR = 0.5;

    /** Reflected light is this much lighter, in L*, than the core of the shadow. */
    private const REFLECTED = 3.0;

    /** Pixels this near to a border may show both sides of it. */
    private const BORDER = 1.5;

    private const WARMEST_HUE = 55.0;

    /** What a pixel of distance from the middle of a zone counts against a pixel of depth. */
    private const OFF_MIDDLE = 0.12;

    /** @var array<int, non-empty-list<int>> pixels of each zone */
    private array $pixels = [];

    /** @var list<float> */
    private readonly array $depths;

    private readonly LineFinder $lines;

    /** @var array<int, array{float, float, float}> mean Lab of each zone */
    private array $means = [];

    /** @var array<int, array<int, int>> */
    private readonly array $touching;

    public function __construct(private readonly Field $field, private readonly ZoneMap $map, private readonly LightDirection $light)
    {
        if ($field->width !== $map->width || $field->height !== $map->height) {
            throw new \InvalidArgumentException('Field and zone map must have one size.');
        }
        $labels = $map->labels;
        $count = $field->count();
        for ($at = 0; $at < $count; $at++) {
            $zone = ord($labels[$at]);
            if ($zone > 0) {
                $this->pixels[$zone][] = $at;
            }
        }
        foreach ($this->pixels as $zone => $pixels) {
            $L = $a = $b = 0.0;
            foreach ($pixels as $at) {
                $L += $field->L[$at];
                $a += $field->a[$at];
                $b += $field->b[$at];
            }
            $n = count($pixels);
            $this->means[$zone] = [$L / $n, $a / $n, $b / $n];
        }
        $this->depths = $map->depths();
        $this->lines = new LineFinder($field);
        $this->touching = $map->touching();
    }

    /**
     * @param  ?list<int>  $only  read these zones alone
     * @param  array<int, AreaPaint>  $paints  of areas that are coloured by rule, by zone
     * @param  list<string>  $taken  names of others
     * @return array<int, ZoneReading> by zone
     */
    public function read(?array $only = null, array $paints = [], array $taken = []): array
    {
        $warmth = $this->meanWarmth();
        $deepest = array_map($this->deepest(...), $this->pixels);
        $parts = (new ZoneLights($this->light, $this->field->width / $this->field->height))->of($this->lightOf($deepest));
        $names = array_fill_keys($taken, true);
        $readings = [];
        foreach ($this->pixels as $zone => $pixels) {
            if ($only !== null && ! in_array($zone, $only, true)) {
                continue;
            }
            $place = $deepest[$zone];
            $x = ($place % $this->field->width + 0.5) / $this->field->width;
            $y = (intdiv($place, $this->field->width) + 0.5) / $this->field->height;
            $colour = Lab::of(...array_map(static fn (float $v): float => round($v, 3), $this->means[$zone]));
            $lines = array_filter($this->lines->of($pixels, $this->depths));
            $between = array_values(array_diff($pixels, ...array_map(static fn (FoundLines $found): array => $found->pixels, array_values($lines))));
            $targets = ZoneColours::of($this->field, $between === [] ? $pixels : $between, $this->depths);
            if (in_array($parts[$zone], [ZoneLight::Shadow, ZoneLight::HalfLit], true)) {
                $reflected = $this->reflected($pixels, count($pixels));
                $targets = $reflected === null ? $targets : [...$targets, $reflected];
            }
            foreach ($lines as $kind => $found) {
                $targets[] = ZoneColours::line($this->field, $found, $kind === 'dark', count($pixels));
            }
            [$texture, $direction, $agreement] = ZoneTexture::of($this->field, $this->depths, $pixels);
            $border = array_sum($this->touching[$zone] ?? []);
            $paint = $paints[$zone] ?? null;
            $reading = new ZoneReading(
                $zone,
                self::proposed($x, $y, $paint->colours->middle ?? $colour, $names),
                count($pixels) / $this->field->count(),
                $x,
                $y,
                $this->depths[$place] / $this->field->width,
                $colour,
                $targets,
                self::surface($texture, $agreement, $targets, $colour->L),
                $agreement >= self::DIRECTED ? $direction : null,
                $this->isCrisp($pixels),
                $this->distance($pixels),
                $this->importance($zone, $pixels),
                $parts[$zone],
                round(self::warmth($this->means[$zone]) - $warmth, 2),
                array_map(static fn (int $length): float => round($length / max(1, $border), 3), $this->touching[$zone] ?? []),
                FormGradient::of($this->field, $this->inner($pixels)),
            );
            $readings[$zone] = $paint === null ? $reading : $reading->painted($paint);
        }

        return $readings;
    }

    /**
     * @param  array<int, int>  $deepest  by zone, the pixel well within it
     * @return array<int, array{colour: Lab, share: float, x: float, y: float, margin: bool, touching: list<int>}> by zone, what tells how it is lit
     */
    private function lightOf(array $deepest): array
    {
        $zones = [];
        foreach ($this->pixels as $zone => $pixels) {
            $place = $deepest[$zone];
            $zones[$zone] = [
                'colour' => Lab::of(...$this->means[$zone]), 'share' => count($pixels) / $this->field->count(),
                'x' => ($place % $this->field->width) / $this->field->width, 'y' => intdiv($place, $this->field->width) / $this->field->height,
                'margin' => $pixels[count($pixels) - 1] >= $this->field->count() - $this->field->width || $pixels[0] < $this->field->width,
                'touching' => array_keys($this->touching[$zone] ?? []),
            ];
        }

        return $zones;
    }

    /**
     * Those that show nothing of the neighbours; all where that leaves too few.
     *
     * @param  non-empty-list<int>  $pixels
     * @return non-empty-list<int>
     */
    private function inner(array $pixels): array
    {
        $inner = array_values(array_filter($pixels, fn (int $at): bool => $this->depths[$at] > self::BORDER));

        return $inner !== [] && count($inner) * 2 > count($pixels) ? $inner : $pixels;
    }

    /** How warm a colour is: its part along orange, negative along blue. */
    public static function warmthOf(Lab $colour): float
    {
        return self::warmth([$colour->L, $colour->a, $colour->b]);
    }

    /** @param  array{float, float, float}  $lab */
    private static function warmth(array $lab): float
    {
        return $lab[1] * cos(deg2rad(self::WARMEST_HUE)) + $lab[2] * sin(deg2rad(self::WARMEST_HUE));
    }

    private function meanWarmth(): float
    {
        $sum = $count = 0.0;
        foreach ($this->pixels as $zone => $pixels) {
            $sum += count($pixels) * self::warmth($this->means[$zone]);
            $count += count($pixels);
        }

        return $count > 0.0 ? $sum / $count : 0.0;
    }

    /**
     * Where it is and what colour, short enough for a label: "lower left, dark green".
     *
     * @param  array<string, true>  $taken  names given so far
     */
    private static function proposed(float $x, float $y, Lab $colour, array &$taken): string
    {
        $row = $y < 1 / 3 ? 'upper' : ($y < 2 / 3 ? '' : 'lower');
        $column = $x < 1 / 3 ? 'left' : ($x < 2 / 3 ? '' : 'right');
        $place = trim("$row $column") ?: 'centre';
        // The admixture is told where a colour is read; a name does with the base.
        $family = Family::of($colour)->kind;
        $value = match (true) {
            $family->tellsValue() => '',
            $colour->L >= 76.0 => 'pale ',
            $colour->L >= 60.0 => 'light ',
            $colour->L >= 40.0 => '',
            $colour->L >= 22.0 => 'dark ',
            default => 'deep ',
        };
        $name = sprintf('%s, %s%s', $place, $value, $family->value);
        $proposed = $name;
        for ($i = 2; isset($taken[$proposed]); $i++) {
            $proposed = "$name $i";
        }
        $taken[$proposed] = true;

        return $proposed;
    }

    /**
     * Well within, and rather in the middle than at an end.
     *
     * @param  non-empty-list<int>  $pixels
     */
    private function deepest(array $pixels): int
    {
        $width = $this->field->width;
        $sumX = $sumY = 0;
        foreach ($pixels as $at) {
            $sumX += $at % $width;
            $sumY += intdiv($at, $width);
        }
        $middleX = $sumX / count($pixels);
        $middleY = $sumY / count($pixels);
        $best = $pixels[0];
        $most = -INF;
        foreach ($pixels as $at) {
            $score = $this->depths[$at] - self::OFF_MIDDLE * hypot($at % $width - $middleX, intdiv($at, $width) - $middleY);
            if ($score > $most) {
                $most = $score;
                $best = $at;
            }
        }

        return $best;
    }

    /** @param  list<ZoneTarget>  $targets */
    private static function surface(float $texture, float $agreement, array $targets, float $L): Surface
    {
        foreach ($targets as $target) {
            if ($target->role === TargetRole::Accent && $target->colour->L > max(self::GLINT_FROM, $L + self::GLINT) && $target->share < 0.08) {
                return Surface::Hard;
            }
        }

        return match (true) {
            $texture < self::ROUGH => Surface::Smooth,
            $agreement >= self::DIRECTED => Surface::Stranded,
            default => Surface::Rough,
        };
    }

    /** @param  non-empty-list<int>  $pixels */
    private function isCrisp(array $pixels): bool
    {
        [$width, $count, $L, $a, $b, $labels] = [$this->field->width, $this->field->count(), $this->field->L, $this->field->a, $this->field->b, $this->map->labels];
        $near = $far = 0.0;
        foreach ($pixels as $at) {
            if ($this->depths[$at] > 1.0) {
                continue;
            }
            $column = $at % $width;
            for ($k = 0; $k < 2; $k++) {
                $step = $k === 0 ? 1 : $width;
                if (($k === 0 && ($column < 5 || $column >= $width - 5)) || $at - 5 * $step < 0 || $at + 5 * $step >= $count || $labels[$at - $step] === $labels[$at + $step]) {
                    continue;
                }
                $near += sqrt(($L[$at + $step] - $L[$at - $step]) ** 2 + ($a[$at + $step] - $a[$at - $step]) ** 2 + ($b[$at + $step] - $b[$at - $step]) ** 2);
                $far += sqrt(($L[$at + 5 * $step] - $L[$at - 5 * $step]) ** 2 + ($a[$at + 5 * $step] - $a[$at - 5 * $step]) ** 2 + ($b[$at + 5 * $step] - $b[$at - 5 * $step]) ** 2);
            }
        }

        return $far > 0.0 && $near / $far >= self::CRISP;
    }

    /** @param  non-empty-list<int>  $pixels */
    private function distance(array $pixels): Distance
    {
        $lowest = intdiv($pixels[count($pixels) - 1], $this->field->width) / $this->field->height;
        $highest = intdiv($pixels[0], $this->field->width) / $this->field->height;

        return match (true) {
            $lowest >= self::NEAR && $highest > 0.05 => Distance::Near,
            $lowest < self::FAR || $highest <= 0.05 => Distance::Far,
            default => Distance::Between,
        };
    }

    /** @param  non-empty-list<int>  $pixels */
    private function importance(int $zone, array $pixels): int
    {
        $contrast = $length = 0.0;
        [$L, $a, $b] = $this->means[$zone];
        foreach ($this->touching[$zone] ?? [] as $other => $border) {
            [$oL, $oa, $ob] = $this->means[$other];
            $contrast += $border * sqrt(($L - $oL) ** 2 + ($a - $oa) ** 2 + ($b - $ob) ** 2);
            $length += $border;
        }
        $contrast = $length > 0.0 ? $contrast / $length : 0.0;
        $margin = 0;
        foreach ($pixels as $at) {
            $x = $at % $this->field->width;
            $margin += $x === 0 || $x === $this->field->width - 1 || $at < $this->field->width || $at >= $this->field->count() - $this->field->width ? 1 : 0;
        }
        $atMargin = $margin > 0.12 * ($length + $margin);

        return match (true) {
            $contrast >= self::DRAWS_THE_EYE && ! $atMargin => 3,
            // Between paper margins there is nothing that it stands out from.
            $length === 0.0 && ! $atMargin => 2,
            $contrast < self::QUIET || $atMargin => 1,
            default => 2,
        };
    }

    /**
     * The rim of a shadow side away from the light, if it is lighter than the core.
     *
     * @param  non-empty-list<int>  $pixels
     */
    private function reflected(array $pixels, int $area): ?ZoneTarget
    {
        $ratio = $this->field->width / $this->field->height;
        $along = [];
        foreach ($pixels as $at) {
            $along[$at] = $this->light->along(($at % $this->field->width) / $this->field->width, intdiv($at, $this->field->width) / $this->field->height, $ratio);
        }
        asort($along);
        $order = array_keys($along);
        $rim = array_slice($order, 0, max(1, (int) (0.22 * $area)));
        $core = array_slice($order, (int) (0.35 * $area), max(1, (int) (0.35 * $area)));
        // The outermost pixels mix with what lies behind.
        $rim = array_values(array_filter($rim, fn (int $at): bool => $this->depths[$at] > 2.5));
        if ($rim === [] || $core === [] || count($rim) < 0.06 * $area) {
            return null;
        }
        $mean = fn (array $plane, array $of): float => array_sum(array_map(static fn (int $at): float => $plane[$at], $of)) / count($of);
        $L = $mean($this->field->L, $rim);
        if ($L - $mean($this->field->L, $core) < self::REFLECTED) {
            return null;
        }
        $place = $this->deepest($rim);

        return new ZoneTarget(
            TargetRole::Reflected,
            Lab::of(round($L, 3), round($mean($this->field->a, $rim), 3), round($mean($this->field->b, $rim), 3)),
            count($rim) / $area,
            0.0,
            ($place % $this->field->width + 0.5) / $this->field->width,
            (intdiv($place, $this->field->width) + 0.5) / $this->field->height,
        );
    }
}
