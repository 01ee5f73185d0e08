<?php

declare(strict_types=1);

namespace Prism\Colour;

/** A light to photograph or to draw in, with its spectrum 380-730 nm. */
enum Lamp: string
{
    case Daylight = 'daylight';
    case NorthLight = 'north-light';
    case WarmLamp = 'warm-lamp';
    case Led = 'led';

    /** Correlated colour temperatures, in kelvin; of the daylights and the glowing wire. */
    private const DAYLIGHT_KELVIN = 5003.0;

    private const NORTH_KELVIN = 7504.0;

    private const WARM_KELVIN = 2700.0;

    /** Components of daylight, CIE 15:2004 table T.2: mean, blue-yellow, green-red. */
    private const S0 = [
        63.4, 65.8, 94.8, 104.8, 105.9, 96.8, 113.9, 125.6, 125.5, 121.3, 121.3, 113.5,
        113.1, 110.8, 106.5, 108.8, 105.3, 104.4, 100.0, 96.0, 95.1, 89.1, 90.5, 90.3,
        88.4, 84.0, 85.1, 81.9, 82.6, 84.9, 81.3, 71.9, 74.3, 76.4, 63.3, 71.7,
    ];

    private const S1 = [
        38.5, 35.0, 43.4, 46.3, 43.9, 37.1, 36.7, 35.9, 32.6, 27.9, 24.3, 20.1,
        16.2, 13.2, 8.6, 6.1, 4.2, 1.9, 0.0, -1.6, -3.5, -3.5, -5.8, -7.2,
        -8.6, -9.5, -10.9, -10.7, -12.0, -14.0, -13.6, -12.0, -13.3, -12.9, -10.6, -11.6,
    ];

    private const S2 = [
        3.0, 1.2, -1.1, -0.5, -0.7, -1.2, -2.6, -2.9, -2.8, -2.6, -2.6, -1.8,
        -1.5, -1.3, -1.2, -1.0, -0.5, -0.3, 0.0, 0.2, 0.5, 2.1, 3.2, 4.1,
        4.7, 5.1, 6.7, 7.3, 8.6, 9.8, 10.2, 8.3, 9.6, 8.5, 7.0, 7.6,
    ];

    public function label(): string
    {
        return match ($this) {
            self::Daylight => 'Daylight',
            self::NorthLight => 'North light',
            self::WarmLamp => 'Warm lamp',
            self::Led => 'LED',
        };
    }

    /** @return array<int, float> relative power, 36 values */
    public function power(): array
    {
        return match ($this) {
            self::Daylight => self::daylight(self::DAYLIGHT_KELVIN),
            self::NorthLight => self::daylight(self::NORTH_KELVIN),
            self::WarmLamp => self::glowing(self::WARM_KELVIN),
            self::Led => self::led(),
        };
    }

    /** @return array{float, float, float} X, Y, Z of its white, Y = 1 */
    public function white(): array
    {
        return Observer::white($this->power());
    }

    /**
     * CIE 15:2004, 3.1: daylight of a colour temperature from 4000 to 25000 K.
     *
     * @return array<int, float>
     */
    private static function daylight(float $kelvin): array
    {
        $x = $kelvin <= 7000.0
            ? -4.6070e9 / $kelvin ** 3 + 2.9678e6 / $kelvin ** 2 + 0.09911e3 / $kelvin + 0.244063
            : -2.0064e9 / $kelvin ** 3 + 1.9018e6 / $kelvin ** 2 + 0.24748e3 / $kelvin + 0.237040;
        $y = -3.0 * $x * $x + 2.87 * $x - 0.275;
        $below = 0.0241 + 0.2562 * $x - 0.7341 * $y;
        $m1 = (-1.3515 - 1.7703 * $x + 5.9114 * $y) / $below;
        $m2 = (0.0300 - 31.4424 * $x + 30.0717 * $y) / $below;
        $power = [];
        foreach (self::S0 as $i => $mean) {
            $power[] = $mean + $m1 * self::S1[$i] + $m2 * self::S2[$i];
        }

        return $power;
    }

    /**
     * Planck's law 1900.
     *
     * @return array<int, float>
     */
    private static function glowing(float $kelvin): array
    {
        $power = [];
        for ($i = 0; $i < Observer::SAMPLES; $i++) {
            $micrometres = (Observer::FIRST_NM + $i * Observer::STEP_NM) / 1000.0;
            $power[] = $micrometres ** -5 / (exp(14387.77 / ($micrometres * $kelvin)) - 1.0);
        }

        return $power;
    }

    /**
     * A blue diode under a yellow phosphor: two bells, set so that together they make about 4200 K.
     *
     * @return array<int, float>
     */
    private static function led(): array
    {
        $power = [];
        for ($i = 0; $i < Observer::SAMPLES; $i++) {
            $nm = Observer::FIRST_NM + $i * Observer::STEP_NM;
            $power[] = 1.12 * exp(-0.5 * (($nm - 452.0) / 10.0) ** 2) + exp(-0.5 * (($nm - 580.0) / 58.0) ** 2);
        }

        return $power;
    }
}
