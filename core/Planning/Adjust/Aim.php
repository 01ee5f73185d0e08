<?php

declare(strict_types=1);

namespace Prism\Planning\Adjust;

use Prism\Colour\Lab;
use Prism\Colour\Wheel;

/** Which way the colours of a zone should go, in CIELAB: what an advice comes to. */
final readonly class Aim
{
    /** How much cooler a zone is made that lies behind a warmer one; how much of its complement a neighbour takes on. */
    private const COOLER = 5.0;

    private const SINGS = 5.0;

    /** What is left of the chroma of a ground that should be quiet. */
    private const QUIET = 0.8;

    /** The hue of the warmest colours, degrees. */
    private const WARMEST_HUE = 55.0;

    /**
     * @param  string  $zone  whose colours go
     * @param  \Closure(Lab): array{float, float, float}  $way  by how much L*, a* and b* of a colour should change
     */
    private function __construct(public string $zone, private \Closure $way)
    {
    }

    public static function lightness(string $zone, float $by): self
    {
        return new self($zone, static fn (): array => [$by, 0.0, 0.0]);
    }

    public static function cooler(string $zone): self
    {
        return new self($zone, static fn (): array => [0.0, -self::COOLER * cos(deg2rad(self::WARMEST_HUE)), -self::COOLER * sin(deg2rad(self::WARMEST_HUE))]);
    }

    public static function quieter(string $zone): self
    {
        return new self($zone, static fn (Lab $colour): array => [0.0, (self::QUIET - 1.0) * $colour->a, (self::QUIET - 1.0) * $colour->b]);
    }

    /** @param  float  $position  on the wheel of eighteen */
    public static function towards(string $zone, float $position): self
    {
        $hue = deg2rad(Wheel::hueDegrees($position));

        return new self($zone, static fn (): array => [0.0, self::SINGS * cos($hue), self::SINGS * sin($hue)]);
    }

    /** @return array{float, float, float} */
    public function of(Lab $colour): array
    {
        return ($this->way)($colour);
    }
}
