<?php

declare(strict_types=1);

namespace App\Studio\LongWork;

use App\Models\User;
use App\Studio\Archive\Archives;
use App\Studio\Pieces;
use Closure;

/** Writes a piece, or the whole studio, down as an archive. */
final class ArchiveWork implements LongWork
{
    public function __construct(private readonly Archives $archives)
    {
    }

    public function do(User $artist, array $wish, Closure $progress): array
    {
        return $this->archives->make($artist, isset($wish['piece']) ? Pieces::ofArtist($artist, $wish) : null, $progress);
    }
}
