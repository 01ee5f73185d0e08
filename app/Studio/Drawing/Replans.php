<?php

declare(strict_types=1);

namespace App\Studio\Drawing;

use App\Models\Piece;
use App\Models\Recipe;
use App\Models\ZoneTarget;
use App\Studio\Calibration\Engine;
use App\Studio\ChangedMeanwhile;
use App\Studio\Pencils\Catalogue;
use App\Studio\Photos\KeptFiles;
use App\Studio\Photos\PhotoStore;
use App\Studio\Planning\PictureZones;
use App\Studio\Planning\ZoneRecipes;
use App\Studio\Zones\Grounds;
use App\Studio\Zones\Targets;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Prism\Layering\Stack;
use Prism\Matching\Target;
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
    private const VERSION = 2;

    public function __construct(
        private readonly Engine $engine,
        private readonly Catalogue $catalogue,
        private readonly ZoneRecipes $recipes,
        private readonly PictureZones $picture,
        private readonly PhotoStore $photos,
    ) {
    }

    /** @return list<Replan> what is worth planning anew and was not left as it is, in the order of the plan */
    public function proposed(Piece $piece): array
    {
        $plan = $this->recipes->plan($piece);
        $left = $this->left($piece);
        $zones = array_column($this->picture->of($piece), null, 'id');
        $proposed = [];
        foreach ($this->passed($piece, $plan) as $id => $passed) {
            if ($passed->otherwise && ! isset($left[$id.' '.$passed->present])) {
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
            $row = Recipe::query()->where('target_id', $target)->first();
            if ($replan === null || $row === null || (string) $replan->rest !== $rest) {
                throw new ChangedMeanwhile(Marks::WHAT);
            }
            $own = $replan->passed->own;
            $was = ['target' => $target, 'stack' => $row->stack, 'by_hand' => $row->by_hand];
            $before = [];
            $kept = array_flip(array_map(static fn (PlanStep $step): string => $step->key, array_filter($plan->steps, static fn (PlanStep $step): bool => $step->zone->id === $target && ! $step->isOfRecipe())));
            foreach ($piece->drawnSteps()->get() as $drawn) {
                if (PlanStep::targetOf($drawn->step_key) === $target && ! isset($kept[$drawn->step_key])) {
                    $before[$drawn->step_key] = Marks::rowOf($drawn);
                }
            }
            $entry = $piece->drawingEntries()->create([
                'mark' => $mark, 'kind' => 'replanned', 'recipe_before' => $was, 'made_at' => $madeAt,
                'did' => ['target' => $target, 'present' => (string) $replan->passed->present, 'rest' => $rest, 'places' => [$replan->passed->zone->name]],
            ]);
            foreach (array_keys($before) as $key) {
                Marks::put($piece, $key, null);
            }
            Marks::recipe($target, ['stack' => (string) Stack::of(...$own->steps, ...$replan->rest->steps), 'by_hand' => true]);
            foreach ($this->recipes->plan($piece)->steps as $step) {
                if ($step->zone->id === $target && $step->layer >= 1 && $step->layer <= count($own) && ! isset($kept[$step->key])) {
                    $before[$step->key] ??= null;
                    Marks::put($piece, $step->key, ['state' => 'done', 'entry' => $entry->id, 'laid' => $step->isOfRecipe() ? (string) $own->steps[$step->layer - 1] : null, 'mm2' => $step->zone->areaMm2]);
                }
            }
            $entry->update(['before' => $before]);
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
        $row->zone->setRelation('piece', $piece);
        $wanted = $piece->value_only ? Target::value(Targets::drawn($row)) : Targets::wanted($row);
        $paper = Grounds::paper($piece, $row->zone);
        $box = $this->catalogue->box($piece->user);
        $desk = $this->catalogue->desk($piece->user, $passed->present, $passed->rest);
        $key = hash('xxh128', serialize([self::VERSION, $passed, $wanted, $zone, $piece->palette['pencils'] ?? [], $this->engine->digest($paper, $piece->user, $desk), $box]));
        $make = fn (): ?Replan => Replan::of(
            $passed, $wanted, $this->engine->predictor($paper, $piece->user, $desk), $this->engine->search($paper, $piece->user, $desk),
            $zone->limits(max(1, $passed->rest->layerCount()), $wanted), Kit::of(array_column($plan->pullList, 'pencil')),
        );

        return Parcel::unpack(KeptFiles::of($this->photos->folderOf($piece->reference()), 'replan', $key, self::KEPT, static fn (): string => Parcel::pack($make()), 'parcel'));
    }
}
