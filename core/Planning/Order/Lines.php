<?php

declare(strict_types=1);

namespace Prism\Planning\Order;

use Prism\Layering\Step;
use Prism\Layering\StepKind;
use Prism\Materials\Kit;
use Prism\Materials\Pencil;
use Prism\Materials\PencilId;
use Prism\Planning\LocalColour;
use Prism\Planning\Mapping;
use Prism\Reference\Zones\TargetRole;
use Prism\Schools\Highlights;

/**
 * How the lines within zones are drawn: dark ones mapped first with a pencil that the zone has anyway and that lifts, redrawn
 * before a wash floods them, made final last; pale ones kept free from the first coat on, or pressed or lifted by the school of the zone.
 */
final readonly class Lines
{
    /** How hard lines are mapped, and redrawn before a wash. */
    private const MAP_PERCENT = 20.0;

    private const REDRAW_PERCENT = 30.0;

    /** A pencil darker than this maps where there is no other: it may leave a trace, L*. */
    private const LEAVES_A_TRACE = 42.0;

    /** Wider lines are not pressed into the paper, mm. */
    private const IMPRESSED_MM = 3.0;

    /**
     * @param  array<string, list<PlannedZone>>  $beside  by zone, its colours that are no lines
     * @param  array<string, PencilId>  $maps  by zone, the pencil that its lines are mapped with
     */
    private function __construct(private array $beside, private array $maps)
    {
    }

    /** @param  list<PlannedZone>  $zones */
    public static function of(array $zones, Kit $box): self
    {
        $beside = [];
        foreach ($zones as $zone) {
            if ($zone->role !== TargetRole::Line) {
                $beside[$zone->zone][] = $zone;
            }
        }

        $lined = [];
        foreach ($zones as $zone) {
            if ($zone->role === TargetRole::Line && count($zone->stack) > 0 && ! self::isPale($zone, $beside[$zone->zone] ?? [])) {
                $lined[$zone->zone] = [...$beside[$zone->zone] ?? [], $zone];
            }
        }

        return new self($beside, self::mapping($lined, self::used($zones, $box)));
    }

    /**
     * The steps of a colour with what its lines need before and after.
     *
     * @param  non-empty-list<PlanStep>  $drawn
     * @return non-empty-list<PlanStep>
     */
    public function around(PlannedZone $zone, array $drawn): array
    {
        if ($zone->role !== TargetRole::Line || count($zone->stack) === 0) {
            return $drawn;
        }
        if (self::isPale($zone, $this->beside[$zone->zone] ?? [])) {
            return $this->pale($zone, $drawn);
        }
        $pencil = $this->maps[$zone->zone] ?? null;
        $steps = $pencil === null ? [] : [self::step($zone, StepRole::Map, Step::layer($pencil, self::MAP_PERCENT), 'Map the lines lightly, in a colour that the zone has anyway and that the eraser takes off again.')];
        if ($pencil !== null && $this->isWashed($zone)) {
            $steps[] = self::step($zone, StepRole::Redraw, Step::layer($pencil, self::REDRAW_PERCENT), 'Redraw the lines before the wash: it floods away what is not.');
        }

        return [...$steps, ...array_map(static fn (PlanStep $step): PlanStep => $step->as(StepRole::Line), $drawn)];
    }

    /**
     * Whether lines are lighter than what lies beside them.
     *
     * @param  list<PlannedZone>  $beside
     */
    public static function isPale(PlannedZone $line, array $beside): bool
    {
        $sum = $area = 0.0;
        foreach ($beside as $zone) {
            if ($zone->role->isOfForm()) {
                $sum += max(1.0, $zone->areaMm2) * $zone->target->L;
                $area += max(1.0, $zone->areaMm2);
            }
        }

        return $area > 0.0 && $line->target->L > $sum / $area;
    }

    /**
     * @param  non-empty-list<PlanStep>  $drawn
     * @return non-empty-list<PlanStep>
     */
    private function pale(PlannedZone $zone, array $drawn): array
    {
        $school = $zone->highlights;

        return match (true) {
            $school === Highlights::Impress && ($zone->lineMm ?? 0.0) <= self::IMPRESSED_MM => [self::step($zone, StepRole::Reserve, null, 'Press the pale lines into the paper with a blunt point before the first coat; they stay light and cannot be undone.')],
            $school === Highlights::Lift => [self::step($zone, StepRole::Sparkle, null, 'Lift the pale lines out with the edge of the kneaded eraser, before anything is pressed there.')],
            // Nothing else is laid there.
            default => $drawn,
        };
    }

    /**
     * With which pencil the lines of each zone are mapped: of those that show, can be erased, and lie in it or in its hue, the one that maps
     * most zones.
     *
     * @param  array<string, non-empty-list<PlannedZone>>  $lined  colours of the zones that have dark lines
     * @param  list<Pencil>  $pencils  of the picture
     * @return array<string, PencilId> by zone; none for a zone that has no such pencil
     */
    private static function mapping(array $lined, array $pencils): array
    {
        $ids = $light = $dark = [];
        foreach ($pencils as $pencil) {
            $coat = $pencil->fullCoat;
            if ($coat === null || $pencil->stains || $coat->L >= Mapping::SEEN_BELOW_L) {
                continue;
            }
            $id = (string) $pencil->id;
            $ids[$id] = $pencil->id;
            foreach ($lined as $zone => $colours) {
                $lies = array_filter($colours, static fn (PlannedZone $colour): bool => in_array($id, array_map(strval(...), $colour->stack->pencils()), true)) !== [];
                if ($coat->L < self::LEAVES_A_TRACE) {
                    $dark[$id] = ($dark[$id] ?? []) + ($lies ? [$zone => true] : []);
                } elseif ($lies || array_filter($colours, static fn (PlannedZone $colour): bool => $colour->role->isOfForm() && ! LocalColour::isShared($coat, $colour->target)) === []) {
                    $light[$id][$zone] = true;
                }
            }
        }
        $maps = [];
        foreach ([$light, $dark] as $left) {
            while (($left = array_filter(array_map(static fn (array $of): array => array_diff_key($of, $maps), $left), static fn (array $of): bool => $of !== [])) !== []) {
                uasort($left, static fn (array $a, array $b): int => count($b) <=> count($a));
                $most = array_key_first($left);
                $maps += array_fill_keys(array_keys($left[$most]), $ids[$most]);
            }
        }

        return $maps;
    }

    /**
     * @param  list<PlannedZone>  $zones
     * @return list<Pencil>
     */
    private static function used(array $zones, Kit $box): array
    {
        $used = [];
        foreach ($zones as $zone) {
            foreach ($zone->stack->pencils() as $id) {
                if ($box->has($id)) {
                    $used[(string) $id] = $box->get($id);
                }
            }
        }

        return array_values($used);
    }

    private function isWashed(PlannedZone $line): bool
    {
        foreach ($this->beside[$line->zone] ?? [] as $zone) {
            foreach ($zone->stack->steps as $step) {
                if ($step->kind === StepKind::Wash) {
                    return true;
                }
            }
        }

        return false;
    }

    private static function step(PlannedZone $zone, StepRole $role, ?Step $step, string $why): PlanStep
    {
        return new PlanStep(
            sprintf('%s-%s-%s', PlanStep::keyOf($zone, 0), $role->value, substr(sha1((string) $step), 0, 4)),
            $zone, $role, $step, 0, $zone->target, $zone->target, 0.0, $why,
        );
    }
}
