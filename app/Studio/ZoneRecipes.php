<?php

declare(strict_types=1);

namespace App\Studio;

use App\Models\Piece;
use App\Models\Zone;
use Prism\Colour\Lab;
use Prism\Layering\Stack;
use Prism\Matching\Recipe;
use Prism\Matching\Target;
use Prism\Planning\Plan;
use Prism\Planning\PlannedZone;
use Prism\Planning\Planner;

/** The recipes of a piece's zones as the engine sees them now, and the plan they make. */
final class ZoneRecipes
{
    public function __construct(private readonly Engine $engine, private readonly Catalogue $catalogue)
    {
    }

    public static function target(Zone $zone): Lab
    {
        return Lab::of($zone->L, $zone->a, $zone->b);
    }

    public function of(Zone $zone): ?Recipe
    {
        if ($zone->recipe === null) {
            return null;
        }

        $stack = Stack::parse($zone->recipe->stack);

        return $this->engine->recipes($zone->piece->paper, $zone->piece->user, $this->catalogue->desk($zone->piece->user, $stack))->make($stack, Target::colour(self::target($zone)));
    }

    public function plan(Piece $piece): Plan
    {
        $zones = [];
        foreach ($piece->zones()->with('recipe')->get() as $zone) {
            $recipe = $this->of($zone->setRelation('piece', $piece));
            if ($recipe !== null) {
                $zones[] = new PlannedZone($zone->id, $zone->name, self::target($zone), $recipe->stack, $recipe->underlayer);
            }
        }

        $desk = $this->catalogue->desk($piece->user, ...array_map(static fn (PlannedZone $zone): Stack => $zone->stack, $zones));

        return (new Planner($this->engine->predictor($piece->paper, $piece->user, $desk), $desk, $piece->school))->plan($zones);
    }
}
