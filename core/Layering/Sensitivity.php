<?php

declare(strict_types=1);

namespace Prism\Layering;

use Prism\Colour\DeltaE;
use Prism\Colour\Lab;

/** How the colour of a stack follows the hand: one difference vector for each layer, for 10 % more pressure. */
final readonly class Sensitivity
{
    /** The step of pressure that is tried, as a share of it; half of it each way. */
    public const STEP = 0.1;

    /** @param  list<array{float, float, float}>  $byLayer  dE00 vectors as in {@see DeltaE::components()} */
    private function __construct(public array $byLayer)
    {
    }

    public static function of(ToothModel $model, Stack $stack): self
    {
        $vectors = [];
        $below = $model->bare();
        foreach ($stack->steps as $at => $step) {
            if ($step->isLayer()) {
                $rest = array_slice($stack->steps, $at + 1);
                $seen = static function (float $share) use ($model, $below, $step, $rest): Lab {
                    $passage = $model->apply($below, $step->withPressure(min(Pressure::MAX_PERCENT, max(Pressure::MIN_PERCENT, $step->pressurePercent * $share))));
                    foreach ($rest as $later) {
                        $passage = $model->apply($passage, $later);
                    }

                    return $passage->lab();
                };
                $less = $seen(1.0 - self::STEP / 2.0);
                $more = $seen(1.0 + self::STEP / 2.0);
                $vectors[] = DeltaE::components($less->L, $less->a, $less->b, $more->L, $more->a, $more->b);
            }
            $below = $model->apply($below, $step);
        }

        return new self($vectors);
    }

    /** What a hand that is off by 10 % in every layer, each by itself, makes of it: dE00. */
    public function total(): float
    {
        $sum = 0.0;
        foreach ($this->byLayer as [$l, $c, $h]) {
            $sum += $l * $l + $c * $c + $h * $h;
        }

        return sqrt($sum);
    }
}
