<?php

declare(strict_types=1);

namespace App\Studio\Drawing;

use App\Models\DrawingEntry;
use App\Models\Piece;
use App\Studio\ChangedMeanwhile;
use App\Studio\Planning\Paces;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Prism\Planning\Order\PlanStep;

/**
 * The steps of a plan that are marked as done or skipped: each press upon what was seen, whoever else is marking, and each an
 * entry of the log that can be taken back as a whole.
 */
final class Marks
{
    private const WHAT = 'The drawing';

    public function __construct(private readonly Paces $paces)
    {
    }

    /**
     * @param  string  $mark  of the press: what was sent before is not done again
     * @param  non-empty-list<PlanStep>  $steps
     * @param  string  $state  done, skipped, or open to take a mark off
     * @param  ?string  $was  what all of them were seen as; else {@see ChangedMeanwhile} is thrown. Null: whatever they are
     */
    public function mark(Piece $piece, string $mark, array $steps, string $state, ?string $was, Carbon $madeAt): void
    {
        DB::transaction(function () use ($piece, $mark, $steps, $state, $was, $madeAt): void {
            self::lock($piece);
            if ($piece->drawingEntries()->where('mark', $mark)->exists()) {
                return;
            }
            $marked = $piece->drawnSteps();
            $marked->whereIn('step_key', array_map(static fn (PlanStep $step): string => $step->key, $steps));
            $rows = $marked->get()->keyBy('step_key');
            $before = [];
            foreach ($steps as $step) {
                $row = $rows->get($step->key);
                if ($was !== null && ($row === null ? 'open' : $row->state) !== $was) {
                    throw new ChangedMeanwhile(self::WHAT);
                }
                $before[$step->key] = $row === null ? null : ['state' => $row->state, 'entry' => $row->entry_id];
            }
            $entry = $piece->drawingEntries()->create(['mark' => $mark, 'kind' => $state, 'turn' => $steps[0]->turn, 'before' => $before, 'made_at' => $madeAt, ...$this->paces->noted($piece, $steps, $madeAt)]);
            foreach ($steps as $step) {
                self::put($piece, $step->key, $state === 'open' ? null : ['state' => $state, 'entry' => $entry->id]);
            }
        });
    }

    /** @param  ?string  $seen  the press that was seen as the last; else {@see ChangedMeanwhile} is thrown. Null: whichever it is */
    public function undo(Piece $piece, ?string $seen): void
    {
        DB::transaction(static function () use ($piece, $seen): void {
            self::lock($piece);
            $last = self::last($piece);
            if ($seen !== null && $last?->mark !== $seen) {
                throw new ChangedMeanwhile(self::WHAT);
            }
            foreach ($last->before ?? [] as $key => $was) {
                self::put($piece, (string) $key, $was);
            }
            $last?->update(['undone' => true]);
        });
    }

    /** The last press that holds. */
    public static function last(Piece $piece): ?DrawingEntry
    {
        $entries = $piece->drawingEntries();
        $entries->where('kind', '!=', 'note')->where('undone', false)->orderByDesc('id');

        return $entries->first();
    }

    /** @param  array{state: string, entry: int|null}|null  $to  null: no mark */
    private static function put(Piece $piece, string $key, ?array $to): void
    {
        if ($to === null) {
            $piece->drawnSteps()->where('step_key', $key)->delete();

            return;
        }
        $piece->drawnSteps()->updateOrCreate(['step_key' => $key], ['state' => $to['state'], 'entry_id' => $to['entry']]);
    }

    private static function lock(Piece $piece): void
    {
        Piece::query()->whereKey($piece->id)->lockForUpdate()->value('id');
    }
}
