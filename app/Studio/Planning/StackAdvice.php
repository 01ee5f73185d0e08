<?php

declare(strict_types=1);

namespace App\Studio\Planning;

use App\Models\Piece;
use App\Models\Zone;
use App\Studio\Calibration\Engine;
use App\Studio\Pencils\Catalogue;
use App\Studio\Zones\Grounds;
use Prism\Layering\Stack;
use Prism\Matching\Advice\Nudge;
use Prism\Matching\Advice\Nudger;
use Prism\Matching\Advice\WhyNote;
use Prism\Matching\Advice\WhyNotes;
use Prism\Matching\Limits;
use Prism\Matching\Recipe;
use Prism\Matching\Target;

/** Why a stack is as it is, and what it needs. */
final class StackAdvice
{
    public function __construct(private readonly Engine $engine, private readonly Catalogue $catalogue)
    {
    }

    /** @return list<WhyNote> */
    public function why(Piece $piece, ?Zone $zone, Stack $stack, Target $target): array
    {
        $desk = $this->catalogue->desk($piece->user, $stack);
        $recipe = $this->engine->recipes(Grounds::paper($piece, $zone), $piece->user, $desk)->make($stack, $target);

        return (new WhyNotes($this->engine->predictor(Grounds::paper($piece, $zone), $piece->user, $desk), $desk))->of($stack, $target, $recipe->underlayer);
    }

    /** @return list<Recipe> */
    public function nudged(Piece $piece, ?Zone $zone, Stack $stack, Nudge $nudge): array
    {
        $desk = $this->catalogue->desk($piece->user, $stack);

        return (new Nudger($this->engine->predictor(Grounds::paper($piece, $zone), $piece->user, $desk), $desk))->best($stack, $nudge, limits: new Limits(schools: SchoolChoices::ofPiece($piece)->schools()));
    }
}
