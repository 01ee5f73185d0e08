<?php

declare(strict_types=1);

namespace App\Studio\LongWork;

use App\Models\User;
use App\Studio\Pieces;
use App\Studio\Zones\Looking;
use Closure;
use Prism\Reference\Reserves\ReserveKind;

/** Finds what of a picture must stay paper or pale, by what paper and box can reach. */
final class ReservesWork implements LongWork
{
    public function __construct(private readonly Looking $looking)
    {
    }

    public function do(User $artist, array $wish, Closure $progress): array
    {
        $piece = Pieces::ofArtist($artist, $wish);
        $reserves = $this->looking->findReserves($piece, $progress);

        return ['piece' => $piece->id, 'share' => round($reserves->share(ReserveKind::Paper), 4)];
    }
}
