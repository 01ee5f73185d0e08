<?php

declare(strict_types=1);

namespace Prism\Calibration;

/**
 * How hard a hand presses in a drawing against its swatches: the one factor on all pressures under which predictions come nearest to
 * what is seen, robustly (Cauchy's weights, so that a forgotten coat or another pencil counts little) and held to 1 by a prior.
 */
final readonly class DrawnHand
{
    /** Fewer places say nothing of a hand; and it is told where it differs by so much, and by so many standard deviations. */
    public const FEWEST = 8;

    private const LEAST = 0.06;

    private const SURE = 2.5;

    /** Logarithms of factors that are tried. */
    private const FARTHEST = 0.5;

    private const GRID = 0.02;

    /** A hand lies so far from its swatches, one standard deviation; and what a camera adds to the doubt of a prediction, dE00. */
    private const SPREAD = 0.15;

    private const CAMERA = 2.0;

    /** Squared residuals from here on count half, in standard deviations. */
    private const HALF_WEIGHT = 2.0;

    /** Readings of one drawing err together, by the paper, the lamp and the eye of the camera: they count as so many fewer. */
    private const TOGETHER = 2.0;

    private function __construct(public float $factor, public float $sigma, public int $places)
    {
    }

    /**
     * Null where it is not known well enough, or not to be told from the swatches' hand.
     *
     * @param  list<HandReading>  $readings
     *
     * @throws \Prism\Layering\UnknownPencil
     */
    public static function of(array $readings): ?self
    {
        if (count($readings) < self::FEWEST) {
            return null;
        }
        $costs = [];
        $best = 0;
        $least = INF;
        $n = (int) round(self::FARTHEST / self::GRID);
        for ($i = -$n; $i <= $n; $i++) {
            $costs[$i] = 0.5 * ($i * self::GRID / self::SPREAD) ** 2;
            foreach ($readings as $reading) {
                $at = $reading->predictor->predict($reading->stack->pressing(exp($i * self::GRID)));
                $square = ($at->colour->differenceTo($reading->seen) / hypot($at->sigma, self::CAMERA)) ** 2;
                $costs[$i] += 0.5 * self::HALF_WEIGHT * log(1.0 + $square / self::HALF_WEIGHT) / self::TOGETHER;
            }
            if ($costs[$i] < $least) {
                [$best, $least] = [$i, $costs[$i]];
            }
        }
        if ($best === -$n || $best === $n) {
            return null;
        }
        // A parabola through the three lowest tells where the least lies, and by how sharp it is how sure that is.
        [$left, $middle, $right] = [$costs[$best - 1], $costs[$best], $costs[$best + 1]];
        $bend = max(1e-9, $left - 2.0 * $middle + $right);
        $log = self::GRID * ($best + 0.5 * ($left - $right) / $bend);
        $sigma = self::GRID / sqrt($bend);

        return abs($log) < max(self::LEAST, self::SURE * $sigma) ? null : new self(exp($log), $sigma, count($readings));
    }

    /** "12 % lighter", against the swatches. */
    public function words(): string
    {
        return sprintf('%d %% %s', (int) round(100.0 * abs($this->factor - 1.0)), $this->factor > 1.0 ? 'heavier' : 'lighter');
    }
}
