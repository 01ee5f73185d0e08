<?php

declare(strict_types=1);

namespace App\Studio\Planning;

/** How far the drawing of a plan has come: what of its page a press changes where the plan stays as it was. */
final readonly class DrawnPage
{
    /**
     * @param  string  $version  of the plan, {@see \Prism\Planning\Order\Plan::version()}
     * @param  array<string, string>  $states  of steps that are done or skipped, by key
     * @param  int  $begunRecipes  of which something lies on the paper
     * @param  array{pace: float, steps: int}  $pace  mm² of one pass in a minute, and from how many steps
     * @param  ?string  $lastMarked  the press that was made last
     * @param  array<string, array{needsMm: float, leftMm: ?float, short: bool}>  $stubs  by pencil: what is still to be laid with it, and whether it lasts
     */
    public function __construct(public string $version, public array $states, public int $begunRecipes, public array $pace, public ?string $lastMarked, public array $stubs)
    {
    }
}
