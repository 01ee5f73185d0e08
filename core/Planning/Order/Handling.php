<?php

declare(strict_types=1);

namespace Prism\Planning\Order;

use Prism\Layering\StepKind;
use Prism\Planning\Gradient\ZoneJoin;
use Prism\Planning\PictureZone;
use Prism\Schools\Surface;

/** How a turn is handled: its point, its grip, how often it is sharpened, how the point travels in each place. */
final readonly class Handling
{
    /** Below this pressure the pencil is held far back, above the other near its tip, percent. */
    private const FAR_BACK = 45.0;

    private const NEAR_TIP = 65.0;

    /** From this pressure on an even coat is laid with a rounded point, percent. */
    private const EVEN = 60.0;

    /** Less than this is detail, mm² in one place. */
    private const DETAIL_MM2 = 60.0;

    /** A sharp point lasts for about so much, mm² of one coat. */
    private const POINT_LASTS_MM2 = 1500.0;

    /** Less than this no hand feathers, mm. */
    private const LEAST_FEATHER_MM = 1.0;

    /** It is said how often only from so many times on. */
    private const OFTEN = 2;

    /**
     * @param  ?Point  $point  null where no pencil is in the hand
     * @param  list<Stroke>  $strokes  one for each place of the turn, in their order
     * @param  list<?float>  $directions  of the strokes, degrees from the horizontal, one for each place; null where they have none
     * @param  list<?float>  $feathers  over how many mm each place runs into what lies beside it; null where it does not
     * @param  list<string>  $reminders  sentences, the most needed first
     */
    private function __construct(public ?Point $point, public array $strokes, public array $directions, public array $feathers, public array $reminders)
    {
    }

    /**
     * @param  array<string, PictureZone>  $zones  by id; a zone that was not read is taken as smooth
     * @param  array<string, ZoneJoin>  $joins  by zone
     */
    public static function of(Turn $turn, array $zones, array $joins = []): self
    {
        $strokes = $directions = $feathers = [];
        foreach ($turn->places as $place) {
            $zone = $zones[$place->zone] ?? null;
            $stroke = self::isLine($turn, $place) ? Stroke::Line : Stroke::on($zone->surface ?? Surface::Smooth);
            $strokes[] = $stroke;
            $feather = $stroke === Stroke::Line ? null : ($joins[$place->zone] ?? null)?->featherMm(array_map(static fn (PlanStep $step): string => $step->zone->id, $place->steps));
            $feathers[] = $feather === null || $feather < self::LEAST_FEATHER_MM ? null : $feather;
            $directions[] = match ($stroke) {
                Stroke::Strands => $zone?->direction,
                // A form is followed where it is equally light.
                Stroke::Form => $zone?->gradient === null ? null : fmod($zone->gradient->degrees + 90.0, 180.0),
                default => null,
            };
        }
        $point = $turn->pencil === null ? null : self::point($turn);

        return new self($point, $strokes, $directions, $feathers, self::reminders($turn, $point));
    }

    private static function isLine(Turn $turn, Place $place): bool
    {
        return $place->part === ZonePart::Lines || in_array($turn->role, [StepRole::Map, StepRole::Redraw, StepRole::Line], true);
    }

    private static function point(Turn $turn): Point
    {
        $lines = array_filter($turn->places, static fn (Place $place): bool => self::isLine($turn, $place));
        $largest = max(array_map(static fn (Place $place): float => $place->areaMm2(), $turn->places));

        return match (true) {
            $lines !== [] => Point::Needle,
            // A needle breaks under a firm hand, however small the place.
            $turn->role === StepRole::Burnish, ($turn->pressurePercent ?? 0.0) >= self::EVEN => Point::Rounded,
            $largest > 0.0 && $largest < self::DETAIL_MM2 => Point::Needle,
            default => Point::Sharp,
        };
    }

    /** @return list<string> */
    private static function reminders(Turn $turn, ?Point $point): array
    {
        $pressure = $turn->pressurePercent ?? 0.0;
        $closes = in_array($turn->role, [StepRole::Burnish, StepRole::Blend], true) || $turn->kind === StepKind::Blend;
        $laid = array_sum(array_map(static fn (Place $place): float => $place->coats * $place->areaMm2(), $turn->places));
        $times = (int) floor($laid / self::POINT_LASTS_MM2);

        return array_values(array_filter([
            $closes ? 'Begin in the lightest place and work into the dark, or dark is dragged into light.' : null,
            match (true) {
                $point === null => null,
                $pressure >= self::NEAR_TIP, $point === Point::Needle && $pressure > self::FAR_BACK => 'Hold it near the tip.',
                $point === Point::Needle => 'A light hand: the point does the work.',
                $pressure <= self::FAR_BACK => 'Hold it far back, so that the hand stays light.',
                default => null,
            },
            $point !== Point::Sharp ? null : 'Turn the pencil as you go: each stroke has a fresh edge.',
            $point === null || $point === Point::Rounded || $times < self::OFTEN ? null : sprintf('Sharpen about %d times on the way, and wipe the crumbs off before you go on.', $times),
        ]));
    }
}
