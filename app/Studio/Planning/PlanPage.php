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
     * @param  list<ZoneJoin>  $joins
     * @param  list<ZoneAdvice>  $advice
     * @param  list<string>  $withoutRecipe  names of zones
     * @param  int  $ownRecipes  chosen by hand
     * @param  array<string, PictureZone>  $zones  by id
     */
    public function __construct(public Piece $piece, public Plan $plan, public DrawnPage $drawn, public Kit $box, public array $joins, public array $advice, public array $withoutRecipe, public int $ownRecipes, public array $zones)
    {
    }
}
