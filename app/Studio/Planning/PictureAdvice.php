<?php

declare(strict_types=1);

namespace App\Studio\Planning;

use App\Models\Piece;
use Prism\Colour\Lab;
use Prism\Layering\Prediction;
use Prism\Materials\Kit;
use Prism\Planning\Advice\Neighbours;
use Prism\Planning\Advice\Pair;
use Prism\Planning\Advice\ZoneAdvice;
use Prism\Planning\Gradient\ZoneJoin;
use Prism\Planning\Order\Plan;
use Prism\Planning\PictureZone;

/** What brings the zones of a piece together, beside their colours: joins within them, neighbours apart, edges and depth. */
final class PictureAdvice
{
    public function __construct(private readonly PictureZones $zones)
    {
    }

    /** @return list<PictureZone> */
    public function zones(Piece $piece): array
    {
        return $this->zones->of($piece);
    }

    /**
     * @param  list<PictureZone>  $zones
     * @return list<ZoneJoin> of those that have more than one value
     */
    public function joins(Piece $piece, array $zones): array
    {
        $width = $piece->width_mm / ($piece->crop['width'] ?? 1.0);
        $height = $piece->height_mm / ($piece->crop['height'] ?? 1.0);

        return array_values(array_filter(array_map(static fn (PictureZone $zone): ?ZoneJoin => ZoneJoin::of($zone, $width, $height), $zones)));
    }

    /**
     * @param  list<PictureZone>  $zones
     * @return list<ZoneAdvice>
     */
    public function advice(array $zones, Plan $plan): array
    {
        return ZoneAdvice::of($zones, Kit::of(array_column($plan->pullList, 'pencil')));
    }

    /** @return list<Pair> touching zones that will merge, as the turns lay them */
    public function neighbours(Piece $piece, Plan $plan): array
    {
        return Neighbours::tooAlike($this->zones->of($piece), array_map(static fn (Prediction $built): Lab => $built->colour, $plan->built), $piece->paper->L);
    }
}
