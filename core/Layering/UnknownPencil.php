<?php

declare(strict_types=1);

namespace Prism\Layering;

/** A stack uses a pencil that is not at hand. */
final class UnknownPencil extends \DomainException
{
    public function __construct(public readonly string $pencil)
    {
        parent::__construct(sprintf('There is no pencil %s here; check its range and number.', $pencil));
    }
}
