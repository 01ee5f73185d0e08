<?php

declare(strict_types=1);

namespace Prism\Matching\Cost;

use Prism\Colour\Wheel;
use Prism\Matching\Target;

/** A lightener laid last follows the lean of the passage: pinkish, cream, warm or cold grey. Where its own lean would show it is barred. */
final readonly class LightenerTerm implements Term
{
    private const SHOWS = 1.5;

    /** Further round the wheel of 18 than this a lean is another. */
    private const OTHER_LEAN = 4.5;

    /** Less coloured than this a passage leans nowhere, C*ab. */
    private const LEANS_FROM = 5.0;

    private function __construct(private float $position)
    {
    }

    /** Null for a target that leans nowhere. */
    public static function by(Target $target): ?self
    {
        return $target->valueOnly || $target->colour->chroma() < self::LEANS_FROM ? null : new self(Wheel::position($target->colour->hueDegrees()));
    }

    public function of(Laid $laid): float
    {
        $last = count($laid->coats) - 1;

        return $last > 0 && $laid->coats[$last]->isLightener() && Wheel::distance($laid->coats[$last]->position, $this->position) > self::OTHER_LEAN ? self::SHOWS : 0.0;
    }

    public function mostGain(): float
    {
        return 0.0;
    }
}
