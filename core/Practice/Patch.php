<?php

declare(strict_types=1);

namespace Prism\Practice;

use Prism\Colour\Lab;

/** A colour that a question shows. */
final readonly class Patch
{
    /** @param  ?Lab  $ground  it stands on; null: neutral grey */
    public function __construct(public string $label, public Lab $colour, public ?Lab $ground = null)
    {
    }
}
