<?php

declare(strict_types=1);

namespace App\Studio\LongWork;

use App\Models\User;
use App\Studio\Photos\PictureReadings;
use App\Studio\Pieces;
use App\Studio\Zones\ZoneBook;
use Closure;

/** Reads the photo of a piece: its zones at every number, its values, its light. A piece without zones gets its first ones. */
final class LookWork implements LongWork
{
    /** About as many as a small still life has lit, half-lit and shadow parts. */
    public const FIRST_ZONES = 16;

    public function __construct(private readonly PictureReadings $readings, private readonly ZoneBook $zones)
    {
    }

    public function do(User $artist, array $wish, Closure $progress): array
    {
        $piece = Pieces::ofArtist($artist, $wish);
        if ($piece->lines !== null) {
            // Its zones are its areas; there is nothing to be found.
            return ['piece' => $piece->id, 'most' => $piece->zones()->count()];
        }
        $reading = $this->readings->read($piece->reference(), $progress);
        if ($piece->allZones()->doesntExist()) {
            $progress('Naming the zones', 0.96);
            $this->zones->find($piece, min(self::FIRST_ZONES, $reading->tree->worth()));
        }

        return ['piece' => $piece->id, 'most' => $reading->tree->most()];
    }
}
