<?php

declare(strict_types=1);

namespace App\Studio\Planning;

use App\Models\Piece;
use Prism\Materials\Kit;
use Prism\Planning\Advice\ZoneAdvice;
use Prism\Planning\Gradient\ZoneJoin;
use Prism\Planning\Order\Plan;
use Prism\Planning\PictureZone;

/** A plan with all that is shown beside it. */
final readonly class PlanPage
{
    /**
     * @param  Kit  $box  of the artist
     * @param  array<string, string>  $states  of steps that are done or skipped, by key
     * @param  array{pace: float, steps: int}  $pace  mm² of one pass in a minute, and from how many steps
     * @param  list<ZoneJoin>  $joins
     * @param  list<ZoneAdvice>  $advice
     * @param  list<string>  $withoutRecipe  names of zones
     * @param  int  $ownRecipes  chosen by hand
     * @param  array<string, PictureZone>  $zones  by id
     * @param  array<string, array{needsMm: float, leftMm: ?float, short: bool}>  $stubs  by pencil: what is still to be laid with it, and whether it lasts
     * @param  ?string  $lastMarked  the press that was made last
     */
    public function __construct(public Piece $piece, public Plan $plan, public Kit $box, public array $states, public array $pace, public array $joins, public array $advice, public array $withoutRecipe, public int $ownRecipes, public array $zones = [], public ?string $lastMarked = null, public array $stubs = [])
    {
    }
}
