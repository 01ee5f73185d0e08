<?php

declare(strict_types=1);

namespace App\Studio\Review;

use App\Studio\Planning\PlaceDesk;
use Prism\Colour\Lab;
use Prism\Planning\Order\Passed;
use Prism\Planning\Order\Plan;

/** What the log of a piece says lies where, and what that should look like. */
final readonly class PictureLog
{
    /**
     * @param  ?Plan  $plan  null where no log is known
     * @param  array<string, Passed>  $passed  by colour
     * @param  array<string, PlaceDesk>  $desks
     * @param  array<string, Lab>  $expected
     */
    public function __construct(public ?Plan $plan, public array $passed, public array $desks, public array $expected)
    {
    }

    public static function none(): self
    {
        return new self(null, [], [], []);
    }

    /** Whether anything is ticked that lies on the paper. */
    public function isBegun(): bool
    {
        return array_any($this->passed, static fn (Passed $passed): bool => count($passed->present) > 0);
    }
}
