<?php

declare(strict_types=1);

namespace Prism\Exchange;

use Prism\Colour\Lab;
use Prism\Layering\Stack;

/** A row of the present table: believed to be laid, seen now, wanted. */
final readonly class PresentEntry
{
    public function __construct(public Stack $believed, public Lab $seen, public Lab $target)
    {
    }
}
