<?php

declare(strict_types=1);

namespace Tests\Core;

use Prism\Calibration\Calibration;
use Prism\Calibration\Calibrator;
use Prism\Colour\Lab;
use Prism\Exchange\PencilTable;
use Prism\Layering\Passage;
use Prism\Layering\Stack;
use Prism\Layering\ToothModel;
use Prism\Materials\Kit;
use Prism\Materials\Paper;
use Prism\Materials\Pencil;
use Prism\Materials\PencilId;
use Prism\Planning\Order\PlannedZone;
use Prism\Schools\FirstValue;
use Prism\Schools\Highlights;
use Prism\Schools\SchoolSet;

/** The demo pencils, all 120. */
function pencils(): Kit
{
    static $kit = null;

    return $kit ??= PencilTable::read((string) file_get_contents(__DIR__.'/../../database/demo/pencils.csv'))->kit;
}

/** @param  list<string>  $ids */
function box(array $ids): Kit
{
    return pencils()->only(array_map(PencilId::of(...), $ids));
}

function cartridge(): Paper
{
    return Paper::cartridge();
}

/** The demo pencils as their table describes them, without any swatches. */
function uncalibrated(): Calibration
{
    static $calibration = null;

    return $calibration ??= Calibrator::fit(pencils(), []);
}

function model(?Paper $paper = null): ToothModel
{
    static $models = [];
    $paper ??= cartridge();

    return $models[serialize($paper)] ??= uncalibrated()->model($paper);
}

function draw(string $stack, ?Paper $paper = null): Passage
{
    return model($paper)->draw(Stack::parse($stack));
}

function seen(string $stack, ?Paper $paper = null): Lab
{
    return draw($stack, $paper)->lab();
}

/**
 * Every demo pencil that passes, by RANGE:NUMBER.
 *
 * @param  callable(Pencil, Lab): bool  $which
 * @return list<string>
 */
function pencilsWhere(callable $which): array
{
    $found = [];
    foreach (pencils() as $id => $pencil) {
        if ($which($pencil, seen($id.'@90x2'))) {
            $found[] = $id;
        }
    }

    return $found;
}

/** Share of the cases in which a fact holds, 0-1. @param  iterable<bool>  $cases */
function share(iterable $cases): float
{
    $all = $held = 0;
    foreach ($cases as $case) {
        $all++;
        $held += $case ? 1 : 0;
    }
    if ($all < 8) {
        throw new \LogicException("Only {$all} cases; a fact wants more.");
    }

    return $held / $all;
}

/**
 * The same colours, all drawn by one school.
 *
 * @param  list<PlannedZone>  $zones
 * @return list<PlannedZone>
 */
function under(array $zones, FirstValue|SchoolSet $school, Highlights $highlights = Highlights::Reserve): array
{
    $schools = $school instanceof FirstValue ? new SchoolSet($school) : $school;

    return array_map(static fn (PlannedZone $zone): PlannedZone => new PlannedZone($zone->id, $zone->zone, $zone->name, $zone->target, $zone->stack, $zone->underlayer, $zone->areaMm2, $zone->touching, $schools, $highlights), $zones);
}
