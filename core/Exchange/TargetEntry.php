<?php

declare(strict_types=1);

namespace Prism\Exchange;

use Prism\Colour\Lab;
use Prism\Schools\Surface;

/** A row of the targets table: the colour, and what is said of the place that it is for. */
final readonly class TargetEntry
{
    /** Laid last, at any pressure. */
    private const LAST = ['accent', 'line'];

    public const ROLES = ['light', 'middle', 'dark', 'accent', 'shimmer', 'line'];

    public function __construct(public Lab $colour, public ?Surface $surface = null, public string $role = '')
    {
    }

    public function isLast(): bool
    {
        return in_array($this->role, self::LAST, true);
    }
}
