<?php

declare(strict_types=1);

namespace App\Studio\Records;

use Prism\Colour\Lab;

/** Which recipes of a book are asked for. */
final readonly class RecipeWish
{
    public function __construct(
        public string $words = '',
        public string $tag = '',
        public ?int $valueStep = null,
        public ?Lab $near = null,
        public int $most = 60,
    ) {
    }
}
