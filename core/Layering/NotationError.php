<?php

declare(strict_types=1);

namespace Prism\Layering;

/** A stack that cannot be read; knows at which character, counted from 1. */
final class NotationError extends \DomainException
{
    public function __construct(string $message, public readonly int $position)
    {
        parent::__construct(sprintf('At character %d: %s', $position, $message));
    }
}
