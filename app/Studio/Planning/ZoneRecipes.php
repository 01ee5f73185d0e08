<?php

declare(strict_types=1);

namespace App\Studio\Planning;

use App\Models\Piece;
use App\Models\Zone;
use App\Studio\Calibration\Engine;
use App\Studio\Pencils\Catalogue;
use App\Studio\Photos\KeptFiles;
use App\Studio\Photos\PhotoStore;
use App\Studio\Photos\Unnamed;
use App\Studio\Zones\Grounds;
use App\Studio\Zones\Targets;
use App\Studio\Zones\ZoneTraits;
use Illuminate\Support\Facades\Cache;
use Prism\Layering\Predictor;
use Prism\Layering\Stack;
use Prism\Matching\EmptyBox;
use Prism\Matching\Limits;
use Prism\Matching\Trio;
use Prism\Materials\Kit;
use Prism\Planning\Order\AsDrawn;
use Prism\Planning\Order\Plan;
use Prism\Planning\Order\PlannedZone;
use Prism\Planning\Order\Planner;
use Prism\Planning\Parcel;
use Prism\Reference\LookRefused;

/** The recipes of a piece's targets as the engine sees them now, and the plan they make. */
final class ZoneRecipes
{
    /** Goes up when plans are made differently from the same recipes. */
    private const PLANS_VERSION = 4;

    /** What slips through is made anew so soon. */
    private const KNOWN_SECONDS = 300;

    /** Of one photo: as it is, and as it was before what one takes back. */
    private const KEPT_PLANS = 6;

    public function __construct(private readonly Engine $engine, private readonly Catalogue $catalogue, private readonly Paces $paces, private readonly Grounds $grounds, private readonly PhotoStore $photos)
    {
    }

    /**
     * Three neighbouring hues for the light, the middle and the dark of a zone.
     *
     * @throws LookRefused if the zone has not all three, or the box no such three
     * @throws EmptyBox
     */
    public function trio(Zone $zone): Trio
    {
        $targets = [];
        foreach ($zone->targets as $target) {
            $targets[$target->role->value] ??= Targets::wanted($target);
        }
        if (! isset($targets['light'], $targets['middle'], $targets['dark'])) {
            throw new LookRefused('This zone has not a light, a middle and a dark of its own; choose one that is shaded.');
        }
        $piece = $zone->piece;
        $search = $this->engine->search(Grounds::paper($piece, $zone), $piece->user, $this->catalogue->box($piece->user));
        $limits = new Limits(maxLayers: 8, schools: SchoolChoices::ofZone($zone)->schools(), surface: ZoneTraits::surface($zone));

        return $search->trio($targets['light'], $targets['middle'], $targets['dark'], $limits)
            ?? throw new LookRefused('Your box has no three neighbouring hues, one lighter than the other, near these colours.');
    }

    /**
     * A stack in its plain notation, once it is known to be readable and of pencils that there are.
     *
     * @throws \Prism\Layering\NotationError
     * @throws \Prism\Layering\UnknownPencil
     */
    public function checked(Piece $piece, string $notation): string
    {
        $stack = Stack::parse($notation);
        $this->engine->predictor($piece->paper, $piece->user, $this->catalogue->desk($piece->user, $stack))->predict($stack);

        return (string) $stack;
    }

    /**
     * The plan for a request that has changed nothing yet: as it was made at this revision of the studio, without gathering all that it rests on.
     */
    public function known(Piece $piece): Plan
    {
        if (! config('prism.keep_answers')) {
            return $this->plan($piece);
        }
        $name = "plan:$piece->id";
        $as = [$piece->user->plan_revision, $this->paces->forPiece($piece)->mm2PerMinute];
        $kept = Cache::get($name);
        $plan = is_array($kept) && $kept['as'] === $as ? Parcel::unpack((string) gzuncompress((string) base64_decode($kept['plan'], true))) : null;
        if (! $plan instanceof Plan) {
            $plan = $this->plan($piece);
            // As text, since a table of the database may keep it.
            Cache::put($name, ['as' => $as, 'plan' => base64_encode((string) gzcompress(Parcel::pack($plan), 1))], self::KNOWN_SECONDS);
        }

        return $plan;
    }

    /**
     * As it goes on from what was really laid.
     *
     * @param  array<string, Stack>  $instead  by target, as the artist's own: to see what the plan would be with them
     */
    public function plan(Piece $piece, array $instead = []): Plan
    {
        $zones = [];
        $paper = $piece->width_mm * $piece->height_mm / (($piece->crop['width'] ?? 1.0) * ($piece->crop['height'] ?? 1.0));
        $rows = $piece->zones()->with('targets.recipe')->get();
        $ids = $rows->pluck('id', 'label');
        $stacks = [];
        foreach ($rows as $zone) {
            foreach ($zone->targets as $target) {
                if ($target->recipe !== null) {
                    $stacks[$target->id] = Stack::parse($target->recipe->stack);
                }
            }
        }
        $stacks = [...$stacks, ...$instead];
        $laid = self::drawn($piece);
        $desk = $this->catalogue->desk($piece->user, ...array_values($stacks), ...array_values($laid));
        $onPaper = $this->engine->recipes($piece->paper, $piece->user, $desk);
        foreach ($rows as $zone) {
            $zone->setRelation('piece', $piece);
            $recipes = $zone->ground === null ? $onPaper : $this->engine->recipes(Grounds::paper($piece, $zone), $piece->user, $desk);
            $touching = [];
            foreach (array_keys($zone->estimates['touching'] ?? []) as $label) {
                if (isset($ids[$label])) {
                    $touching[] = $ids[$label];
                }
            }
            $schools = SchoolChoices::ofZone($zone);
            foreach ($zone->targets as $target) {
                $stack = $stacks[$target->id] ?? null;
                if ($stack !== null) {
                    $wanted = Targets::wanted($target->setRelation('zone', $zone));
                    $zones[] = new PlannedZone(
                        $target->id, $zone->id, Targets::name($target), $wanted->colour, $stack, $recipes->underlayer($stack, $wanted), $paper * $zone->share * $target->share,
                        $touching, $schools->schools(), $schools->highlights(), $target->role, $zone->name, isset($instead[$target->id]) || $target->recipe?->by_hand === true, $piece->value_only, Targets::lineMm($target), Targets::edgeMm($target), $zone->x, $zone->y,
                    );
                }
            }
        }

        $grounds = null;

        return AsDrawn::of($this->kept($piece, $zones, $desk), $laid, function (string $target) use ($piece, $desk, &$grounds): Predictor {
            $grounds ??= $this->grounds->predictors($piece, $desk);

            return $grounds[$target] ?? $this->engine->predictor($piece->paper, $piece->user, $desk);
        });
    }

    /** @return array<string, Stack> what lies in place of steps, by key; none where they were left out */
    private static function drawn(Piece $piece): array
    {
        $laid = [];
        foreach ($piece->drawnSteps()->get() as $row) {
            if ($row->state === 'skipped') {
                $laid[$row->step_key] = Stack::of();
            } elseif ($row->laid !== null) {
                $laid[$row->step_key] = Stack::parse($row->laid);
            }
        }

        return $laid;
    }

    /**
     * What is asked for with each look at a piece is made once, until something that it rests on changes.
     *
     * @param  list<PlannedZone>  $zones
     */
    private function kept(Piece $piece, array $zones, Kit $desk): Plan
    {
        $rests = [SchoolChoices::ofPiece($piece)->background(), $this->paces->forPiece($piece), $piece->user->hand];
        $engines = [$this->engine->digest($piece->paper, $piece->user, $desk), Grounds::byTarget($piece, fn (Zone $zone): string => $this->engine->digest(Grounds::paper($piece, $zone), $piece->user, $desk))];
        $unnamed = new Unnamed(array_merge(...array_map(static fn (PlannedZone $zone): array => [$zone->id, $zone->zone], $zones)));
        $key = hash('xxh128', $unnamed->from(serialize([self::PLANS_VERSION, $zones, $rests, $engines, $desk])));
        $make = fn (): Plan => (new Planner($this->engine->predictor($piece->paper, $piece->user, $desk), $desk, ...$rests, grounds: $this->grounds->predictors($piece, $desk)))->plan($zones);
        $kept = KeptFiles::of($this->photos->folderOf($piece->reference()), 'plan', $key, self::KEPT_PLANS, static fn (): string => $unnamed->from(Parcel::pack($make())), 'parcel');
        $plan = Parcel::unpack($unnamed->back($kept));

        return $plan instanceof Plan ? $plan : $make();
    }
}
