<?php

declare(strict_types=1);

namespace App\Studio\LongWork;

use App\Models\User;
use App\Studio\Photos\PhotoRefused;
use App\Studio\Pieces;
use App\Studio\Review\DrawingReviews;
use Closure;
use Prism\Review\ReviewRefused;

/** Compares a photo of the drawing, out of its log, with the reference. */
final class ReviewWork implements LongWork
{
    public function __construct(private readonly DrawingReviews $reviews)
    {
    }

    public function do(User $artist, array $wish, Closure $progress): array
    {
        $piece = Pieces::ofArtist($artist, $wish);
        try {
            $this->reviews->make($piece, (string) $wish['photo'], $wish['corners'] ?? null, $progress, (bool) ($wish['taped'] ?? false));
        } catch (ReviewRefused|PhotoRefused $refusal) {
            throw new WorkRefused($refusal->getMessage(), previous: $refusal);
        }

        return ['piece' => $piece->id];
    }
}
