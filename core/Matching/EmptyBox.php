<?php

declare(strict_types=1);

namespace Prism\Matching;

/** There is no pencil to search with. */
final class EmptyBox extends \DomainException
{
    public function __construct()
    {
        parent::__construct('There are no pencils to choose from. Put pencils in the box, or allow more of them.');
    }
}
