<?php

declare(strict_types=1);

namespace Prism\Charts;

use Closure;
use Prism\Colour\Lab;
use Prism\Colour\Srgb;
use Prism\Reference\Image\Raster;

/** Measures one filled field of a picture against the paper beside it, and says what is doubtful in it. */
final readonly class FieldMeter
{
    /** Paper darker than this is no paper that can be read, linear light. */
    public const LEAST_WHITE = 0.06;

    /** Paper this much darker than the brightest, as a share, cannot be trusted. */
    public const DEEP_SHADE = 0.22;

    public const SEEMS_EMPTY = 'it seems to be empty';

    public const IN_DEEP_SHADE = 'it lies in deep shadow';

    public const TOO_DARK = 'The picture is too dark: even the bare paper is nearly black. Take it anew in more light.';

    /** Points that are read in a field, across and down. */
    private const ACROSS = 24;

    private const DOWN = 12;

    /** Parts whose means are compared, across and down. */
    private const PARTS = [3, 2];

    /** Root mean square distance of the parts' means from which a field counts as uneven, dE76. */
    private const UNEVEN = 3.0;

    /** Share of points at the sensor's end from which a field counts as glaring. */
    private const GLARE = 0.04;

    private const GLARE_FROM = 0.985;

    /** A field this near to the paper, dE00, was left empty. */
    private const EMPTY = 1.8;

    public function __construct(private Raster $picture, private Lab $paper)
    {
    }

    /**
     * @param  Closure(float, float): array{float, float}  $at  pixels of a place in what is read, by its share across and down
     * @param  Closure(float, float): array{float, float, float}  $whiteAt  linear light of the paper there
     * @return array{colour: Lab, spread: float, doubts: list<string>}
     */
    public function read(Closure $at, Closure $whiteAt, bool $isBare): array
    {
        $own = Srgb::linear($this->paper);
        $sum = [0.0, 0.0, 0.0];
        $parts = [];
        $glare = 0;
        for ($j = 0; $j < self::DOWN; $j++) {
            for ($i = 0; $i < self::ACROSS; $i++) {
                $across = ($i + 0.5) / self::ACROSS;
                $down = ($j + 0.5) / self::DOWN;
                $light = $this->picture->linear(...$at($across, $down));
                $glare += max($light) > self::GLARE_FROM ? 1 : 0;
                $white = $whiteAt($across, $down);
                $part = intdiv($i * self::PARTS[0], self::ACROSS) + self::PARTS[0] * intdiv($j * self::PARTS[1], self::DOWN);
                foreach ($light as $channel => $value) {
                    $true = $value / max(1e-4, $white[$channel]) * $own[$channel];
                    $sum[$channel] += $true;
                    $parts[$part][$channel] = ($parts[$part][$channel] ?? 0.0) + $true;
                }
            }
        }
        $points = self::ACROSS * self::DOWN;
        $colour = self::lab($sum, $points);
        $squares = 0.0;
        foreach ($parts as $part) {
            $lab = self::lab($part, $points / count($parts));
            $squares += ($lab->L - $colour->L) ** 2 + ($lab->a - $colour->a) ** 2 + ($lab->b - $colour->b) ** 2;
        }
        $spread = sqrt($squares / count($parts));
        $doubts = [];
        if ($spread > self::UNEVEN) {
            $doubts[] = 'it is unevenly filled';
        }
        if ($glare > self::GLARE * $points && $colour->L < $this->paper->L - 3.0) {
            $doubts[] = 'it glares';
        }
        if (! $isBare && $colour->differenceTo($this->paper) < self::EMPTY) {
            $doubts[] = self::SEEMS_EMPTY;
        }

        return ['colour' => $colour, 'spread' => $spread, 'doubts' => $doubts];
    }

    /** @param  array<int, float>  $sum */
    private static function lab(array $sum, float $points): Lab
    {
        $lab = Srgb::linearToLab(...array_map(static fn (float $value): float => max(0.0, $value / $points), array_values($sum)));

        return Lab::of(round($lab->L, 2), round($lab->a, 2), round($lab->b, 2));
    }
}
