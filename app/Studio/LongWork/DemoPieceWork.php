<?php

declare(strict_types=1);

namespace App\Studio\LongWork;

use App\Models\User;
use App\Studio\DemoPiece;
use Closure;

/** Lays the demo still life on the artist's desk, with recipes from their own box. */
final class DemoPieceWork implements LongWork
{
    public function __construct(private readonly DemoPiece $demo)
    {
    }

    public function do(User $artist, array $wish, Closure $progress): array
    {
        if (($wish['withBox'] ?? false) === true && ! $artist->box()->exists()) {
            $artist->box()->attach(DemoPiece::box());
        }

        return ['piece' => $this->demo->for($artist, $progress)->id];
    }
}
