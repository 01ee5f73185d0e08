<?php

declare(strict_types=1);

namespace App\Studio\Planning;

use App\Models\Paper;
use App\Models\Piece;
use App\Models\ZoneTarget;
use App\Studio\Calibration\Engine;
use App\Studio\Pencils\Catalogue;
use App\Studio\Zones\Grounds;
use App\Studio\Zones\Targets;
use Prism\Layering\Predictor;
use Prism\Layering\Stack;
use Prism\Matching\Search;
use Prism\Matching\Target;
use Prism\Materials\Kit;

/** What one needs to look for layers in a place of a piece: what it is to become, who predicts for what it stands on, and what is searched. */
final readonly class PlaceDesk
{
    private function __construct(private Engine $engine, private Piece $piece, private Paper $paper, public Kit $kit, public Target $wanted)
    {
    }

    /** @param  Stack  ...$stacks  what lies there and is to come: of pencils that may not be in the box any more */
    public static function of(Engine $engine, Catalogue $catalogue, Piece $piece, ZoneTarget $row, Stack ...$stacks): self
    {
        $row->zone->setRelation('piece', $piece);
        $wanted = $piece->value_only ? Target::value(Targets::drawn($row)) : Targets::wanted($row);

        return new self($engine, $piece, Grounds::paper($piece, $row->zone), $catalogue->desk($piece->user, ...$stacks), $wanted);
    }

    public function predictor(): Predictor
    {
        return $this->engine->predictor($this->paper, $this->piece->user, $this->kit);
    }

    /** @throws \Prism\Matching\EmptyBox */
    public function search(): Search
    {
        return $this->engine->search($this->paper, $this->piece->user, $this->kit);
    }

    /** Changes with all that predictions and searches here rest on. */
    public function digest(): string
    {
        return $this->engine->digest($this->paper, $this->piece->user, $this->kit);
    }
}
