<?php

declare(strict_types=1);

namespace App\Studio\LongWork;

use App\Models\User;
use App\Studio\Archive\Restores;
use Closure;
use Prism\Exchange\Archive\ArchiveRefused;

/** Takes an archive in. */
final class RestoreWork implements LongWork
{
    public function __construct(private readonly Restores $restores)
    {
    }

    public function do(User $artist, array $wish, Closure $progress): array
    {
        try {
            $restore = $this->restores->take($artist, $wish['file'], $wish['ways'] ?? [], $wish['habits'] ?? false, $progress);
        } catch (ArchiveRefused $refusal) {
            throw new WorkRefused($refusal->getMessage(), previous: $refusal);
        }
        $this->restores->forget($artist, $wish['file']);

        return ['restore' => $restore->id, 'pieces' => $restore->made['pieces'] ?? []];
    }
}
