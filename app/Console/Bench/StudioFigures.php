<?php

declare(strict_types=1);

namespace App\Console\Bench;

use App\Studio\Swatches\SwatchReader;
use Prism\Calibration\Calibration;
use Prism\Calibration\Calibrator;
use Prism\Calibration\Swatch;
use Prism\Colour\Lab;
use Prism\Matching\Search;
use Prism\Matching\Search\PairLibrary;
use Prism\Matching\Target;
use Prism\Materials\Kit;
use Prism\Materials\Paper;

/** Calibration on a studio's swatches, and how predictions and matches hold on what it never saw. */
final class StudioFigures
{
    private const REFIT_SWATCHES = 10;

    private const DRAWN = 3;

    public readonly Calibration $calibration;

    private readonly float $seconds;

    /** @param  list<Swatch>  $swatches */
    public function __construct(private readonly Kit $kit, private readonly array $swatches)
    {
        [$this->calibration, $elapsed] = Clock::milliseconds(static fn (): Calibration => Calibrator::fit($kit, $swatches));
        $this->seconds = $elapsed / 1e3;
    }

    /**
     * @param  list<Swatch>  $more
     * @return list<string>
     */
    public function calibrationRow(array $more): array
    {
        $added = array_slice($more, 0, self::REFIT_SWATCHES);
        $refit = '';
        if ($added !== []) {
            [, $elapsed] = Clock::milliseconds(fn (): Calibration => Calibrator::refit($this->calibration, $this->kit, [...$this->swatches, ...$added]));
            $refit = sprintf('%.2f', $elapsed / 1e3);
        }

        return [
            sprintf('%d pencils, %d swatches', count($this->kit), count($this->swatches)), sprintf('%.1f', $this->seconds), $refit,
            sprintf('%.2f', $this->calibration->before), sprintf('%.2f', $this->calibration->after), (string) count($this->calibration->suspicious),
        ];
    }

    /**
     * @param  list<Swatch>  $held  never seen by the calibration
     * @return list<list<string>>
     */
    public function heldOut(array $held): array
    {
        $groups = [];
        foreach ($held as $swatch) {
            $groups[$swatch->paper === $this->calibration->yardstick ? (string) $swatch->paper : 'other papers'][] = $swatch;
        }
        $rows = [];
        foreach ($groups as $name => $swatches) {
            $errors = $values = [];
            $within = 0;
            foreach ($swatches as $swatch) {
                $prediction = $this->calibration->predictor(Paper::cartridge($swatch->paper))->predict($swatch->stack);
                $errors[] = $error = $prediction->colour->differenceTo($swatch->colour);
                $values[] = abs($prediction->colour->L - $swatch->colour->L);
                $within += $error <= $prediction->sigma ? 1 : 0;
            }
            $rows[] = [
                $name, (string) count($errors), sprintf('%.2f', Clock::quantile($errors, 0.5)), sprintf('%.2f', Clock::mean($errors)), sprintf('%.2f', Clock::quantile($errors, 0.9)),
                sprintf('%.2f', Clock::quantile($values, 0.5)), sprintf('%.0f %%', 100 * $within / count($errors)),
            ];
        }

        return $rows;
    }

    /**
     * First recipes for targets as predicted and, where a reader is given, as they come out when drawn.
     *
     * @param  list<Lab>  $targets
     * @return list<string>
     */
    public function matches(string $name, array $targets, string $paper, ?SwatchReader $reader = null): array
    {
        $predictor = $this->calibration->predictor(Paper::cartridge($paper));
        $search = new Search($predictor, $this->kit, PairLibrary::build($predictor->model, $this->kit->ids()));
        $predicted = $drawn = $singles = [];
        foreach ($targets as $i => $goal) {
            $best = $search->find(Target::colour($goal))[0];
            $single = $search->nearestSingle(Target::colour($goal));
            $predicted[] = $best->difference->dE00;
            for ($time = 0; $reader !== null && $time < self::DRAWN; $time++) {
                $drawn[] = $reader->read($paper, $best->stack, "match $i $time")->differenceTo($goal);
                $singles[] = $reader->read($paper, $single->stack, "single $i $time")->differenceTo($goal);
            }
        }

        return [$name, (string) count($targets), self::pair($predicted), self::pair($drawn), self::pair($singles)];
    }

    /**
     * Median and p90.
     *
     * @param  list<float>  $values
     */
    private static function pair(array $values): string
    {
        return $values === [] ? '' : sprintf('%.2f / %.2f', Clock::quantile($values, 0.5), Clock::quantile($values, 0.9));
    }
}
