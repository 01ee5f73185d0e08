<?php

declare(strict_types=1);

namespace Prism\Layering;

use Prism\Colour\DeltaE;

/**
 * How the colour of a stack follows the hand: the covariance of what comes out, in dE00, when every layer's pressure is off by
 * 10 %, each by itself.
 *
 * Each layer is moved up and down in a probe of its own, which is laid on with all that follows, so that the stack up to each
 * step is told in one go. A stack longer than any artist lays is told by a few probes that move all layers at once, each up
 * or down by chance (Hutchinson 1990): right on average, and in a time that grows with the steps alone.
 */
final readonly class Sensitivity
{
    /** The step of pressure that is tried, as a share of it; half of it each way. */
    public const STEP = 0.1;

    private const LONG = 16;

    private const PROBES_OF_LONG = 2;

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
        $long = $stack->layerCount() > self::LONG;
        $passage = $model->bare();
        /** @var list<array{Passage, Passage}> $probes pressed less, and more */
        $probes = $long ? array_fill(0, self::PROBES_OF_LONG, [$passage, $passage]) : [];
        $weight = $long ? 1.0 / sqrt(self::PROBES_OF_LONG) : 1.0;
        $along = [new self([])];
        foreach ($stack->steps as $at => $step) {
            if (! $step->isLayer()) {
                foreach ($probes as $i => [$less, $more]) {
                    $probes[$i] = [$model->apply($less, $step), $model->apply($more, $step)];
                }
            } elseif ($long) {
                [$softer, $harder] = self::pressed($step);
                foreach ($probes as $i => [$less, $more]) {
                    [$down, $up] = crc32("$at $i") % 2 === 0 ? [$softer, $harder] : [$harder, $softer];
                    $probes[$i] = [$model->apply($less, $down), $model->apply($more, $up)];
                }
            } else {
                [$softer, $harder] = self::pressed($step);
                foreach ($probes as $i => [$less, $more]) {
                    $probes[$i] = [$model->apply($less, $step), $model->apply($more, $step)];
                }
                $probes[] = [$model->apply($passage, $softer), $model->apply($passage, $harder)];
            }
            $passage = $model->apply($passage, $step);
            $vectors = [];
            foreach ($probes as [$less, $more]) {
                $from = $less->lab();
                $to = $more->lab();
                [$l, $c, $h] = DeltaE::components($from->L, $from->a, $from->b, $to->L, $to->a, $to->b);
                $vectors[] = [$weight * $l, $weight * $c, $weight * $h];
            }
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

    /** @return array{Step, Step} pressed less, and more */
    private static function pressed(Step $step): array
    {
        $by = static fn (float $share): Step => $step->withPressure(min(Pressure::MAX_PERCENT, max(Pressure::MIN_PERCENT, $step->pressurePercent * $share)));

        return [$by(1.0 - self::STEP / 2.0), $by(1.0 + self::STEP / 2.0)];
    }
}
