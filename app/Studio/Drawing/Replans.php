<?php

declare(strict_types=1);

namespace App\Studio\Drawing;

use App\Models\Piece;
use App\Models\ZoneTarget;
use App\Studio\Calibration\Engine;
use App\Studio\ChangedMeanwhile;
use App\Studio\Pencils\Catalogue;
use App\Studio\Photos\KeptFiles;
use App\Studio\Photos\PhotoStore;
use App\Studio\Planning\PictureZones;
use App\Studio\Planning\PlaceDesk;
use App\Studio\Planning\ZoneRecipes;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Prism\Materials\Kit;
use Prism\Planning\Order\Passed;
use Prism\Planning\Order\Plan;
use Prism\Planning\Order\PlanStep;
use Prism\Planning\Order\Replan;
use Prism\Planning\Parcel;
use Prism\Planning\PictureZone;

/** What follows in places where something was laid otherwise: planned anew from what lies there, taken or left. */
final class Replans
{
    /** Of one photo: the last that were looked for. */
    private const KEPT = 60;

    /** Goes up when places are planned anew differently. */
    private const VERSION = 4;

    public function __construct(
        private readonly Engine $engine,
        private readonly Catalogue $catalogue,
        private readonly ZoneRecipes $recipes,
        private readonly PictureZones $picture,
        private readonly PhotoStore $photos,
        private readonly OtherRecipes $others,
    ) {
    }

    /** @return list<Replan> what is worth planning anew and was not left as it is, in the order of the plan */
    public function proposed(Piece $piece): array
    {
        $plan = $this->recipes->plan($piece);
        $left = $this->left($piece);
        $otherwise = self::otherwise($piece);
        $zones = array_column($this->picture->of($piece), null, 'id');
        $proposed = [];
        foreach ($this->passed($piece, $plan) as $id => $passed) {
            if ($passed->otherwise && isset($otherwise[$id]) && ! isset($left[$id.' '.$passed->present])) {
                $proposed[] = $this->replan($piece, $plan, $passed, $zones[$passed->zone->zone] ?? null);
            }
        }

        return array_values(array_filter($proposed));
    }

    /**
     * Takes what is proposed: from what lies there on, the colour has another recipe.
     *
     * @param  string  $mark  of the press
     * @param  string  $rest  what was seen as proposed; else {@see ChangedMeanwhile} is thrown
     */
    public function take(Piece $piece, string $mark, string $target, string $rest, Carbon $madeAt): void
    {
        DB::transaction(function () use ($piece, $mark, $target, $rest, $madeAt): void {
            Marks::lock($piece);
            if ($piece->drawingEntries()->where('mark', $mark)->exists()) {
                return;
            }
            $plan = $this->recipes->plan($piece);
            $passed = $this->passed($piece, $plan)[$target] ?? null;
            $replan = $passed === null ? null : $this->replan($piece, $plan, $passed, array_column($this->picture->of($piece), null, 'id')[$passed->zone->zone] ?? null);
            if ($replan === null || (string) $replan->rest !== $rest) {
                throw new ChangedMeanwhile(Marks::WHAT);
            }
            $entry = $piece->drawingEntries()->create([
                'mark' => $mark, 'kind' => 'replanned', 'made_at' => $madeAt,
                'did' => ['target' => $target, 'present' => (string) $replan->passed->present, 'rest' => $rest, 'places' => [$replan->passed->zone->name]],
            ]);
            $this->others->take($piece, $entry, $plan, [$target => [$replan->passed->own->steps, $replan->rest]]);
        });
    }

    /** The plan stays as it is there: it is not asked again until something else is laid. */
    public function leave(Piece $piece, string $mark, string $target, Carbon $madeAt): void
    {
        $passed = $this->passed($piece, $this->recipes->plan($piece))[$target] ?? throw new ChangedMeanwhile(Marks::WHAT);
        $piece->drawingEntries()->firstOrCreate(['mark' => $mark], [
            'kind' => 'left', 'made_at' => $madeAt, 'did' => ['target' => $target, 'present' => (string) $passed->present, 'rest' => '', 'places' => [$passed->zone->name]],
        ]);
    }

    /**
     * Colours of which something was left out, or laid otherwise than was planned when it was laid. What was laid as planned then and is planned
     * otherwise since, since another recipe of its turn has changed, is nothing that the hand did.
     *
     * @return array<string, true> by target
     */
    private static function otherwise(Piece $piece): array
    {
        $entries = $piece->drawingEntries()->get(['id', 'kind', 'did'])->keyBy('id');
        $otherwise = [];
        foreach ($piece->drawnSteps()->get() as $row) {
            $entry = $entries->get($row->entry_id);
            $isAsPlanned = $row->state === 'done' && $entry !== null && match ($entry->kind) {
                'corrected', 'replanned' => true,
                default => $entry->did !== null && ($entry->did['laid'] ?? null) === ($entry->did['planned'] ?? null),
            };
            if (! $isAsPlanned) {
                $otherwise[PlanStep::targetOf($row->step_key)] = true;
            }
        }

        return $otherwise;
    }

    /** @return array<string, Passed> by target */
    private function passed(Piece $piece, Plan $plan): array
    {
        return Passed::through($plan, $piece->drawnSteps()->pluck('state', 'step_key')->all());
    }

    /** @return array<string, true> places that were left as they are, by target and what lies there */
    private function left(Piece $piece): array
    {
        $entries = $piece->drawingEntries();
        $entries->where('kind', 'left')->where('undone', false);
        $left = [];
        foreach ($entries->get() as $entry) {
            $left[($entry->did['target'] ?? '').' '.($entry->did['present'] ?? '')] = true;
        }

        return $left;
    }

    /** @param  ?PictureZone  $zone  that the place lies in; null where it is there no more */
    private function replan(Piece $piece, Plan $plan, Passed $passed, ?PictureZone $zone): ?Replan
    {
        $row = ZoneTarget::query()->with('zone.targets')->find($passed->zone->id);
        if ($row === null || $zone === null) {
            return null;
        }
        $desk = PlaceDesk::of($this->engine, $this->catalogue, $piece, $row, $passed->present, $passed->rest);
        $key = hash('xxh128', serialize([self::VERSION, $passed, $desk->wanted, $zone, $piece->palette['pencils'] ?? [], $desk->digest(), $this->catalogue->box($piece->user)]));
        $make = static fn (): ?Replan => Replan::of(
            $passed, $desk->wanted, $desk->predictor(), $desk->search(),
            $zone->limits(max(1, $passed->rest->layerCount()), $desk->wanted), Kit::of(array_column($plan->pullList, 'pencil')),
        );

        return Parcel::unpack(KeptFiles::of($this->photos->folderOf($piece->reference()), 'replan', $key, self::KEPT, static fn (): string => Parcel::pack($make()), 'parcel'));
    }
}
