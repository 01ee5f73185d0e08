<?php

declare(strict_types=1);

namespace App\Studio\Zones;

use App\Models\Piece;
use App\Models\Zone;
use App\Studio\Planning\SchoolChoices;
use Illuminate\Support\Facades\DB;

/** What the artist says of a zone: its name, and what is seen in it, or made of it, otherwise than it was read. */
final class ZoneCorrections
{
    public function __construct(private readonly Interpretations $interpretations, private readonly Grounds $grounds, private readonly ZoneHistory $history)
    {
    }

    /**
     * A name, or what the artist sees otherwise than it was read.
     *
     * @param  array{name?: string, corrections?: array<string, mixed>, schools?: array<string, string|null>, interpretation?: array<string, mixed>, ground?: array{colour: string, tooth: string}|null}  $changes
     */
    public function amend(Zone $zone, array $changes): void
    {
        DB::transaction(function () use ($zone, $changes): void {
            $row = Piece::query()->whereKey($zone->piece_id);
            $row->lockForUpdate()->firstOrFail();
            $name = $changes['name'] ?? null;
            $this->history->remember($zone->piece, $name !== null && $name !== $zone->name ? sprintf('%s renamed to %s', $zone->name, $name) : sprintf('%s corrected', $zone->name));
            if ($name !== null) {
                $zone->fill(['name' => $name, 'named' => true]);
            }
            if (isset($changes['schools'])) {
                $zone->schools = SchoolChoices::answered($zone->schools, $changes['schools']) ?: null;
            }
            if (array_key_exists('ground', $changes)) {
                $zone->ground = $this->grounds->read($zone->piece->user, $changes['ground']);
            }
            if (isset($changes['interpretation'])) {
                $zone->interpretation = $this->interpretations->changed($zone->piece->user, $zone->interpretation, $changes['interpretation']);
            }
            if (isset($changes['corrections'])) {
                $zone->corrections = array_filter([...$zone->corrections ?? [], ...$changes['corrections']], static fn (mixed $said): bool => $said !== null) ?: null;
            }
            $zone->version++;
            $zone->save();
            $zone->piece->touch();
        });
    }
}
