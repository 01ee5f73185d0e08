<?php

declare(strict_types=1);

namespace App\Studio\Calibration;

use App\Models\Calibration as CalibrationModel;
use App\Models\User;
use App\Studio\Pencils\Catalogue;
use Closure;
use Illuminate\Support\Facades\DB;
use Prism\Calibration\Calibration;
use Prism\Calibration\Calibrator;
use Prism\Calibration\HandFit;
use Prism\Calibration\Swatch;
use Prism\Materials\Kit;

/** An artist's calibrations: made from the swatch book, one of them in force. */
final class Calibrations
{
    public function __construct(private readonly Catalogue $catalogue)
    {
    }

    /**
     * Fits the engine to an artist's swatches and puts that in force.
     *
     * @param  bool  $onlyNew  only the pencils and papers of swatches that the one in force does not rest on move; the hand stays
     * @param  ?Closure(string, float): void  $progress  may throw to cancel
     */
    public function calibrate(User $user, ?Closure $progress = null, bool $onlyNew = false): CalibrationModel
    {
        $swatches = $this->catalogue->swatches($user);
        $kit = $this->catalogue->desk($user, ...array_map(static fn (Swatch $swatch) => $swatch->stack, $swatches));
        $known = $onlyNew ? $this->inForce($user) : null;
        $calibration = $known === null
            ? Calibrator::fit($kit, $swatches, $this->catalogue->papers($user), progress: $progress)
            : Calibrator::refit($this->read($known, $kit), $kit, $swatches, $this->catalogue->papers($user), $progress);

        // What drawings have taught of the hand stays; a refit has it already.
        $weight = (float) ($user->calibrations()->whereKey($this->inForce($user))->value('weight') ?? 1.0);
        $calibration = $known === null && $weight !== 1.0 ? $calibration->pressing($weight) : $calibration;

        return $this->kept($user, count($swatches), $calibration->before, $calibration->after, $calibration->toArray(), $weight);
    }

    /** The one in force with a hand that presses so much harder, as a drawing has shown, and that in force; the one before it brings the hand of the swatches back. */
    public function pressing(User $user, float $by): CalibrationModel
    {
        $from = $user->calibrations()->find($this->inForce($user));
        $fit = $from instanceof CalibrationModel ? $from->fit : $this->read(null, $this->catalogue->box($user))->toArray();
        $fit['hand'] = HandFit::fromArray($fit['hand'])->pressing($by)->toArray();

        return $this->kept($user, $from->swatch_count ?? 0, (float) $fit['before'], (float) $fit['after'], $fit, ($from->weight ?? 1.0) * $by);
    }

    /** @param  array<string, mixed>  $fit */
    private function kept(User $user, int $swatches, float $before, float $after, array $fit, float $weight): CalibrationModel
    {
        return DB::transaction(function () use ($user, $swatches, $before, $after, $fit, $weight): CalibrationModel {
            $kept = $user->calibrations()->create([
                'number' => 1 + (int) $user->calibrations()->lockForUpdate()->max('number'),
                'swatch_count' => $swatches, 'before' => $before, 'after' => $after, 'fit' => $fit, 'weight' => $weight,
            ]);
            $this->putInForce($user, $kept);

            return $kept;
        });
    }

    /** From now on this one speaks; none means the pencils' own colours. */
    public function putInForce(User $user, ?CalibrationModel $calibration): void
    {
        $user->calibration_id = $calibration?->id;
        $user->save();
    }

    /** Number of the calibration in force; null if there is none. */
    public function inForce(User $user): ?int
    {
        return $user->calibration_id;
    }

    /** @return ?array{id: int, number: int, swatches: int, madeAt: string} what an artist's predictions rest on; null where only the pencils' own colours speak */
    public static function restsOn(User $artist): ?array
    {
        $calibration = $artist->calibration_id === null ? null
            : $artist->calibrations()->select(['id', 'number', 'swatch_count', 'created_at'])->find($artist->calibration_id);

        return $calibration === null ? null : [
            'id' => $calibration->id,
            'number' => $calibration->number,
            'swatches' => $calibration->swatch_count,
            'madeAt' => $calibration->created_at->toIso8601String(),
        ];
    }

    /** A calibration read back for these pencils, those that it has not met as their table describes them; without swatches for null. */
    public function read(?int $id, Kit $pencils): Calibration
    {
        return $id === null ? Calibrator::fit($pencils, []) : $this->of(CalibrationModel::query()->findOrFail($id), $pencils);
    }

    public function of(CalibrationModel $row, Kit $pencils): Calibration
    {
        return Calibrator::with(Calibration::fromArray($row->fit, $pencils), $pencils);
    }
}
