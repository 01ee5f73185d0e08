<?php

declare(strict_types=1);

namespace Prism\Reference\Light;

use Prism\Colour\Lab;
use Prism\Colour\Srgb;

/**
 * How each zone is lit. Touching zones of one chromaticity are parts of one thing and differ in light only: what covers enough
 * of it and is lightest is lit, the others by how much less light they get, more readily dark away from the light. A very
 * dark zone is in shadow, whatever it is part of. A dark part of a ground or a wall, which reaches the margin of the picture,
 * lies under a cast shadow if something else stands between it and the light.
 *
 * The limits were set on three rendered scenes of which the truth is known, and are measured on a fourth as well (`prism:bench`).
 */
final readonly class ZoneLights
{
    /** Two parts of one thing have nearly the same chromaticity: within this of r + g + b = 1. */
    private const SAME_THING = 0.06;

    /** Its lit part is the one of which no more than this share of the thing is lighter: a glint is not what it is measured by. */
    private const GLINT_SHARE = 0.15;

    /** Luminance against that part: above is lit, below the second in shadow. */
    private const LIT = 0.4;

    private const SHADOW = 0.3;

    /** Darker than this, L*, a zone is in shadow; below the second it gets half the light at most. */
    private const DARK = 24.0;

    private const DIM = 30.0;

    /** Larger zones, as shares of the picture, are grounds and walls: they lie in the light or further from the lamp, and no shadow is as large. */
    private const GROUND = 0.12;

    /** How much lighter a zone may look, in logarithms of its luminance, that lies this far towards the light from those it touches. */
    private const TOWARDS = 0.3;

    private const TOWARDS_SPAN = 0.15;

    public function __construct(private LightDirection $light, private float $ratio)
    {
    }

    /**
     * @param  array<int, array{colour: Lab, share: float, x: float, y: float, margin: bool, touching: list<int>}>  $zones  by zone: mean colour, share of the picture,
     *                                                                                                             where it lies (0-1), whether it reaches the upper or lower margin, what it touches
     * @return array<int, ZoneLight> by zone
     */
    public function of(array $zones): array
    {
        $thing = self::things($zones);
        $lights = [];
        foreach ($zones as $zone => $own) {
            $of = array_filter($zones, static fn (int $other): bool => $thing[$other] === $thing[$zone], ARRAY_FILTER_USE_KEY);
            $share = $this->luminance($own['colour']) / max(1e-6, $this->lit($of)) * exp($this->towards($own, $zones));
            $light = match (true) {
                $own['colour']->L < self::DARK => ZoneLight::Shadow,
                $share >= self::LIT => $own['colour']->L < self::DIM ? ZoneLight::HalfLit : ZoneLight::Lit,
                $share >= self::SHADOW => $own['colour']->L < self::DIM ? ZoneLight::Shadow : ZoneLight::HalfLit,
                default => ZoneLight::Shadow,
            };
            $isGround = array_filter($of, static fn (array $part): bool => $part['margin']) !== [];
            $lights[$zone] = $light === ZoneLight::Shadow && $isGround && $own['share'] < self::GROUND && $this->liesBehindAnother($own, $thing[$zone], $zones, $thing) ? ZoneLight::CastShadow : $light;
        }

        return $lights;
    }

    /**
     * @param  array<int, array{colour: Lab, share: float, x: float, y: float, margin: bool, touching: list<int>}>  $zones
     * @return array<int, int> by zone: one zone of its thing, the same for all of them
     */
    private static function things(array $zones): array
    {
        $thing = array_combine(array_keys($zones), array_keys($zones));
        foreach ($zones as $zone => $own) {
            foreach ($own['touching'] as $other) {
                if ($zone < $other && isset($zones[$other]) && $thing[$zone] !== $thing[$other] && self::isSameThing($own['colour'], $zones[$other]['colour'])) {
                    $joined = $thing[$other];
                    $thing = array_map(static fn (int $of): int => $of === $joined ? $thing[$zone] : $of, $thing);
                }
            }
        }

        return $thing;
    }

    private static function isSameThing(Lab $one, Lab $other): bool
    {
        $chromaticity = static function (Lab $colour): array {
            $linear = array_map(static fn (float $v): float => max(1e-4, $v), Srgb::linear($colour));

            return [$linear[0] / array_sum($linear), $linear[1] / array_sum($linear)];
        };
        [$r1, $g1] = $chromaticity($one);
        [$r2, $g2] = $chromaticity($other);

        return hypot($r1 - $r2, $g1 - $g2) < self::SAME_THING;
    }

    /**
     * Luminance of the part of a thing that is lit.
     *
     * @param  array<int, array{colour: Lab, share: float, x: float, y: float, margin: bool, touching: list<int>}>  $parts
     */
    private function lit(array $parts): float
    {
        uasort($parts, static fn (array $a, array $b): int => $b['colour']->L <=> $a['colour']->L);
        $all = array_sum(array_column($parts, 'share'));
        $lighter = 0.0;
        foreach ($parts as $part) {
            $lighter += $part['share'];
            if ($lighter >= self::GLINT_SHARE * $all) {
                return $this->luminance($part['colour']);
            }
        }

        return 0.0;
    }

    /**
     * Of a part of a form, how far it lies towards the light, as logarithm of luminance.
     *
     * @param  array{colour: Lab, share: float, x: float, y: float, margin: bool, touching: list<int>}  $own
     * @param  array<int, array{colour: Lab, share: float, x: float, y: float, margin: bool, touching: list<int>}>  $zones
     */
    private function towards(array $own, array $zones): float
    {
        if ($own['share'] >= self::GROUND) {
            return 0.0;
        }
        $near = [$own];
        foreach ($own['touching'] as $other) {
            if (isset($zones[$other]) && $zones[$other]['share'] < self::GROUND) {
                $near[] = $zones[$other];
            }
        }
        $sum = 0.0;
        foreach ($near as $zone) {
            $sum += $zone['share'] * $this->along($zone);
        }
        $ahead = $this->along($own) - $sum / max(1e-9, array_sum(array_column($near, 'share')));

        return self::TOWARDS * max(-1.0, min(1.0, $ahead / self::TOWARDS_SPAN));
    }

    /**
     * @param  array{colour: Lab, share: float, x: float, y: float, margin: bool, touching: list<int>}  $own
     * @param  array<int, array{colour: Lab, share: float, x: float, y: float, margin: bool, touching: list<int>}>  $zones
     * @param  array<int, int>  $thingOf
     */
    private function liesBehindAnother(array $own, int $thing, array $zones, array $thingOf): bool
    {
        foreach ($own['touching'] as $other) {
            if (isset($zones[$other]) && $thingOf[$other] !== $thing && $this->along($zones[$other]) > $this->along($own)) {
                return true;
            }
        }

        return false;
    }

    /** @param  array{colour: Lab, share: float, x: float, y: float, margin: bool, touching: list<int>}  $zone */
    private function along(array $zone): float
    {
        return $this->light->along($zone['x'], $zone['y'], $this->ratio);
    }

    private function luminance(Lab $colour): float
    {
        return Lab::of(max(0.0, min(100.0, $colour->L)), 0.0, 0.0)->toRelativeXyz()[1];
    }
}
