<?php

declare(strict_types=1);

namespace App\Studio;

/** A change of what another has changed since it was seen; nothing is saved. */
final class ChangedMeanwhile extends \DomainException
{
    public function __construct(string $what)
    {
        parent::__construct(sprintf('%s was changed meanwhile, in another window perhaps. Reload to see it; your change is not saved.', $what));
    }
}
