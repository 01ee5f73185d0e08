<?php

declare(strict_types=1);

namespace Prism\Reference\Light;

use Prism\Colour\Adaptation;
use Prism\Colour\Lab;
use Prism\Colour\Lamp;
use Prism\Colour\Observer;
use Prism\Colour\Spectrum;
use Prism\Colour\Srgb;
use Prism\Colour\UnderLamp;
use Prism\Maths\LinearSystem;
use Prism\Reference\LookRefused;

/** A change of a picture's light: three by three, on linear sRGB. */
final readonly class ColourMatrix
{
    /** Reflectance of a grey card. */
    public const GREY_CARD = 0.18;

    /** @param  array{array{float, float, float}, array{float, float, float}, array{float, float, float}}  $rows */
    private function __construct(public array $rows)
    {
    }

    public static function none(): self
    {
        return new self([[1.0, 0.0, 0.0], [0.0, 1.0, 0.0], [0.0, 0.0, 1.0]]);
    }

    /**
     * Makes a patch that is neutral in truth neutral in the picture; it stays as light as it was.
     *
     * @throws LookRefused if the patch is too dark or too light to tell the light by
     */
    public static function byNeutral(Lab $patch): self
    {
        if ($patch->L < 15.0 || $patch->L > 98.5) {
            throw new LookRefused(sprintf('This patch has L %.0f: too %s to tell the light by. Choose a grey or white thing between L 15 and 98 that is not burnt out.', $patch->L, $patch->L < 15.0 ? 'dark' : 'light'));
        }
        if ($patch->chroma() > 45.0) {
            throw new LookRefused(sprintf('This patch is no grey under any lamp: its chroma is %.0f. Choose something white, grey or black.', $patch->chroma()));
        }

        return self::adapting(self::xyz($patch), self::white($patch));
    }

    /**
     * Makes the patch of a grey card the grey that it is, in lightness too.
     *
     * @throws LookRefused as in {@see self::byNeutral()}
     */
    public static function byGreyCard(Lab $patch): self
    {
        return self::byNeutral($patch)->times(self::GREY_CARD / self::xyz($patch)[1]);
    }

    /** What was photographed under a lamp, by a camera set for daylight, as daylight shows it. */
    public static function byLamp(Lamp $lamp): self
    {
        return self::adapting($lamp->white(), Lamp::Daylight->white());
    }

    /**
     * How a drawing that matches the picture in daylight looks under a lamp to an eye that has partly got used to it.
     *
     * The picture has no spectra: those of surfaces with its colours are rebuilt, lit, and the best matrix for all of them
     * is taken, by least squares.
     */
    public static function under(Lamp $lamp): self
    {
        if ($lamp === Lamp::Daylight) {
            return self::none();
        }
        $seen = UnderLamp::adaptation($lamp);
        $normal = array_fill(0, 3, array_fill(0, 3, 0.0));
        $rights = array_fill(0, 3, array_fill(0, 3, 0.0));
        foreach (self::surfaces() as [$linear, $samples]) {
            // In XYZ first; the sum over surfaces of (rgb rgb^T) m = rgb xyz.
            $xyz = Adaptation::apply($seen, Observer::underLight($samples, $lamp->power()));
            for ($i = 0; $i < 3; $i++) {
                for ($j = 0; $j < 3; $j++) {
                    $normal[$i][$j] += $linear[$i] * $linear[$j];
                    $rights[$j][$i] += $linear[$i] * $xyz[$j];
                }
            }
        }
        $toXyz = LinearSystem::solveAll($normal, $rights);
        $rows = [];
        for ($i = 0; $i < 3; $i++) {
            $row = [];
            for ($j = 0; $j < 3; $j++) {
                $row[] = $toXyz[$i][$j];
            }
            $rows[] = [$row[0], $row[1], $row[2]];
        }

        return new self(Srgb::fromXyzOf([$rows[0], $rows[1], $rows[2]]));
    }

    /** @param  array<array-key, mixed>  $rows  as kept by {@see self::$rows} */
    public static function kept(array $rows): self
    {
        $flat = array_map(floatval(...), array_merge(...array_map(array_values(...), array_values(array_filter($rows, is_array(...))))));
        if (count($flat) !== 9) {
            throw new \UnexpectedValueException('Not a matrix of three by three.');
        }

        return new self([[$flat[0], $flat[1], $flat[2]], [$flat[3], $flat[4], $flat[5]], [$flat[6], $flat[7], $flat[8]]]);
    }

    public function isNone(): bool
    {
        return $this->rows === self::none()->rows;
    }

    public function of(Lab $colour): Lab
    {
        [$r, $g, $b] = Adaptation::apply($this->rows, Srgb::linear($colour));

        return Srgb::linearToLab(max(0.0, $r), max(0.0, $g), max(0.0, $b));
    }

    private function times(float $gain): self
    {
        $row = static fn (array $r): array => [$gain * $r[0], $gain * $r[1], $gain * $r[2]];

        return new self([$row($this->rows[0]), $row($this->rows[1]), $row($this->rows[2])]);
    }

    /**
     * @param  array{float, float, float}  $from
     * @param  array{float, float, float}  $to
     */
    private static function adapting(array $from, array $to): self
    {
        return new self(Srgb::inLinearLight(Adaptation::matrix($from, $to)));
    }

    /** @return array{float, float, float} */
    private static function xyz(Lab $lab): array
    {
        return Srgb::xyz(Srgb::linear($lab));
    }

    /** @return array{float, float, float} of the neutral as light as a colour */
    private static function white(Lab $lab): array
    {
        return self::xyz(Lab::of($lab->L, 0.0, 0.0));
    }

    /** @return list<array{array{float, float, float}, array<int, float>}> linear light and spectrum of surfaces all over sRGB */
    private static function surfaces(): array
    {
        static $surfaces = null;
        if ($surfaces === null) {
            $surfaces = [];
            foreach ([40, 130, 220] as $red) {
                foreach ([40, 130, 220] as $green) {
                    foreach ([40, 130, 220] as $blue) {
                        $lab = Srgb::toLab($red, $green, $blue);
                        $surfaces[] = [Srgb::linear($lab), Spectrum::fromLab($lab)->samples()];
                    }
                }
            }
        }

        return $surfaces;
    }
}
