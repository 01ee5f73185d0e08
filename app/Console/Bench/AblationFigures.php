<?php

declare(strict_types=1);

namespace App\Console\Bench;

use Prism\Calibration\Calibrator;
use Prism\Calibration\Swatch;
use Prism\Layering\Hand;
use Prism\Materials\Kit;
use Prism\Materials\Paper;

/** What each part of the model, and each kind of swatch, buys: the studio fitted without it, judged on what was held out. */
final class AblationFigures
{
    /**
     * @param  list<Swatch>  $swatches
     * @param  list<Swatch>  $held
     * @return list<list<string>>
     */
    public static function rows(Kit $kit, array $swatches, array $held): array
    {
        $plain = new Hand;
        $layered = static fn (Swatch $swatch): bool => count($swatch->stack) > 1;
        $heaviest = static fn (Swatch $swatch): bool => count($swatch->stack) === 0 || (count($swatch->stack) === 1 && $swatch->stack->steps[0]->pressurePercent >= 90.0);
        $without = static fn (callable $which): array => array_values(array_filter($swatches, static fn (Swatch $swatch): bool => ! $which($swatch)));
        $rows = [];
        foreach ([
            'all of it' => [$plain, $swatches],
            'nothing levelled by a firm hand' => [$plain->scaled(['level' => 0.0]), $swatches],
            'nothing dragged along' => [$plain->scaled(['waxDrag' => 0.0, 'oilDrag' => 0.0]), $swatches],
            'neither levelled nor dragged' => [$plain->scaled(['level' => 0.0, 'waxDrag' => 0.0, 'oilDrag' => 0.0]), $swatches],
            'pressed film scatters as loose film' => [$plain->scaled(['clearing' => 0.0]), $swatches],
            'pressed film no denser' => [$plain->scaled(['density' => 0.0]), $swatches],
            'film no higher than the tooth' => [$plain->scaled(['pile' => 0.0]), $swatches],
            'nothing slick' => [$plain->scaled(['waxSlick' => 0.0, 'paleSlick' => 0.0, 'oilSlick' => 0.0]), $swatches],
            'tooth never crushed' => [$plain->scaled(['flatten' => 0.0]), $swatches],
            'no light sideways in the sheet' => [$plain->scaled(['yuleNielsen' => 0.0]), $swatches],
            'hardly any scattering' => [$plain->scaled(['scattering' => 0.05]), $swatches],
            'a blend adds no strength, keeps scattering' => [$plain->scaled(['blendStrength' => 0.0, 'blendClearing' => 0.0]), $swatches],
            'no overlays, washes, lifts swatched' => [$plain, $without($layered)],
            'one heavy swatch a pencil' => [$plain, $without(static fn (Swatch $swatch): bool => ! $heaviest($swatch))],
        ] as $name => [$hand, $used]) {
            $rows[] = [$name, ...self::judged($kit, $used, $held, $hand)];
        }

        return $rows;
    }

    /**
     * @param  list<Swatch>  $swatches
     * @param  list<Swatch>  $held
     * @return list<string>
     */
    private static function judged(Kit $kit, array $swatches, array $held, Hand $hand): array
    {
        $calibration = Calibrator::fit($kit, $swatches, hand: $hand);
        $own = $others = $values = [];
        foreach ($held as $swatch) {
            $seen = $calibration->model(Paper::cartridge($swatch->paper))->draw($swatch->stack)->lab();
            if ($swatch->paper === $calibration->yardstick) {
                $own[] = $seen->differenceTo($swatch->colour);
                $values[] = abs($seen->L - $swatch->colour->L);
            } else {
                $others[] = $seen->differenceTo($swatch->colour);
            }
        }

        return [
            sprintf('%.2f', Clock::quantile($own, 0.5)), sprintf('%.2f', Clock::mean($own)), sprintf('%.2f', Clock::quantile($own, 0.9)), sprintf('%.2f', Clock::quantile($values, 0.5)),
            sprintf('%.2f', Clock::quantile($others, 0.5)), sprintf('%.2f', Clock::quantile($others, 0.9)),
        ];
    }
}
