<?php

declare(strict_types=1);

namespace App\Studio\LongWork;

use App\Models\Paper;
use App\Models\Piece;
use App\Models\Reference;
use App\Models\User;
use App\Studio\ChangedMeanwhile;
use App\Studio\Photos\PhotoRefused;
use App\Studio\Photos\ReferenceRole;
use App\Studio\Photos\References;
use App\Studio\Photos\Uploads;
use App\Studio\Pieces;
use App\Studio\Planning\PicturePalettes;
use App\Studio\Zones\AreaBook;
use Closure;
use Illuminate\Support\Facades\DB;
use Prism\Reference\LookRefused;

/** Decodes an uploaded picture: the photo, or the line drawing, that a new piece begins with, one more of a piece, or another in the place of one. */
final class PhotoWork implements LongWork
{
    public function __construct(private readonly References $references, private readonly Uploads $uploads, private readonly AreaBook $areas)
    {
    }

    public function do(User $artist, array $wish, Closure $progress): array
    {
        $progress('Decoding the photo', 0.0);
        $path = $this->uploads->path($wish['file']);
        try {
            $reference = match (true) {
                isset($wish['reference']) => $this->replaced(Pieces::ofArtist($artist, $wish), $wish, $path),
                isset($wish['piece']) => $this->references->add(Pieces::ofArtist($artist, $wish), $path, $wish['name'], ReferenceRole::from($wish['role'])),
                default => $this->begun($artist, $wish, $path)->reference(),
            };
        } catch (PhotoRefused|LookRefused|ChangedMeanwhile $refusal) {
            throw new WorkRefused($refusal->getMessage(), previous: $refusal);
        } finally {
            $this->uploads->forget($wish['file']);
        }

        return ['piece' => $reference->piece_id, 'isFirst' => $this->references->isFirst($reference)];
    }

    /** @param  array<string, mixed>  $wish */
    private function begun(User $artist, array $wish, string $path): Piece
    {
        return DB::transaction(function () use ($artist, $wish, $path): Piece {
            $piece = $artist->pieces()->create([
                ...$artist->habits(),
                'title' => $wish['title'],
                'palette_size' => PicturePalettes::FIRST_SIZE,
                'paper_id' => Paper::seenBy($artist)->where('slug', $wish['paper'])->valueOrFail('id'),
            ]);
            ($wish['from'] ?? null) === 'lines' ? $this->areas->begin($piece, $path) : $this->references->begin($piece, $path);

            return $piece;
        });
    }

    /** @param  array<string, mixed>  $wish */
    private function replaced(Piece $piece, array $wish, string $path): Reference
    {
        $reference = $piece->references()->whereKey($wish['reference'])->first();
        if (! $reference instanceof Reference) {
            throw new WorkRefused('This photo is not in the piece any more; it may have been removed.');
        }
        if ($reference->picture !== $wish['picture']) {
            throw new ChangedMeanwhile('This photo');
        }
        $this->references->replace($reference->setRelation('piece', $piece), $path);

        return $reference;
    }
}
