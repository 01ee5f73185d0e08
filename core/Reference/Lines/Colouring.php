<?php

declare(strict_types=1);

namespace Prism\Reference\Lines;

use Prism\Colour\Lab;
use Prism\Colour\Srgb;
use Prism\Reference\Light\LightDirection;
use Prism\Reference\Zones\ZoneMap;

/**
 * What a line drawing looks like coloured: each area in its light, middle and dark by how far its form turns to the light (Lambert's
 * law), as an artist lays them: each lies plain, and passes softly into the next.
 */
final class Colouring
{
    /** How high the light stands over the paper, degrees. */
    private const ELEVATION = 40.0;

    /** Share of the light, 0-1, up to which it is all dark; from and up to which it is all middle; from which it is all light. */
    private const DARK = 0.12;

    private const MIDDLE = [0.38, 0.62];

    private const LIGHT = 0.86;

    /** How near to the mirror's direction a highlight begins and is full: cosine. */
    private const GLINT = [0.965, 0.982];

    /** How much of the paper a highlight shows. */
    private const BARE = 0.92;

    private const TONES = 255;

    /**
     * @param  ZoneMap  $areas  whole, by which forms swell
     * @param  ZoneMap  $zones  the same without what stays paper
     * @param  array<int, AreaPaint>  $paints  by zone; one without stays paper
     * @return string three bytes a pixel, sRGB
     */
    public static function of(ZoneMap $areas, ZoneMap $zones, array $paints, LightDirection $light, Lab $paper): string
    {
        $swelling = array_keys(array_filter($paints, static fn (AreaPaint $paint): bool => $paint->form !== AreaForm::Flat));
        $bodies = array_map(static fn (int $zone): int => $paints[$zone]->body, array_combine($swelling, $swelling));
        $height = $swelling === [] ? [] : Relief::of($areas->renumbered($bodies), array_values(array_unique($bodies)));
        [$tones, $glints] = [[], []];
        foreach ($paints as $zone => $paint) {
            [$tones[$zone], $glints[$zone]] = self::tones($paint->colours, $paper);
        }
        $blank = self::bytes($paper);
        $flat = array_fill_keys(array_diff(array_keys($paints), $swelling), true);
        $elevation = deg2rad(self::ELEVATION);
        [$lx, $ly, $lz] = [cos(deg2rad($light->degrees)) * cos($elevation), -sin(deg2rad($light->degrees)) * cos($elevation), sin($elevation)];
        // Half way between the light and the eye, which looks straight down.
        $half = sqrt($lx ** 2 + $ly ** 2 + ($lz + 1.0) ** 2);
        [$hx, $hy, $hz] = [$lx / $half, $ly / $half, ($lz + 1.0) / $half];
        [$width, $count] = [$zones->width, $zones->width * $zones->height];
        $rgb = '';
        for ($at = 0; $at < $count; $at++) {
            $zone = ord($zones->labels[$at]);
            if ($zone === 0 || ! isset($tones[$zone])) {
                $rgb .= $blank;

                continue;
            }
            if (isset($flat[$zone])) {
                $rgb .= $tones[$zone][self::TONES >> 1];

                continue;
            }
            $u = $height[$at];
            // The normal of a form whose height is the root of u.
            $nx = 0.25 * (($height[$at - 1] ?? 0.0) - ($height[$at + 1] ?? 0.0));
            $ny = 0.25 * (($height[$at - $width] ?? 0.0) - ($height[$at + $width] ?? 0.0));
            $length = sqrt($nx * $nx + $ny * $ny + $u);
            if ($length < 1e-6) {
                $rgb .= $tones[$zone][self::TONES >> 1];

                continue;
            }
            if ($paints[$zone]->form === AreaForm::Hollow) {
                [$nx, $ny] = [-$nx, -$ny];
            }
            $nz = sqrt($u);
            $lit = max(0.0, ($nx * $lx + $ny * $ly + $nz * $lz) / $length);
            $tone = (int) (self::TONES * $lit);
            $mirrors = ($nx * $hx + $ny * $hy + $nz * $hz) / $length;
            if ($paints[$zone]->shines && $mirrors > self::GLINT[0]) {
                $rgb .= $glints[$zone][(int) (self::TONES * min(1.0, ($mirrors - self::GLINT[0]) / (self::GLINT[1] - self::GLINT[0])))];

                continue;
            }
            $rgb .= $tones[$zone][$tone];
        }

        return $rgb;
    }

    /** @return array{list<string>, list<string>} the bytes of a colour by how lit it is, and by how much of a highlight it is */
    private static function tones(AreaColours $colours, Lab $paper): array
    {
        $tones = $glints = [];
        for ($tone = 0; $tone <= self::TONES; $tone++) {
            $lit = $tone / self::TONES;
            $tones[] = self::bytes($lit < self::MIDDLE[0]
                ? $colours->dark->towards($colours->middle, self::eased(($lit - self::DARK) / (self::MIDDLE[0] - self::DARK)))
                : $colours->middle->towards($colours->light, self::eased(($lit - self::MIDDLE[1]) / (self::LIGHT - self::MIDDLE[1]))));
            $glints[] = self::bytes($colours->light->towards($paper, self::BARE * self::eased($lit)));
        }

        return [$tones, $glints];
    }

    /** From nothing to all without a corner. */
    private static function eased(float $share): float
    {
        $t = max(0.0, min(1.0, $share));

        return $t * $t * (3.0 - 2.0 * $t);
    }

    private static function bytes(Lab $colour): string
    {
        return pack('C3', ...Srgb::bytes($colour));
    }
}
