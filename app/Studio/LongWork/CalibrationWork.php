<?php

declare(strict_types=1);

namespace App\Studio\LongWork;

use App\Models\User;
use App\Studio\Calibration\Calibrations;
use Closure;

/** Fits the engine to the swatch book. */
final class CalibrationWork implements LongWork
{
    /** With fewer swatches of pencils there is nothing to fit. */
    private const LEAST_SWATCHES = 3;

    public function __construct(private readonly Calibrations $calibrations)
    {
    }

    public function do(User $artist, array $wish, Closure $progress): array
    {
        $count = $artist->swatches()->where('stack', '!=', '')->count();
        if ($count < self::LEAST_SWATCHES) {
            throw new WorkRefused(sprintf('A calibration needs %d swatches or more; there are %d in your book. Print a chart, or type some in.', self::LEAST_SWATCHES, $count));
        }
        $progress('Reading the swatch book', 0.0);
        $made = $this->calibrations->calibrate($artist, static fn (string $doing, float $share) => $progress(sprintf('Fitting hand, papers and pencils to %d swatches', $count), 0.05 + 0.9 * $share), ($wish['onlyNew'] ?? false) === true);

        return ['calibration' => $made->id];
    }
}
