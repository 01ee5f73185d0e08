<?php

declare(strict_types=1);

namespace Prism\Planning\Build;

use Prism\Materials\PencilId;

/** Why a colour does not stand on the base of its zone. */
final readonly class Apart
{
    /**
     * @param  bool  $local  whether it is another local colour
     * @param  ?float  $further  dE00 by which it would come out further from its target over the base; null where nothing over it was found
     */
    public function __construct(public PencilId $base, public bool $local, public ?float $further)
    {
    }
}
