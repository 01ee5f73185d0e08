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
                $body = (int) ($zone->colouring['body'] ?? $label);
                $paints[$label] = new AreaPaint($colours, self::form($zone), (bool) ($zone->colouring['shines'] ?? false), isset($zones[$body]) ? $body : $label);
            }
        }

        return $paints;
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
