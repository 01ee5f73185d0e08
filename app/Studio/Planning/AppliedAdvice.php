<?php

declare(strict_types=1);

namespace App\Studio\Planning;

use App\Models\Piece;
use App\Models\Recipe;
use App\Models\Zone;
use App\Models\ZoneTarget;
use App\Studio\Calibration\Engine;
use App\Studio\Pencils\Catalogue;
use App\Studio\Zones\Grounds;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Prism\Layering\Stack;
use Prism\Materials\Kit;
use Prism\Planning\Adjust\Adjuster;
use Prism\Planning\Adjust\Adjustment;
use Prism\Planning\Adjust\Aim;
use Prism\Planning\Advice\AdviceKind;
use Prism\Planning\Advice\Neighbours;
use Prism\Planning\Advice\ZoneAdvice;
use Prism\Planning\Order\Plan;
use Prism\Planning\PictureZone;
use Prism\Reference\LookRefused;

/**
 * Advice that is followed by one press: shown first as a pencil, a turn, and the colours before and after; then written into
 * the recipes of its zone as the artist's own, and taken back as easily.
 */
final class AppliedAdvice
{
    public function __construct(private readonly Engine $engine, private readonly Catalogue $catalogue, private readonly PictureZones $zones, private readonly ZoneRecipes $recipes)
    {
    }

    /**
     * What was applied and still holds: whose recipes were not planned anew or changed by hand since.
     *
     * @return list<array{id: string, zone: string, sentence: string, layer: string|null}> first to last
     */
    public static function holding(Piece $piece): array
    {
        $entries = $piece->advised ?? [];
        $stacks = Recipe::query()->whereIn('target_id', array_merge([], ...array_map(static fn (array $entry): array => array_keys($entry['has']), $entries)))->pluck('stack', 'target_id');
        $zones = $piece->zones()->get()->keyBy('id');
        $holds = static fn (array $entry): bool => $entry['crisp'] === null
            ? array_filter($entry['has'], static fn (string $stack, string $target): bool => $stacks->get($target) === $stack, ARRAY_FILTER_USE_BOTH) !== []
            : ($zones->get($entry['on'])->corrections['crisp'] ?? null) === $entry['crisp'];

        return array_values(array_map(
            static fn (array $entry): array => ['id' => $entry['id'], 'zone' => $entry['on'], 'sentence' => $entry['sentence'], 'layer' => $entry['layer']],
            array_filter($entries, $holds),
        ));
    }

    /**
     * What an advice comes to.
     *
     * @return array{sentence: string, zone: string, adjustment: ?Adjustment, turn: ?int, crisp: ?bool}
     *
     * @throws LookRefused if there is no such advice, or nothing that lies out does it
     */
    public function proposed(Piece $piece, string $zone, AdviceKind $kind): array
    {
        $plan = $this->recipes->plan($piece);
        [$sentence, $aim, $crisp] = $this->found($piece, $plan, $zone, $kind);
        if ($aim === null) {
            return ['sentence' => $sentence, 'zone' => $zone, 'adjustment' => null, 'turn' => null, 'crisp' => $crisp ?? throw new LookRefused('This advice is a matter of the hand; there is nothing to apply.')];
        }
        $stacks = $plan->laid();
        $of = $this->ofZone($piece, $aim->zone);
        $adjuster = new Adjuster($this->engine->predictor(Grounds::paper($piece, $piece->zones()->whereKey($aim->zone)->first()), $piece->user, $this->catalogue->desk($piece->user, ...array_values($stacks)))->model, Kit::of(array_column($plan->pullList, 'pencil')));
        $adjustment = $adjuster->towards($aim, $of, $stacks)
            ?? throw new LookRefused(sprintf('None of the pencils that lie out brings %s that way within what the paper bears and your schools allow.', $of->name));

        return ['sentence' => $sentence, 'zone' => $aim->zone, 'adjustment' => $adjustment, 'turn' => $this->turnOf($this->recipes->plan($piece, self::stacks($adjustment)), $adjustment), 'crisp' => null];
    }

    /** Refused as {@see proposed()} is. No planning comes between what is proposed and what is written. */
    public function apply(Piece $piece, string $zone, AdviceKind $kind): void
    {
        DB::transaction(function () use ($piece, $zone, $kind): void {
            $locked = self::locked($piece);
            $proposal = $this->proposed($piece, $zone, $kind);
            $had = $has = [];
            foreach ($proposal['adjustment'] === null ? [] : self::stacks($proposal['adjustment']) as $id => $stack) {
                $target = self::target($id) ?? throw new LookRefused('This colour is not there any more.');
                $had[$id] = $target->recipe === null ? null : ['stack' => $target->recipe->stack, 'by_hand' => $target->recipe->by_hand];
                $has[$id] = (string) $stack;
                $target->recipe()->updateOrCreate([], ['stack' => $has[$id], 'by_hand' => true]);
                $target->version++;
                $target->save();
            }
            $crispBefore = null;
            if ($proposal['crisp'] !== null) {
                $row = $locked->zones()->whereKey($proposal['zone'])->firstOrFail();
                $crispBefore = $row->corrections['crisp'] ?? null;
                self::edged($row, $proposal['crisp']);
            }
            $locked->update(['advised' => [...$locked->advised ?? [], [
                'id' => (string) Str::ulid(), 'zone' => $zone, 'kind' => $kind->value, 'sentence' => $proposal['sentence'], 'on' => $proposal['zone'],
                'layer' => $proposal['adjustment'] === null ? null : (string) $proposal['adjustment']->layer, 'had' => $had, 'has' => $has, 'crisp' => $proposal['crisp'], 'crispBefore' => $crispBefore,
            ]]]);
        });
    }

    /** Takes one back: recipes are as they were before it; what the artist has changed since stays. Refused if it is not there. */
    public function undo(Piece $piece, string $id): void
    {
        DB::transaction(static function () use ($piece, $id): void {
            $locked = self::locked($piece);
            $entries = $locked->advised ?? [];
            $gone = array_values(array_filter($entries, static fn (array $entry): bool => $entry['id'] === $id))[0] ?? throw new LookRefused('This advice is not applied any more.');
            foreach ($gone['has'] as $target => $stack) {
                $row = self::target($target);
                if ($row !== null && $row->recipe?->stack === $stack) {
                    $had = $gone['had'][$target];
                    $had === null ? $row->recipe()->delete() : $row->recipe()->updateOrCreate([], $had);
                    $row->version++;
                    $row->save();
                }
            }
            $zone = $gone['crisp'] === null ? null : $locked->zones()->whereKey($gone['on'])->first();
            if ($zone !== null && ($zone->corrections['crisp'] ?? null) === $gone['crisp']) {
                self::edged($zone, $gone['crispBefore']);
            }
            $locked->update(['advised' => array_values(array_filter($entries, static fn (array $entry): bool => $entry['id'] !== $id)) ?: null]);
        });
    }

    /**
     * @return array{string, ?Aim, ?bool} sentence, which way colours should go, whether an edge should be sharp
     *
     * @throws LookRefused if there is no such advice
     */
    private function found(Piece $piece, Plan $plan, string $zone, AdviceKind $kind): array
    {
        $zones = $this->zones->of($piece);
        if ($kind === AdviceKind::Push) {
            $looks = array_map(static fn ($built) => $built->colour, $plan->built);
            foreach (Neighbours::tooAlike($zones, $looks, $piece->paper->L) as $pair) {
                if ($pair->pushed->id === $zone) {
                    return [$pair->sentence(), $pair->aim(), null];
                }
            }
        } else {
            foreach (ZoneAdvice::of($zones, Kit::of(array_column($plan->pullList, 'pencil'))) as $advice) {
                if ($advice->zone === $zone && $advice->kind === $kind) {
                    return [$advice->sentence, $advice->aim, $advice->crisp];
                }
            }
        }

        throw new LookRefused('This advice does not hold any more; the plan has changed.');
    }

    private function ofZone(Piece $piece, string $id): PictureZone
    {
        foreach ($this->zones->of($piece) as $zone) {
            if ($zone->id === $id) {
                return $zone;
            }
        }

        throw new LookRefused('This zone is not there any more.');
    }

    /** The turn in which the layer is laid. */
    private function turnOf(Plan $plan, Adjustment $adjustment): ?int
    {
        foreach ($plan->steps as $step) {
            if (isset($adjustment->colours[$step->zone->id]) && (string) $step->step?->withPasses($adjustment->layer->passes) === (string) $adjustment->layer) {
                return $step->turn;
            }
        }

        return null;
    }

    /** No other change of the piece comes between. */
    private static function locked(Piece $piece): Piece
    {
        $rows = Piece::query()->whereKey($piece->id);
        $rows->lockForUpdate();

        return $rows->get()->firstOrFail();
    }

    /** Sharp, soft, or as it was read: the one correction, whatever else is corrected. */
    private static function edged(Zone $zone, ?bool $crisp): void
    {
        $zone->corrections = array_filter([...$zone->corrections ?? [], 'crisp' => $crisp], static fn (mixed $said): bool => $said !== null) ?: null;
        $zone->version++;
        $zone->save();
    }

    private static function target(string $id): ?ZoneTarget
    {
        return ZoneTarget::query()->with('recipe')->where('id', $id)->get()->first();
    }

    /** @return array<string, Stack> by target */
    private static function stacks(Adjustment $adjustment): array
    {
        return array_map(static fn (array $colour): Stack => $colour['stack'], $adjustment->colours);
    }
}
