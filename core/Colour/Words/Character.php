<?php

declare(strict_types=1);

namespace Prism\Colour\Words;

use Prism\Colour\Lab;
use Prism\Colour\Wheel;

/**
 * How light a neutral is; of a colour whether it is clean, or has white, black or grey in it: where it lies between the cleanest colour of
 * its hue, white and black.
 */
enum Character: string
{
    case Light = 'light';
    case Middle = 'middle';
    case Dark = 'dark';
    case Tint = 'a tint';
    case Shade = 'a shade';
    case Tone = 'a tone';
    case Clean = 'clean';

    /** L* and C*ab of the cleanest pencils of red, orange, yellow, green, blue and violet. */
    private const CLEANEST = [[50.0, 82.0], [65.0, 85.0], [88.0, 85.0], [58.0, 60.0], [45.0, 60.0], [40.0, 60.0]];

    /** A share of the chroma of those from which on a colour is clean. */
    private const CLEAN_FROM = 0.6;

    /** How far below the mixtures with white, and above those with black, L*, a colour is none of them but greyed. */
    private const GREYED = 15.0;

    public static function of(Lab $lab): self
    {
        if (Family::of($lab)->kind->isNeutral()) {
            return match (true) {
                $lab->L >= 75.0 => self::Light,
                $lab->L >= 45.0 => self::Middle,
                default => self::Dark,
            };
        }
        [$L, $chroma] = self::cleanest(Wheel::position($lab->hueDegrees()));
        $share = $lab->chroma() / $chroma;
        if ($share >= self::CLEAN_FROM) {
            return self::Clean;
        }
        $belowTints = 100.0 - $share * (100.0 - $L) - $lab->L;
        $aboveShades = $lab->L - $share * $L;

        return match (true) {
            min($belowTints, $aboveShades) > self::GREYED => self::Tone,
            $belowTints < $aboveShades => self::Tint,
            default => self::Shade,
        };
    }

    /** @return array{float, float} L* and C*ab */
    private static function cleanest(float $position): array
    {
        $hues = count(self::CLEANEST);
        $place = $position * $hues / Wheel::PARTS;
        $at = (int) $place;
        [$one, $next] = [self::CLEANEST[$at % $hues], self::CLEANEST[($at + 1) % $hues]];

        return [$one[0] + ($place - $at) * ($next[0] - $one[0]), $one[1] + ($place - $at) * ($next[1] - $one[1])];
    }
}
