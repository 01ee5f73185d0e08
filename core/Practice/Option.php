<?php

declare(strict_types=1);

namespace Prism\Practice;

use Prism\Colour\Lab;

/** One of the answers to a question. */
final readonly class Option
{
    public function __construct(public string $id, public string $label, public ?Lab $colour = null)
    {
    }
}
