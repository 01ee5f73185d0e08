<?php

declare(strict_types=1);

namespace App\Studio\Pencils;

use App\Models\DrawnStep;
use App\Models\User;
use Illuminate\Support\Carbon;
use Prism\Layering\Stack;
use Prism\Planning\Order\Wear;

/** How long the pencils of a box are by now: as they were measured, less what was laid with them since. */
final class Stubs
{
    /** @return array<string, array{usedMm: float, leftMm: ?float, spare: int}> by pencil of the box; left where it was measured */
    public function of(User $artist): array
    {
        $rows = DrawnStep::query();
        $rows->whereIn('piece_id', $artist->pieces()->select('id'))->where('state', 'done')->whereNotNull('laid')->whereNotNull('mm2');
        $laid = [];
        foreach ($rows->get() as $row) {
            foreach (Stack::parse((string) $row->laid)->steps as $step) {
                $laid[(string) $step->pencil][] = [$row->updated_at, [$step, (float) $row->mm2]];
            }
        }
        $stubs = [];
        foreach ($artist->box()->with('range')->get() as $pencil) {
            $id = $pencil->range->code.':'.$pencil->number;
            $pivot = $pencil->getRelation('pivot');
            $since = $pivot->measured_at === null ? null : Carbon::parse($pivot->measured_at);
            $used = static fn (?Carbon $from): float => Wear::of(array_map(static fn (array $one): array => $one[1], array_filter($laid[$id] ?? [], static fn (array $one): bool => $from === null || $one[0] >= $from)))[$id] ?? 0.0;
            $stubs[$id] = ['usedMm' => $used(null), 'leftMm' => $pivot->length_mm === null ? null : max(0.0, $pivot->length_mm - $used($since)), 'spare' => (int) $pivot->spare];
        }

        return $stubs;
    }
}
