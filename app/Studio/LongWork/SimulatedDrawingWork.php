<?php

declare(strict_types=1);

namespace App\Studio\LongWork;

use App\Models\User;
use App\Studio\Pieces;
use App\Studio\Review\DrawingReviews;
use App\Studio\Review\SimulatedDrawings;
use Closure;
use Prism\Review\ReviewRefused;
use Standin\ErringHand;

/** Has the simulated studio draw and photograph what is ticked, and compares that with the reference. */
final class SimulatedDrawingWork implements LongWork
{
    /** Share of the work that is drawing. */
    private const DRAWING = 0.4;

    public function __construct(private readonly SimulatedDrawings $drawings, private readonly DrawingReviews $reviews)
    {
    }

    public function do(User $artist, array $wish, Closure $progress): array
    {
        $piece = Pieces::ofArtist($artist, $wish);
        $mark = $this->drawings->photograph($piece, ErringHand::from((string) $wish['hand']), static fn (string $doing, float $share) => $progress($doing, self::DRAWING * $share));
        try {
            $this->reviews->make($piece, $mark, null, static fn (string $doing, float $share) => $progress($doing, self::DRAWING + (1.0 - self::DRAWING) * $share));
        } catch (ReviewRefused $refusal) {
            throw new WorkRefused($refusal->getMessage(), previous: $refusal);
        }

        return ['piece' => $piece->id, 'photo' => $mark];
    }
}
