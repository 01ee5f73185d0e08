<?php

declare(strict_types=1);

namespace App\Studio\Zones;

use App\Models\Zone;
use Prism\Colour\Lab;
use Prism\Reference\Light\ZoneLight;
use Prism\Schools\Surface;

/** What is known of a zone: as it was read, or as the artist says instead. */
final class ZoneTraits
{
    /** @return array<string, mixed>|null what was read of a zone, or what the artist says instead; null for a mere spot */
    public static function of(Zone $zone): ?array
    {
        if ($zone->estimates === null) {
            return null;
        }
        $corrections = $zone->corrections ?? [];
        $traits = [];
        foreach (['surface', 'direction', 'crisp', 'distance', 'importance', 'light', 'warmth'] as $trait) {
            $traits[$trait] = $corrections[$trait] ?? $zone->estimates[$trait] ?? null;
        }

        return [...$traits, 'corrected' => array_keys($corrections)];
    }

    /** In the light where nothing is known. */
    public static function light(Zone $zone): ZoneLight
    {
        return ZoneLight::from(self::of($zone)['light'] ?? ZoneLight::Lit->value);
    }

    /** Soft where nothing is known. */
    public static function surface(Zone $zone): Surface
    {
        return Surface::from(self::of($zone)['surface'] ?? Surface::Smooth->value);
    }

    /** The mean colour that was read; null for a mere spot. */
    public static function colour(Zone $zone): ?Lab
    {
        $colour = $zone->estimates['colour'] ?? null;

        return is_array($colour) ? Lab::of((float) $colour['L'], (float) $colour['a'], (float) $colour['b']) : null;
    }
}
