<?php

declare(strict_types=1);

namespace App\Studio\Planning;

use App\Models\Piece;
use App\Models\Recipe;
use App\Models\ZoneTarget;
use App\Studio\Drawing\Marks;
use App\Studio\Pencils\Catalogue;
use App\Studio\Pencils\Stubs;
use Prism\Planning\Order\Plan;
use Prism\Planning\Order\Wear;

/** Gathers what is shown beside a plan. */
final class PlanPages
{
    public function __construct(private readonly ZoneRecipes $recipes, private readonly Catalogue $catalogue, private readonly PictureAdvice $advice, private readonly Paces $paces, private readonly Stubs $stubs)
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

        return new PlanPage(
            $piece, $plan, $this->drawn($piece, $plan), $this->catalogue->box($piece->user),
            $this->advice->joins($piece, $zones),
            $this->advice->advice($zones, $plan),
            array_values($piece->zones()->whereDoesntHave('targets.recipe')->pluck('name')->all()),
            $own->count(),
            array_column($zones, null, 'id'),
        );
    }

    /** What a press changes of the page of a plan that stays as it was; how far it is, is noted beside the piece. */
    public function drawn(Piece $piece, Plan $plan): DrawnPage
    {
        $states = $piece->drawnSteps()->pluck('state', 'step_key')->all();
        Progress::of($plan, $states)->note($piece);

        return new DrawnPage($plan->version(), $states, count(Begun::of($piece)), $this->paces->of($piece->user), Marks::last($piece)?->mark, $this->stubs($piece, $plan, $states));
    }

    /**
     * @param  array<string, string>  $states
     * @return array<string, array{needsMm: float, leftMm: ?float, short: bool}> by pencil of the plan
     */
    private function stubs(Piece $piece, Plan $plan, array $states): array
    {
        $open = [];
        foreach ($plan->steps as $step) {
            if ($step->step !== null && ! isset($states[$step->key])) {
                $open[] = [$step->step, $step->zone->areaMm2];
            }
        }
        $needed = Wear::of($open);
        $stubs = [];
        foreach ($this->stubs->of($piece->user) as $id => ['leftMm' => $left, 'spare' => $spare]) {
            $stubs[$id] = ['needsMm' => $needed[$id] ?? 0.0, 'leftMm' => $left, 'short' => Wear::runsShort($left, $needed[$id] ?? 0.0, $spare)];
        }

        return $stubs;
    }
}
