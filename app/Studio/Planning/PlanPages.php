<?php

declare(strict_types=1);

namespace App\Studio\Planning;

use App\Models\Piece;
use App\Models\Recipe;
use App\Models\ZoneTarget;
use App\Studio\Drawing\Marks;
use App\Studio\Pencils\Catalogue;
use Prism\Planning\Order\Plan;

/** Gathers what is shown beside a plan. */
final class PlanPages
{
    public function __construct(private readonly ZoneRecipes $recipes, private readonly Catalogue $catalogue, private readonly PictureAdvice $advice, private readonly Paces $paces)
    {
    }

    /** @param  ?Plan  $plan  where it is at hand already */
    public function of(Piece $piece, ?Plan $plan = null): PlanPage
    {
        $plan ??= $this->recipes->plan($piece);
        $zones = $this->advice->zones($piece);
        $targets = ZoneTarget::query();
        $targets->whereIn('zone_id', $piece->zones()->select('id'));
        $own = Recipe::query();
        $own->whereIn('target_id', $targets->select('id'))->where('by_hand', true);

        $page = new PlanPage(
            $piece, $plan, $this->catalogue->box($piece->user),
            $piece->drawnSteps()->pluck('state', 'step_key')->all(),
            $this->paces->of($piece->user),
            $this->advice->joins($piece, $zones),
            $this->advice->advice($zones, $plan),
            array_values($piece->zones()->whereDoesntHave('targets.recipe')->pluck('name')->all()),
            $own->count(),
            array_column($zones, null, 'id'),
            Marks::last($piece)?->mark,
        );
        Progress::of($page)->note($piece);

        return $page;
    }
}
