<?php

declare(strict_types=1);

namespace Prism\Layering;

use Prism\Colour\DeltaE;

/**
 * How the colour of a stack follows the hand: the covariance of what comes out, in dE00, when every layer's pressure is off by
 * 10 %, each by itself.
 *
 * All layers are moved at once, up or down by the signs of a Hadamard matrix, in as many probes as it has rows: for so many
 * layers or fewer their squares add up to those of one layer after the other, in a time that grows with the layers and not
 * with their square. Longer stacks use its rows again with signs turned (Hutchinson 1990), which is right on average.
 */
final readonly class Sensitivity
{
    /** The step of pressure that is tried, as a share of it; half of it each way. */
    public const STEP = 0.1;

    /** Rows of the largest matrix. */
    private const MOST_PROBES = 16;

    /** For stacks longer than that, which no artist lays. */
    private const FEW_PROBES = 4;

    /** @param  list<array{float, float, float}>  $probes  dE00 vectors as in {@see DeltaE::components()}; the covariance is the sum of their squares */
    private function __construct(public array $probes)
    {
    }

    public static function of(ToothModel $model, Stack $stack): self
    {
        $all = self::along($model, $stack);

        return $all[count($all) - 1];
    }

    /**
     * Of the bare paper, and of the stack up to each of its steps.
     *
     * @return non-empty-list<self>
     */
    public static function along(ToothModel $model, Stack $stack): array
    {
        $layers = $stack->layerCount();
        $probes = $layers > self::MOST_PROBES ? self::FEW_PROBES : 1;
        while ($probes < $layers && $layers <= self::MOST_PROBES) {
            $probes *= 2;
        }
        $less = $more = array_fill(0, $probes, $model->bare());
        $along = [new self([])];
        $weight = 1.0 / sqrt($probes);
        $layer = 0;
        foreach ($stack->steps as $step) {
            if ($step->isLayer()) {
                $softer = self::pressed($step, 1.0 - self::STEP / 2.0);
                $harder = self::pressed($step, 1.0 + self::STEP / 2.0);
            } else {
                $softer = $harder = $step;
            }
            $vectors = [];
            for ($probe = 0; $probe < $probes; $probe++) {
                $up = self::isUp($layer, $probe, $probes);
                $less[$probe] = $model->apply($less[$probe], $up ? $softer : $harder);
                $more[$probe] = $model->apply($more[$probe], $up ? $harder : $softer);
                $from = $less[$probe]->lab();
                $to = $more[$probe]->lab();
                [$l, $c, $h] = DeltaE::components($from->L, $from->a, $from->b, $to->L, $to->a, $to->b);
                $vectors[] = [$weight * $l, $weight * $c, $weight * $h];
            }
            $layer += $step->isLayer() ? 1 : 0;
            $along[] = new self($vectors);
        }

        return $along;
    }

    /** What a hand that is off by 10 % in every layer, each by itself, makes of it: dE00. */
    public function total(): float
    {
        $sum = 0.0;
        foreach ($this->probes as [$l, $c, $h]) {
            $sum += $l * $l + $c * $c + $h * $h;
        }

        return sqrt($sum);
    }

    private static function pressed(Step $step, float $share): Step
    {
        return $step->withPressure(min(Pressure::MAX_PERCENT, max(Pressure::MIN_PERCENT, $step->pressurePercent * $share)));
    }

    /** The sign in the row of a layer and the column of a probe, by Sylvester's construction. */
    private static function isUp(int $layer, int $probe, int $probes): bool
    {
        $bits = ($layer % $probes) & $probe;
        $again = intdiv($layer, $probes);
        $ones = $again === 0 ? 0 : crc32("$again $probe") & 1;
        for (; $bits > 0; $bits >>= 1) {
            $ones += $bits & 1;
        }

        return $ones % 2 === 0;
    }
}
