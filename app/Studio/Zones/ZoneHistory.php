<?php

declare(strict_types=1);

namespace App\Studio\Zones;

use App\Models\Piece;
use App\Models\Zone;
use App\Models\ZoneChange;
use App\Models\ZoneTarget as TargetRow;
use Illuminate\Support\Collection;

/** The zones of a piece as they were before each of its last changes. */
final class ZoneHistory
{
    private const KEPT_CHANGES = 50;

    /** What undo would take back. */
    public static function undoable(Piece $piece): ?string
    {
        $changes = $piece->zoneChanges();
        $changes->orderByDesc('id');

        return $changes->first()?->what;
    }

    /** Another after each change of which zones there are and where; after an undo, that of before. */
    public static function version(Piece $piece): int
    {
        $changes = $piece->zoneChanges();

        return (int) $changes->max('id');
    }

    /** Before a change of the zones. */
    public function remember(Piece $piece, string $what): void
    {
        $zones = $piece->allZones()->get();
        $targets = TargetRow::query();
        $targets->whereIn('zone_id', $zones->pluck('id'));
        $piece->zoneChanges()->create([
            'what' => mb_substr($what, 0, 160),
            'zone_map' => $piece->zone_map,
            'before' => [
                'zones' => $zones->map(static fn (Zone $zone): array => $zone->only(['id', 'name', 'x', 'y', 'radius', 'position', 'label', 'share', 'outline', 'estimates', 'corrections', 'named', 'fits', 'outside', 'schools', 'interpretation', 'ground', 'colouring']))->values()->all(),
                'targets' => $targets->get()->map(static fn (TargetRow $row): array => [...$row->only(['id', 'L', 'a', 'b', 'spread', 'share', 'x', 'y', 'line_width', 'edge_width', 'edited']), 'role' => $row->role->value])->values()->all(),
            ],
        ]);
        $old = $piece->zoneChanges();
        $old->orderByDesc('id');
        $keep = $old->limit(self::KEPT_CHANGES)->pluck('id');
        $gone = $piece->zoneChanges();
        $gone->whereNotIn('id', $keep)->delete();
    }

    /** Map, rows and colours as they were before a change. */
    public function restore(Piece $piece, ZoneChange $change): void
    {
        $ids = array_column($change->before['zones'], 'id');
        $others = $piece->allZones();
        $others->whereNotIn('id', $ids);
        $others->get()->each(static fn (Zone $zone) => $zone->delete());
        $known = Zone::withTrashed();
        $known->whereIn('id', $ids);
        self::bringBack($known->get(), $change->before['zones']);
        $targets = array_column($change->before['targets'], 'id');
        $made = TargetRow::query();
        $made->whereIn('zone_id', $ids)->whereNotIn('id', $targets);
        $made->get()->each(static fn (TargetRow $row) => $row->delete());
        $known = TargetRow::withTrashed();
        $known->whereIn('id', $targets);
        self::bringBack($known->get(), $change->before['targets']);
        $piece->zone_map = $change->zone_map;
        $piece->save();
        $piece->unsetRelation('zones');
    }

    /**
     * @param  Collection<int, Zone>|Collection<int, TargetRow>  $rows
     * @param  list<array<string, mixed>>  $before
     */
    private static function bringBack(Collection $rows, array $before): void
    {
        $values = array_column($before, null, 'id');
        foreach ($rows as $row) {
            $row->fill(array_diff_key($values[$row->id], ['id' => true]));
            $row->setAttribute('deleted_at', null);
            $row->version++;
            $row->save();
        }
    }
}
