<?php

declare(strict_types=1);

namespace App\Studio;

use App\Models\Calibration as CalibrationModel;
use App\Models\User;
use Closure;
use Prism\Calibration\Calibration;
use Prism\Calibration\Calibrator;

/** An artist's calibrations: made from the swatch book, the latest in force. */
final class Calibrations
{
    public function __construct(private readonly Catalogue $catalogue)
    {
    }

    /**
     * Fits the engine to all of an artist's swatches and puts that in force.
     *
     * @param  ?Closure(string, float): void  $progress
     */
    public function calibrate(User $user, ?Closure $progress = null): CalibrationModel
    {
        $swatches = $this->catalogue->swatches($user);
        $calibration = Calibrator::fit($this->catalogue->pencils(), $swatches, $this->catalogue->papers(), progress: $progress);

        return $user->calibrations()->create([
            'swatch_count' => count($swatches),
            'before' => $calibration->before,
            'after' => $calibration->after,
            'fit' => $calibration->toArray(),
        ]);
    }

    /** Number of the calibration in force; null if there is none. */
    public function inForce(User $user): ?int
    {
        $id = $user->calibrations()->max('id');

        return $id === null ? null : (int) $id;
    }

    /** A calibration read back, with the pencils that came to the ranges since; without swatches for null. */
    public function read(?int $id): Calibration
    {
        $pencils = $this->catalogue->pencils();
        if ($id === null) {
            return Calibrator::fit($pencils, []);
        }
        $row = CalibrationModel::query()->findOrFail($id);
        $user = User::query()->findOrFail($row->user_id);
        $kept = Calibration::fromArray($row->fit, $pencils);

        return count($kept->known($pencils)) === count($pencils) ? $kept
            : Calibrator::refit($kept, $pencils, array_values(array_filter($this->catalogue->swatches($user), $kept->rests(...))), $this->catalogue->papers());
    }
}
