<?php

declare(strict_types=1);

namespace Prism\Calibration;

use Prism\Colour\Lab;
use Prism\Layering\Predictor;
use Prism\Layering\Stack;

/** A passage of which it is known what was laid, as it is seen in a picture of a drawing. */
final readonly class HandReading
{
    /** @param  Predictor  $predictor  for what it stands on */
    public function __construct(public string $name, public Stack $stack, public Lab $seen, public Predictor $predictor)
    {
    }
}
