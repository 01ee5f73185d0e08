<?php

declare(strict_types=1);

namespace App\Studio\Pencils;

use Prism\Colour\Lab;

/** What pencils an artist wants to see, and in which order. */
final readonly class PencilQuery
{
    /** @param  ?Lab  $near  nearest to this first */
    public function __construct(
        public bool $ownedOnly = false,
        public string $word = '',
        public string $range = '',
        public string $family = '',
        public string $lean = '',
        public string $binder = '',
        public ?int $valueStep = null,
        public ?Lab $near = null,
        public Layout $layout = Layout::Number,
    ) {
    }
}
