<?php

declare(strict_types=1);

namespace Prism\Planning\Order;

/**
 * Where a round of turns ends: one steps back there, and looks at the whole before going on.
 *
 * A round is some turns with colour. It is over before a pencil comes again to where it lies since the round began; and, once a few
 * pencils have been laid, before the work goes on to a later stage or to other zones altogether.
 */
final class Rounds
{
    /** A few: one does not walk to the door after each pencil. */
    private const LEAST_TURNS = 4;

    /** Zones of so many turns back are still at hand. */
    private const AT_HAND_TURNS = 4;

    /**
     * @param  list<Turn>  $turns  in order
     * @return list<int>  numbers of the turns after which a round is over; never the last one's
     */
    public static function ends(array $turns): array
    {
        $ends = $lies = $zones = [];
        $latest = -1;
        foreach ($turns as $turn) {
            if ($turn->pencil === null) {
                continue;
            }
            $marks = array_map(static fn (PlanStep $step): string => "{$step->zone->id} {$turn->pencil}", $turn->steps());
            $here = array_map(static fn (Place $place): string => $place->zone, $turn->places);
            $stage = self::later($turn->stage);
            $goesOn = $stage > $latest || array_intersect($here, array_merge(...array_slice($zones, -self::AT_HAND_TURNS))) === [];
            if ($zones !== [] && (array_intersect($marks, $lies) !== [] || (count($zones) >= self::LEAST_TURNS && $goesOn))) {
                $ends[] = $turn->number - 1;
                $lies = $zones = [];
                $latest = -1;
            }
            // Mapped lines are a guide; colour lies from the first layer on.
            if ($turn->role !== StepRole::Map) {
                array_push($lies, ...$marks);
                $zones[] = $here;
                $latest = max($latest, $stage);
            }
        }

        return $ends;
    }

    private static function later(Stage $stage): int
    {
        return (int) array_search($stage, Stage::cases(), true);
    }
}
