<?php

declare(strict_types=1);

namespace App\Studio\Calibration;

use App\Models\Calibration as CalibrationModel;
use App\Models\Paper as PaperModel;
use App\Models\User;
use App\Models\ZoneTarget;
use App\Studio\Pencils\Catalogue;
use App\Studio\Zones\Targets;
use Prism\Calibration\Calibration;
use Prism\Calibration\Lessons;
use Prism\Calibration\Swatch;
use Prism\Colour\Lab;
use Prism\Layering\Predictor;
use Prism\Layering\Stack;
use Prism\Materials\Kit;

/** What a calibration has changed, what it stumbled over, and what would teach most next. */
final class CalibrationReview
{
    /** A recipe that shifts by more, dE00, is worth searching again. */
    public const SHIFT_NOTICED = 2.0;

    public function __construct(private readonly Catalogue $catalogue, private readonly Calibrations $calibrations, private readonly Engine $engine)
    {
    }

    /** @return array<string, array{before: float, after: float, swatches: int}> mean dE00 by pencil */
    public function pencils(User $artist, CalibrationModel $row): array
    {
        return $this->calibrations->of($row, $this->catalogue->box($artist))->pencils;
    }

    /** @return list<array{swatch: \App\Models\Swatch, dE00: float, predicted: Lab}> swatches that look wrong and are still in the book, worst first */
    public function outliers(User $artist, CalibrationModel $row): array
    {
        $swatches = $artist->swatches()->with('paper')->get()->keyBy('id');
        $found = [];
        foreach ($row->fit['suspicious'] ?? [] as $suspicious) {
            $swatch = $swatches->get((int) $suspicious['id']);
            if ($swatch !== null) {
                $stack = Stack::parse($swatch->stack);
                $kit = $this->catalogue->desk($artist, $stack);
                $predicted = $this->calibrations->of($row, $kit)->predictor(Catalogue::paper($swatch->paper))->predict($stack)->colour;
                $found[] = ['swatch' => $swatch, 'dE00' => $predicted->differenceTo(Lab::of($swatch->L, $swatch->a, $swatch->b)), 'predicted' => $predicted];
            }
        }

        return $found;
    }

    /**
     * The artist's own recipes as two calibrations see them; null stands for the pencils' own colours.
     *
     * @return list<array{target: ZoneTarget, old: Lab, new: Lab, shift: float, oldMiss: float, newMiss: float}> largest shift first
     */
    public function recipes(User $artist, ?CalibrationModel $old, ?CalibrationModel $new): array
    {
        $targets = Targets::withRecipe($artist);
        $stacks = [];
        foreach ($targets as $target) {
            $stacks[] = Stack::parse((string) $target->recipe?->stack);
        }
        $desk = $this->catalogue->desk($artist, ...$stacks);
        $sides = ['old' => $this->calibrations->read($old?->id, $desk), 'new' => $this->calibrations->read($new?->id, $desk)];
        $predictors = [];
        $found = [];
        foreach ($targets->values() as $i => $row) {
            $paper = $row->zone->piece->paper;
            $seen = array_map(static function (Calibration $side) use (&$predictors, $paper, $stacks, $i): Lab {
                $key = spl_object_id($side).$paper->slug;
                $predictors[$key] ??= $side->predictor(Catalogue::paper($paper));

                return $predictors[$key]->model->draw($stacks[$i])->lab();
            }, $sides);
            $target = Targets::drawn($row);
            $found[] = [
                'target' => $row, 'old' => $seen['old'], 'new' => $seen['new'], 'shift' => $seen['old']->differenceTo($seen['new']),
                'oldMiss' => $target->differenceTo($seen['old']), 'newMiss' => $target->differenceTo($seen['new']),
            ];
        }
        usort($found, static fn (array $one, array $other): int => $other['shift'] <=> $one['shift']);

        return $found;
    }

    /** @return list<array{stack: Stack, worth: float, why: string}> */
    public function lessons(User $artist, PaperModel $paper, int $most = 10): array
    {
        $drawn = array_map(static fn (Swatch $swatch): Stack => $swatch->stack, $this->catalogue->swatches($artist));
        $recipes = [];
        foreach (Targets::withRecipe($artist) as $target) {
            $recipes[] = Stack::parse((string) $target->recipe?->stack);
        }
        $desk = $this->catalogue->desk($artist, ...$recipes);
        $predictor = $this->engine->predictor($paper, $artist, $desk);

        return (new Lessons($predictor, $this->known($predictor, $desk), $drawn, $recipes))->best($most);
    }

    /** @return list<string> */
    private function known(Predictor $predictor, Kit $desk): array
    {
        return array_values(array_filter($desk->ids(), static fn (string $id): bool => isset($predictor->model->optics[$id])));
    }
}
