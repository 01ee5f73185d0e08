<?php

declare(strict_types=1);

namespace App\Studio\Planning;

use App\Models\Piece;
use App\Models\ZoneTarget;
use Illuminate\Support\Facades\DB;
use Prism\Reference\LookRefused;

/** Takes back the last planning of a picture: recipes and palette are as they were before it. */
final class PlanningUndo
{
    /** @throws LookRefused if there is nothing to take back */
    public function undo(Piece $piece): void
    {
        $before = $piece->before_planning ?? throw new LookRefused('There is no planning to take back.');
        DB::transaction(static function () use ($piece, $before): void {
            $targets = ZoneTarget::query();
            $targets->whereIn('zone_id', $piece->zones()->select('id'))->whereIn('id', array_keys($before['recipes']));
            foreach ($targets->with('recipe')->get() as $target) {
                $had = $before['recipes'][$target->id];
                // What the artist has chosen since stays.
                if ($target->recipe?->by_hand === true) {
                    continue;
                }
                $had === null ? $target->recipe()->delete() : $target->recipe()->updateOrCreate([], $had);
                $target->version++;
                $target->save();
            }
            $piece->update(['palette' => $before['palette'], 'before_planning' => null]);
        });
    }
}
