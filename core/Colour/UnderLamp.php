<?php

declare(strict_types=1);

namespace Prism\Colour;

/** What a surface looks like under a lamp to an eye that has partly got used to it, told as a colour in daylight. */
final class UnderLamp
{
    /** How far the eye gets used to a lamp: the rest of its cast stays seen. */
    public const ADAPTED = 0.8;

    /**
     * @param  array<int, float>  $reflectance  12 bands, 0-1
     */
    public static function ofBands(array $reflectance, Lamp $lamp): Lab
    {
        if ($lamp === Lamp::Daylight) {
            return Bands::toLab($reflectance);
        }
        $samples = [];
        for ($i = 0; $i < Observer::SAMPLES; $i++) {
            $at = max(0.0, min(Bands::COUNT - 1.000001, (Observer::FIRST_NM + $i * Observer::STEP_NM - Bands::FIRST_NM) / Bands::STEP_NM));
            $low = (int) $at;
            $samples[] = $reflectance[$low] + ($at - $low) * ($reflectance[$low + 1] - $reflectance[$low]);
        }
        $own = Bands::toLab($reflectance)->toRelativeXyz();
        $between = Observer::underLight($samples, Lamp::Daylight->power());
        $lit = Observer::underLight($samples, $lamp->power());
        $white = Lamp::Daylight->white();
        // What is lost between the bands is the same under every lamp, nearly: in daylight it is known.
        foreach ($lit as $i => $value) {
            $lit[$i] = $between[$i] > 1e-6 ? $value * $own[$i] * $white[$i] / $between[$i] : $value;
        }

        return self::seen([$lit[0], $lit[1], $lit[2]], $lamp);
    }

    /** Of a colour of which no spectrum is known: the smoothest one that it can have is taken. */
    public static function of(Lab $colour, Lamp $lamp): Lab
    {
        return $lamp === Lamp::Daylight ? $colour : self::seen(Observer::underLight(Spectrum::fromLab($colour)->samples(), $lamp->power()), $lamp);
    }

    /** @return array{array{float, float, float}, array{float, float, float}, array{float, float, float}} on X, Y, Z */
    public static function adaptation(Lamp $lamp): array
    {
        return Adaptation::matrix($lamp->white(), Lamp::Daylight->white(), self::ADAPTED);
    }

    /** @param  array{float, float, float}  $lit  X, Y, Z under the lamp */
    private static function seen(array $lit, Lamp $lamp): Lab
    {
        $white = Lamp::Daylight->white();
        [$x, $y, $z] = Adaptation::apply(self::adaptation($lamp), $lit);

        return Lab::fromRelativeXyz(max(0.0, $x / $white[0]), max(0.0, $y / $white[1]), max(0.0, $z / $white[2]));
    }
}
