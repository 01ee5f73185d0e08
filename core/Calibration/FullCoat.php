<?php

declare(strict_types=1);

namespace Prism\Calibration;

use Prism\Colour\Bands;
use Prism\Colour\Reconstruction;
use Prism\Layering\Hand;
use Prism\Layering\PencilOptics;
use Prism\Layering\Tooth;
use Prism\Layering\ToothModel;
use Prism\Materials\Binder;
use Prism\Materials\Pencil;

/**
 * Optics of a pencil from one measured coat and what the maker says of it (binder, opacity).
 *
 * Scattering comes from the opacity; absorption is then found band by band so that the model, laying the same coat,
 * gives the measured reflectance. What one coat on white paper cannot tell (K from S) is the prior; swatches over other
 * colours mend it.
 */
final class FullCoat
{
    /** The coat meant by a colour in a pencil table: heavy, twice over. */
    public const PRESSURE_PERCENT = 90.0;

    public const PASSES = 2;

    /** Pencils lighter than this hold white, which scatters and is slick. */
    private const PALE_FROM = 70.0;

    /** Pale oil is this much slicker, against pale wax. */
    private const OIL_PALE = 0.3;

    private const MAX_ABSORPTION = 60.0;

    private const MAX_SCATTERING = 40.0;

    private const HALVINGS = 44;

    public function __construct(private readonly Tooth $tooth, private readonly Hand $hand)
    {
    }

    /**
     * @param  array<int, float>  $measured  12 bands of the coat on this paper
     */
    public function optics(Pencil $pencil, array $measured, float $pressurePercent = self::PRESSURE_PERCENT, int $passes = self::PASSES): PencilOptics
    {
        $start = self::prior($pencil, Bands::toLab($measured)->L, $this->hand);
        $model = new ToothModel($this->tooth, $this->hand, []);
        $lay = static fn (PencilOptics $optics): array => $model->layer($model->bare(), $optics, $pressurePercent / 100.0, $passes)->bands();

        return self::absorption($lay, self::scattering($lay, $start, $measured), $measured);
    }

    /**
     * What maker's word and binder say of a pencil whose heavy coat has this L*; its absorption is a grey until a colour
     * tells more.
     */
    public static function prior(Pencil $pencil, float $L, Hand $hand): PencilOptics
    {
        $wax = $pencil->binder === Binder::Wax;
        $paleness = max(0.0, ($L - self::PALE_FROM) / (100.0 - self::PALE_FROM));

        return new PencilOptics(
            array_fill(0, Bands::COUNT, 1.0),
            array_fill(0, Bands::COUNT, $hand->scattering * $pencil->opacity->scattering() ** $hand->opacityPower * exp($hand->paleScattering * $paleness * max(0.0, log($pencil->opacity->scattering())))),
            $wax ? 1.0 : $hand->oilTransfer,
            $wax ? $hand->waxSlick + $hand->paleSlick * $paleness : $hand->oilSlick + self::OIL_PALE * $hand->paleSlick * $paleness,
            $wax ? $hand->waxDrag : $hand->oilDrag,
        );
    }

    /**
     * Where the coat is lighter than pigment of this opacity could make it, it scatters more.
     *
     * @param  \Closure(PencilOptics): array<int, float>  $lay
     * @param  array<int, float>  $measured
     */
    private static function scattering(\Closure $lay, PencilOptics $optics, array $measured): PencilOptics
    {
        $none = array_fill(0, Bands::COUNT, 0.002);
        for ($try = 0; $try < 12; $try++) {
            $lightest = $lay($optics->withAbsorption($none));
            $S = $optics->S;
            $raised = false;
            foreach ($measured as $band => $value) {
                if ($lightest[$band] < $value && $S[$band] < self::MAX_SCATTERING) {
                    $S[$band] *= 1.4;
                    $raised = true;
                }
            }
            if (! $raised) {
                break;
            }
            $optics = $optics->withScattering($S);
        }

        return $optics;
    }

    /**
     * @param  \Closure(PencilOptics): array<int, float>  $lay
     * @param  array<int, float>  $measured
     */
    private static function absorption(\Closure $lay, PencilOptics $optics, array $measured): PencilOptics
    {
        $low = array_fill(0, Bands::COUNT, 0.0);
        $high = array_fill(0, Bands::COUNT, log(1.0 + self::MAX_ABSORPTION));
        for ($i = 0; $i < self::HALVINGS; $i++) {
            $K = [];
            foreach ($low as $band => $value) {
                $K[$band] = expm1(($value + $high[$band]) / 2.0);
            }
            $laid = $lay($optics->withAbsorption($K));
            foreach ($laid as $band => $value) {
                $middle = ($low[$band] + $high[$band]) / 2.0;
                if ($value > $measured[$band]) {
                    $low[$band] = $middle;
                } else {
                    $high[$band] = $middle;
                }
            }
        }
        $K = [];
        foreach ($low as $band => $value) {
            $K[] = expm1(($value + $high[$band]) / 2.0);
        }

        return $optics->withAbsorption($K);
    }

    /** @return array<int, float> bands of the heavy coat a pencil table gives */
    public static function bandsOf(Pencil $pencil): ?array
    {
        if ($pencil->fullCoatBands !== null) {
            return $pencil->fullCoatBands;
        }

        return $pencil->fullCoat === null ? null : Reconstruction::smoothest($pencil->fullCoat, Bands::WEIGHTS);
    }
}
