<?php

declare(strict_types=1);

namespace App\Studio\Planning;

use App\Models\DrawingEntry;
use App\Models\Piece;
use App\Models\User;
use Illuminate\Support\Carbon;
use Prism\Planning\Order\Pace;
use Prism\Planning\Order\PlanStep;
use Prism\Planning\Order\Sittings;

/** How fast an artist works, learned from the steps that they have marked as done. */
final class Paces
{
    /** A shorter one was catching up with marks. */
    private const CATCHING_UP_MINUTES = 0.2;

    /** Steps from which a pace of one's own is told. */
    private const LEAST_STEPS = 5;

    /** Of the pace that plans are made by, logarithm: a twentieth. */
    private const STEP = 0.05;

    /** The slowest and the fastest hand that is believed, mm² a minute. */
    private const BELIEVED = [40.0, 4000.0];

    /** @return array{pace: float, steps: int} mm² of one pass in a minute, and from how many steps; the usual pace from none */
    public function of(User $artist): array
    {
        $drawn = DrawingEntry::query();
        $drawn->whereIn('piece_id', $artist->pieces()->select('id'))->where('kind', 'done')->where('undone', false)->whereNotNull('laid_mm2')->whereNotNull('minutes');
        $paces = $drawn->get()->map(static fn (DrawingEntry $entry): float => $entry->laid_mm2 / max(0.01, $entry->minutes))->sort()->values();
        if ($paces->count() < self::LEAST_STEPS) {
            return ['pace' => Pace::USUAL, 'steps' => 0];
        }

        // The middle of all steps: one that was interrupted tells nothing.
        return ['pace' => max(self::BELIEVED[0], min(self::BELIEVED[1], (float) $paces->median())), 'steps' => $paces->count()];
    }

    /** In steps that change what a plan takes by no more than one would notice: it is not made anew with every mark. */
    public function forPiece(Piece $piece): Pace
    {
        ['pace' => $pace, 'steps' => $steps] = $this->of($piece->user);

        return new Pace($steps === 0 ? $pace : exp(self::STEP * round(log($pace) / self::STEP)), $piece->session_minutes);
    }

    /**
     * What steps that are marked at one press tell of it, all of them together. When it was pressed counts, not when it came: a press
     * may have waited for the network.
     *
     * @param  non-empty-list<PlanStep>  $steps
     * @return array{laid_mm2: float|null, minutes: float|null}
     */
    public function noted(Piece $piece, array $steps, Carbon $madeAt): array
    {
        $before = $piece->drawingEntries();
        $before->whereNotIn('kind', ['note', 'photo', 'left', 'replanned', 'corrected'])->where('made_at', '<=', $madeAt);
        $last = $before->max('made_at');
        $minutes = $last === null ? null : $madeAt->diffInSeconds($last, true) / 60.0 - Pace::CHANGE_MINUTES;
        $tells = $minutes !== null && $minutes >= self::CATCHING_UP_MINUTES && $minutes <= Sittings::BREAK_MINUTES;
        $laid = array_sum(array_map(static fn (PlanStep $step): float => $step->step?->pencil === null ? 0.0 : $step->step->passes * $step->zone->areaMm2, $steps));

        return [
            'laid_mm2' => $laid > 0.0 ? $laid : null,
            'minutes' => $tells ? $minutes : null,
        ];
    }
}
