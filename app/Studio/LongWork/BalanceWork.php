<?php

declare(strict_types=1);

namespace App\Studio\LongWork;

use App\Models\Reference;
use App\Models\User;
use App\Studio\ChangedMeanwhile;
use App\Studio\Photos\References;
use App\Studio\Pieces;
use Closure;

/** Sets a reference in another light; a first one is read anew after that. */
final class BalanceWork implements LongWork
{
    public function __construct(private readonly References $references)
    {
    }

    public function do(User $artist, array $wish, Closure $progress): array
    {
        $piece = Pieces::ofArtist($artist, $wish);
        $reference = $piece->references()->whereKey($wish['reference'] ?? '')->first();
        if (! $reference instanceof Reference) {
            throw new WorkRefused('This photo is not in the piece any more; it may have been removed.');
        }
        try {
            $this->references->balance($reference->setRelation('piece', $piece), $wish['balance'] ?? null, $progress);
        } catch (ChangedMeanwhile $refusal) {
            throw new WorkRefused($refusal->getMessage(), previous: $refusal);
        }

        return ['piece' => $piece->id, 'isFirst' => $this->references->isFirst($reference)];
    }
}
