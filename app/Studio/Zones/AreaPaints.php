<?php

declare(strict_types=1);

namespace App\Studio\Zones;

use App\Models\Zone;
use Prism\Colour\Lab;
use Prism\Reference\Lines\AreaColours;
use Prism\Reference\Lines\AreaForm;
use Prism\Reference\Lines\AreaPaint;

/** How the areas of a line drawing are coloured, as their rows tell. */
final class AreaPaints
{
    /**
     * @param  array<int, Zone>  $zones  by label
     * @return array<int, AreaPaint> by label; none of what stays paper
     */
    public static function of(array $zones): array
    {
        $paints = [];
        foreach ($zones as $label => $zone) {
            $colours = self::colours($zone);
            if ($colours !== null) {
                $paints[$label] = new AreaPaint($colours, self::form($zone), (bool) ($zone->colouring['shines'] ?? false), self::body($zones, $label));
            }
        }

        return $paints;
    }

    /**
     * The area whose form it is a part of, at the end of the line: a band of a neck of a jug is the jug.
     *
     * @param  array<int, Zone>  $zones  by label
     */
    private static function body(array $zones, int $label): int
    {
        $line = [$label];
        for (; ;) {
            $next = (int) ($zones[$label]->colouring['body'] ?? $label);
            if ($next === $label || ! isset($zones[$next])) {
                return $label;
            }
            $round = array_search($next, $line, true);
            if ($round !== false) {
                // They name one another: all of the round is one body.
                return min($next, ...array_slice($line, (int) $round));
            }
            $line[] = $label = $next;
        }
    }

    /** Null if it stays paper. */
    public static function colours(Zone $zone): ?AreaColours
    {
        $told = $zone->colouring;

        return isset($told['light'], $told['middle'], $told['dark'])
            ? AreaColours::of(...array_map(static fn (array $lab): Lab => Lab::of(...array_map(floatval(...), $lab)), [$told['light'], $told['middle'], $told['dark']]))
            : null;
    }

    public static function form(Zone $zone): AreaForm
    {
        return AreaForm::from($zone->colouring['form'] ?? AreaForm::Round->value);
    }
}
