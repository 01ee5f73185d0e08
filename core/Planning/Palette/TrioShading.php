<?php

declare(strict_types=1);

namespace Prism\Planning\Palette;

use Prism\Matching\Limits;
use Prism\Matching\Search;
use Prism\Matching\Target;
use Prism\Materials\Kit;
use Prism\Planning\PictureZone;
use Prism\Reference\Zones\TargetRole;
use Prism\Schools\Shading;

/** Light, middle and dark of the zones that want it drawn by three neighbouring hues of the palette, where it has such three. */
final readonly class TrioShading
{
    /** The three in the order in which the search takes them. */
    private const ROLES = [TargetRole::Light, TargetRole::Middle, TargetRole::Dark];

    /**
     * @param  Palette  $palette  the same with the recipes of the trios
     * @param  int  $zones  shaded so
     * @param  int  $without  that want it, and for which the palette has no such three
     * @param  float  $further  mean dE00 by which the colours of those zones come out further from what they were without
     */
    private function __construct(public Palette $palette, public int $zones, public int $without, public float $further)
    {
    }

    /**
     * @param  list<PictureZone>  $zones
     * @param  array<string, Target>  $targets
     * @param  array<string, float>  $weights
     * @param  array<string, Limits>  $limits
     * @param  Kit  $pencils  of the palette
     * @param  list<string>  $own  targets whose recipes stay as they are
     */
    public static function of(Palette $palette, array $zones, Search $search, Kit $pencils, array $targets, array $weights, array $limits, array $own = []): self
    {
        $recipes = $palette->recipes;
        $shaded = $without = 0;
        $further = [];
        foreach ($zones as $zone) {
            $ids = $zone->schools->shading === Shading::Trio ? self::form($zone, $own) : null;
            if ($ids === null) {
                continue;
            }
            $trio = $search->trio($targets[$ids[0]], $targets[$ids[1]], $targets[$ids[2]], $limits[$ids[1]], $pencils);
            if ($trio === null) {
                $without++;

                continue;
            }
            $shaded++;
            foreach (array_combine($ids, array_values($trio->recipes)) as $id => $recipe) {
                $further[] = $recipe->difference->dE00 - (($recipes[$id] ?? null)?->difference->dE00 ?? $recipe->difference->dE00);
                $recipes[$id] = $recipe;
            }
        }
        $sum = $all = 0.0;
        foreach ($recipes as $id => $recipe) {
            $sum += ($weights[$id] ?? 1.0) * $recipe->difference->dE00;
            $all += $weights[$id] ?? 1.0;
        }

        return new self(
            $shaded === 0 ? $palette : $palette->laidBy($recipes, $all > 0.0 ? $sum / $all : 0.0),
            $shaded,
            $without,
            $further === [] ? 0.0 : array_sum($further) / count($further),
        );
    }

    /**
     * @param  list<string>  $own
     * @return ?array{string, string, string} the first light, middle and dark of a zone; null if it has not all three, to be drawn anew
     */
    private static function form(PictureZone $zone, array $own): ?array
    {
        $ids = [];
        foreach (self::ROLES as $role) {
            foreach ($zone->targets as $target) {
                if ($target->role === $role && ! in_array($target->id, $own, true)) {
                    $ids[] = $target->id;

                    continue 2;
                }
            }

            return null;
        }

        return [$ids[0], $ids[1], $ids[2]];
    }
}
