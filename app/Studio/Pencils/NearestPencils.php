<?php

declare(strict_types=1);

namespace App\Studio\Pencils;

use App\Models\Pencil;
use App\Models\Range;
use App\Models\User;
use Prism\Box\PencilFinder;
use Prism\Colour\Lab;
use Prism\Colour\Words\Appearance;
use Prism\Colour\Words\Difference;

/** The pencils whose heavy coat comes nearest to a colour, in the box and beside it, and which way each misses. */
final class NearestPencils
{
    private const SHOWN = 5;

    /** @return array{box: list<array<string, mixed>>, others: list<array<string, mixed>>} nearest first */
    public function to(User $artist, Lab $colour): array
    {
        $owned = array_flip($artist->box()->pluck('pencils.id')->all());
        $rows = $colours = ['box' => [], 'others' => []];
        $codes = Range::seenBy($artist)->pluck('code', 'id');
        foreach (Pencil::seenBy($artist)->toBase()->whereNotNull('L')->get(['id', 'range_id', 'number', 'name', 'aliases', 'binder', 'status', 'replaced_by', 'L', 'a', 'b']) as $pencil) {
            $of = isset($owned[$pencil->id]) ? 'box' : 'others';
            $id = $codes[$pencil->range_id].':'.$pencil->number;
            $colours[$of][$id] = Lab::of((float) $pencil->L, (float) $pencil->a, (float) $pencil->b);
            $rows[$of][$id] = $pencil;
        }
        $found = [];
        foreach (['box', 'others'] as $of) {
            $found[$of] = [];
            foreach (array_slice(PencilFinder::nearest($colour, $colours[$of]), 0, self::SHOWN, true) as $id => $distance) {
                [$row, $lab] = [$rows[$of][$id], $colours[$of][$id]];
                $found[$of][] = [
                    ...PencilList::row((string) $codes[$row->range_id], $row, json_decode((string) $row->aliases, true) ?: [], $lab, Appearance::of($lab), $of === 'box', false),
                    'distance' => round($distance, 1), 'misses' => Difference::between($lab, $colour)->words,
                ];
            }
        }

        return $found;
    }
}
