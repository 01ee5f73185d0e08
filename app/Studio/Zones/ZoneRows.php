<?php

declare(strict_types=1);

namespace App\Studio\Zones;

use App\Models\Piece;
use App\Models\Zone;
use App\Studio\Photos\PhotoStore;
use Prism\Reference\Lines\AreaPaint;
use Prism\Reference\Zones\Outlines;
use Prism\Reference\Zones\ZoneReader;
use Prism\Reference\Zones\ZoneReading;
use Prism\Reference\Zones\ZoneTarget;

/** Writes into the rows of zones what was read of them in the photo. */
final class ZoneRows
{
    public function __construct(private readonly PhotoStore $photos)
    {
    }

    /**
     * @param  array<int, Zone>  $zones  by label
     * @param  array<int, AreaPaint>  $paints  by label, of those that are coloured by rule
     * @param  ?list<int>  $labels  zones whose colours are read, too; all if null
     */
    public function read(array $zones, ZoneReader $reader, Outlines $outlines, array $paints, ?array $labels): void
    {
        $readings = $reader->read(paints: $paints);
        foreach ($zones as $label => $zone) {
            if (isset($readings[$label])) {
                $zone->outline = $outlines->outline($label);
                $this->update($zone, $readings[$label], $labels === null || in_array($label, $labels, true));
            } else {
                $zone->update(['outside' => true, 'outline' => null]);
            }
        }
    }

    /**
     * Some zones, which lie where they lay.
     *
     * @param  array<int, Zone>  $zones  by label
     * @param  array<int, AreaPaint>  $paints  by label
     * @param  list<string>  $names  of the others
     */
    public function reread(array $zones, ZoneReader $reader, array $paints, array $names): void
    {
        foreach ($reader->read(array_keys($zones), $paints, $names) as $label => $reading) {
            $this->update($zones[$label], $reading, true);
        }
    }

    /** @param  bool  $colours  whether its colours are read too */
    private function update(Zone $zone, ZoneReading $reading, bool $colours): void
    {
        $zone->fill([
            'x' => $reading->x, 'y' => $reading->y, 'radius' => max(0.002, min(0.02, 0.6 * $reading->room)),
            'share' => $reading->share,
            'outside' => false,
            'estimates' => [
                'surface' => $reading->surface->value,
                'direction' => $reading->direction === null ? null : round($reading->direction),
                'crisp' => $reading->crisp,
                'distance' => $reading->distance->value,
                'importance' => $reading->importance,
                'light' => $reading->light->value,
                'warmth' => $reading->warmth,
                'colour' => $reading->colour->jsonSerialize(),
                'touching' => $reading->touching,
                'gradient' => $reading->gradient === null ? null : ['degrees' => round($reading->gradient->degrees, 1), 'length' => round($reading->gradient->length, 4), 'profile' => $reading->gradient->profile],
            ],
        ]);
        if (! $zone->named) {
            $zone->name = $reading->name;
        }
        $zone->version++;
        $zone->save();
        if ($colours) {
            $this->match($zone, $reading->targets);
        }
    }

    /**
     * The colours of a zone as they are read now; each keeps its row, and with it its recipe, as long as there is one of its
     * role. What the artist has set stays as it is.
     *
     * @param  list<ZoneTarget>  $found
     */
    private function match(Zone $zone, array $found): void
    {
        $rows = [];
        foreach ($zone->targets()->get() as $row) {
            $rows[$row->role->value][] = $row;
        }
        foreach ($found as $target) {
            $values = [
                'role' => $target->role, 'L' => $target->colour->L, 'a' => $target->colour->a, 'b' => $target->colour->b,
                'spread' => $target->spread, 'share' => $target->share, 'x' => $target->x, 'y' => $target->y, 'line_width' => $target->lineWidth, 'edge_width' => $target->edgeWidth,
            ];
            $had = $rows[$target->role->value] ?? [];
            $row = array_shift($had);
            $rows[$target->role->value] = $had;
            if ($row === null) {
                $zone->targets()->create($values);
            } else {
                $row->fill($row->edited ? ['share' => $target->share, 'x' => $target->x, 'y' => $target->y, 'line_width' => $target->lineWidth, 'edge_width' => $target->edgeWidth] : $values);
                $row->save();
            }
        }
        foreach (array_merge(...array_values($rows)) as $row) {
            if (! $row->edited) {
                $row->delete();
            }
        }
    }

    /** The colour of a mere spot, but where the artist has set it. */
    public function spot(Piece $piece, Zone $spot): void
    {
        $sample = $this->photos->sample($piece->reference(), $spot->x, $spot->y, $spot->radius);
        foreach ($spot->targets as $target) {
            if (! $target->edited) {
                $target->update(['L' => $sample->colour->L, 'a' => $sample->colour->a, 'b' => $sample->colour->b, 'spread' => $sample->spread]);
            }
        }
    }
}
