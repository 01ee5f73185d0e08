<?php

declare(strict_types=1);

namespace App\Studio;

use App\Models\Piece;
use App\Models\Recipe;
use App\Models\User;
use App\Studio\Drawing\Marks;
use App\Studio\LongWork\PlanningWork;
use App\Studio\Planning\PlanPages;
use App\Studio\Planning\ZoneRecipes;
use App\Studio\Review\DrawingReviews;
use App\Studio\Review\SimulatedDrawings;
use App\Studio\Zones\PictureParts;
use Illuminate\Support\Carbon;
use Illuminate\Support\Str;
use Prism\Planning\Order\Pace;
use Prism\Planning\Order\PlanStep;
use Standin\ErringHand;

/** A piece of the demo on which the simulated hand has been at work for some days, and that was compared twice: Draw and Compare have something to show. */
final class DemoDrawing
{
    /** As the demo has it. */
    private const CHECKS = [[0.33, 4], [0.67, 1]];

    public function __construct(
        private readonly PlanningWork $planning,
        private readonly ZoneRecipes $recipes,
        private readonly Marks $marks,
        private readonly SimulatedDrawings $drawings,
        private readonly DrawingReviews $reviews,
        private readonly PlanPages $pages,
        private readonly PictureParts $parts,
    ) {
    }

    /**
     * A piece with zones is planned with the artist's box, drawn by a light hand and compared. One that is planned or begun already
     * is somebody's, and left alone.
     *
     * @param  list<array{float, int}>  $checks  shares of the turns that are laid when it is photographed, and how many days ago that was
     *
     * @throws \Prism\Review\ReviewRefused if no drawing can be read in what the simulated camera has taken
     */
    public function draw(User $artist, Piece $piece, array $checks = self::CHECKS): void
    {
        if ($piece->drawingEntries()->exists() || Recipe::query()->whereRelation('target.zone', 'piece_id', $piece->id)->exists()) {
            return;
        }
        $quiet = static fn () => null;
        $this->planning->do($artist, ['piece' => $piece->id], $quiet);
        $piece->refresh();
        $plan = $this->recipes->plan($piece);
        $turns = [];
        foreach ($plan->steps as $step) {
            $turns[$step->turn][] = $step;
        }
        ksort($turns);
        $turns = array_values($turns);
        // Each takes what the plan says, so that the pace that is read in the log is a hand's.
        $takes = array_map(static fn (array $steps): float => Pace::CHANGE_MINUTES + array_sum(array_map(static fn (PlanStep $step): float => $step->minutes, $steps)), $turns);
        $from = 0;
        foreach ($checks as [$share, $daysAgo]) {
            $upTo = (int) round($share * count($turns));
            $end = Carbon::now()->subDays($daysAgo);
            for ($turn = $from; $turn < $upTo; $turn++) {
                /** @var non-empty-list<PlanStep> $steps */
                $steps = $turns[$turn];
                $this->marks->mark($piece, (string) Str::ulid(), $steps, 'done', 'open', $end->copy()->subSeconds((int) round(60.0 * array_sum(array_slice($takes, $turn + 1, $upTo - $turn - 1)))));
            }
            $from = $upTo;
            $mark = $this->drawings->photograph($piece, ErringHand::Light, $quiet, $end);
            $this->reviews->make($piece, $mark, null, $quiet);
        }
        // Looked at once, so that how far it is is known, and Draw opens at once.
        $this->pages->of($piece->refresh());
        $this->parts->all($piece);
    }
}
