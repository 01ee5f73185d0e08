<?php

declare(strict_types=1);

namespace Prism\Matching;

/** A pencil as the schools see it: how light and how coloured its full coat is, and how hard it is laid. */
final readonly class LaidColour
{
    public function __construct(
        public float $L,
        public float $chroma,
        public float $wheelPosition,
        public float $pressurePercent,
    ) {
    }

    /** Greys, violets and dark cool colours: what shadow form is drawn in. */
    public function isForm(): bool
    {
        return $this->L < 75.0 && ($this->chroma < 12.0 || ($this->wheelPosition >= 11.0 && $this->wheelPosition <= 16.5));
    }
}
