<?php

declare(strict_types=1);

namespace App\Studio\Drawing;

use App\Models\DrawingEntry;
use App\Models\DrawnStep;
use App\Models\Piece;
use App\Models\ZoneTarget;
use App\Studio\ChangedMeanwhile;
use App\Studio\Planning\Paces;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Prism\Layering\Stack;
use Prism\Planning\Order\Deviation;
use Prism\Planning\Order\PlanStep;

/**
 * The steps of a plan that are marked as done or skipped: each press upon what was seen, whoever else is marking, and each an
 * entry of the log that can be taken back as a whole.
 */
final class Marks
{
    public const WHAT = 'The drawing';

    public function __construct(private readonly Paces $paces)
    {
    }

    /**
     * @param  string  $mark  of the press: what was sent before is not done again
     * @param  non-empty-list<PlanStep>  $steps
     * @param  string  $state  done, skipped, or open to take a mark off
     * @param  ?string  $was  what all of them were seen as. What was open and has been marked elsewhere meanwhile stays laid if it is;
     *                        for all else {@see ChangedMeanwhile} is thrown. Null: whatever they are
     * @param  ?Deviation  $otherwise  what the hand did otherwise than they say, where they are done
     */
    public function mark(Piece $piece, string $mark, array $steps, string $state, ?string $was, Carbon $madeAt, ?Deviation $otherwise = null): void
    {
        DB::transaction(function () use ($piece, $mark, $steps, $state, $was, $madeAt, $otherwise): void {
            self::lock($piece);
            if ($piece->drawingEntries()->where('mark', $mark)->exists()) {
                return;
            }
            $marked = $piece->drawnSteps();
            $marked->whereIn('step_key', array_map(static fn (PlanStep $step): string => $step->key, $steps));
            $rows = $marked->get()->keyBy('step_key');
            $before = $lies = [];
            foreach ($steps as $step) {
                $row = $rows->get($step->key);
                if ($was !== null && ! self::agrees($row === null ? 'open' : $row->state, $was, $state)) {
                    throw new ChangedMeanwhile(self::WHAT);
                }
                $before[$step->key] = $row === null ? null : self::rowOf($row);
                $lies[$step->key] = $state === 'done' ? self::lies($step, $row?->state === 'done' ? $row : null, $otherwise) : null;
            }
            $did = [
                'laid' => $lies[$steps[0]->key], 'planned' => $steps[0]->step === null ? null : (string) $steps[0]->step, 'role' => $steps[0]->role->value,
                'places' => array_values(array_unique(array_map(static fn (PlanStep $step): string => $step->zone->zoneName(), $steps))),
            ];
            $entry = $piece->drawingEntries()->create(['mark' => $mark, 'kind' => $state, 'turn' => $steps[0]->turn, 'before' => $before, 'did' => $did, 'made_at' => $madeAt, ...$this->paces->noted($piece, $steps, $madeAt)]);
            foreach ($steps as $step) {
                if ($was === 'open' && $rows->get($step->key)?->state === 'done') {
                    // Another hand has laid it meanwhile: what lies on the paper is not laid twice, nor left out.
                    continue;
                }
                self::put($piece, $step->key, $state === 'open' ? null : ['state' => $state, 'entry' => $entry->id, 'laid' => $lies[$step->key], 'mm2' => $step->zone->areaMm2]);
            }
        });
    }

    /** Whether a press upon what was seen goes together with what was marked meanwhile: what is laid stays so. */
    private static function agrees(string $is, string $was, string $to): bool
    {
        return $is === $was || ($was === 'open' && $to !== 'open');
    }

    /** What lies from a step, as notation; null where nothing does. */
    private static function lies(PlanStep $step, ?DrawnStep $row, ?Deviation $otherwise): ?string
    {
        $already = $row === null || $row->laid === null ? null : Stack::parse($row->laid);
        $lies = match (true) {
            $otherwise !== null => $otherwise->from($step->step, $already ?? ($row === null ? null : Stack::of(...$step->lies()))),
            $already !== null => $already,
            default => $step->step === null ? Stack::of() : Stack::of($step->step),
        };

        return count($lies) === 0 ? null : (string) $lies;
    }

    /** @return array{state: string, entry: int|null, laid: string|null, mm2: float|null} */
    public static function rowOf(DrawnStep $row): array
    {
        return ['state' => $row->state, 'entry' => $row->entry_id, 'laid' => $row->laid, 'mm2' => $row->mm2];
    }

    /** @param  ?string  $seen  the entry that was seen as the last, a press, a note or a photo; else {@see ChangedMeanwhile} is thrown. Null: whichever it is */
    public function undo(Piece $piece, ?string $seen): void
    {
        DB::transaction(static function () use ($piece, $seen): void {
            self::lock($piece);
            if ($seen !== null && $piece->drawingEntries()->where('mark', $seen)->where('undone', true)->exists()) {
                // Sent twice: it is taken back already.
                return;
            }
            $last = self::last($piece);
            if ($seen !== null && $last?->mark !== $seen) {
                throw new ChangedMeanwhile(self::WHAT);
            }
            foreach ($last->before ?? [] as $key => $was) {
                self::put($piece, (string) $key, $was);
            }
            foreach ($last->recipe_before ?? [] as ['target' => $target, 'stack' => $stack, 'by_hand' => $byHand]) {
                self::recipe($target, ['stack' => $stack, 'by_hand' => $byHand]);
            }
            $last?->update(['undone' => true]);
        });
    }

    /** What was pressed, written down or photographed last, and holds. */
    public static function last(Piece $piece): ?DrawingEntry
    {
        $entries = $piece->drawingEntries();
        $entries->where('undone', false)->orderByDesc('id');

        return $entries->first();
    }

    /** @param  array{state: string, entry: int|null, laid?: string|null, mm2?: float|null}|null  $to  null: no mark */
    public static function put(Piece $piece, string $key, ?array $to): void
    {
        if ($to === null) {
            $piece->drawnSteps()->where('step_key', $key)->delete();

            return;
        }
        $piece->drawnSteps()->updateOrCreate(['step_key' => $key], ['state' => $to['state'], 'entry_id' => $to['entry'], 'laid' => $to['laid'] ?? null, 'mm2' => $to['mm2'] ?? null]);
    }

    /** @param  array{stack: string, by_hand: bool}  $recipe */
    public static function recipe(string $target, array $recipe): void
    {
        $row = ZoneTarget::query()->find($target);
        if ($row !== null) {
            $row->recipe()->updateOrCreate([], $recipe);
            $row->version++;
            $row->save();
        }
    }

    public static function lock(Piece $piece): void
    {
        Piece::query()->whereKey($piece->id)->lockForUpdate()->value('id');
    }
}
