<?php

declare(strict_types=1);

namespace App\Studio\Zones;

use App\Models\Piece;
use App\Models\Zone;
use App\Studio\ChangedMeanwhile;
use App\Studio\Photos\LinePictures;
use App\Studio\Photos\PhotoStore;
use App\Studio\Photos\PictureReadings;
use Illuminate\Support\Facades\DB;
use Prism\Reference\Light\LightDirection;
use Prism\Reference\PictureReading;
use Prism\Reference\Zones\Outlines;
use Prism\Reference\Zones\TargetRole;
use Prism\Reference\Zones\Tidying;
use Prism\Reference\Zones\ZoneMap;
use Prism\Reference\Zones\ZoneReader;
use Prism\Reference\Zones\ZoneSplit;

/**
 * The zones of a piece: found, merged, split, lassoed, undone. Whatever is done, the map, the rows and the colours read in
 * the photo change together or not at all, and what was before is kept.
 */
final class ZoneBook
{
    /** A zone still fits another photo if its mean colour has moved less than this, in dE00. */
    private const FITS_WITHIN = 12.0;

    /** Crumbs of a lasso below this many pixels go to whom they touch. */
    private const CRUMB = 24;

    private const MOST_ZONES = 120;

    public function __construct(private readonly PhotoStore $photos, private readonly PictureReadings $readings, private readonly ZoneHistory $history, private readonly ZoneRows $rows, private readonly LinePictures $lines)
    {
    }

    /** What is to be drawn: within the crop. */
    public function map(Piece $piece): ?ZoneMap
    {
        $whole = ZoneMaps::whole($piece);

        return $whole === null ? null : ZoneMaps::cropped($whole, $piece);
    }

    /**
     * Changes the zones if they still are as they were seen, else {@see ChangedMeanwhile} is thrown.
     *
     * @param  ?int  $seen  {@see ZoneHistory::version()} at that time; null: whatever they are
     * @param  \Closure(): mixed  $change
     */
    public function asSeen(Piece $piece, ?int $seen, \Closure $change): void
    {
        DB::transaction(function () use ($piece, $seen, $change): void {
            $this->lock($piece);
            if ($seen !== null && $seen !== ZoneHistory::version($piece)) {
                throw new ChangedMeanwhile('What lies where in this picture');
            }
            $change();
        });
    }

    /** What a cut of the photo into so many zones would be like; nothing is changed. */
    public function preview(Piece $piece, PictureReading $reading, int $count): ZoneMap
    {
        return ZoneMaps::cropped(ZoneMaps::cut($piece, $reading, $count), $piece);
    }

    /**
     * Cuts the photo into so many zones. A zone that was there before keeps its name, corrections and recipes.
     *
     * @throws ZoneRefused if the photo was not read yet
     */
    public function find(Piece $piece, int $count): void
    {
        if ($piece->lines !== null) {
            throw new ZoneRefused('The zones of this piece are the areas of its line drawing. Merge, split or draw them by hand.');
        }
        $reading = $this->readings->of($piece->reference()) ?? throw new ZoneRefused('The photo is not read yet. Wait until it is, then choose how many zones.');
        $this->change($piece, sprintf('%d zones found', $count), function (?ZoneMap $before) use ($piece, $reading, $count): ZoneMap {
            $map = ZoneMaps::cut($piece, $reading, $count);
            $same = $before === null || $before->width !== $map->width || $before->height !== $map->height ? [] : ZoneMaps::sameZones($before, $map);
            $kept = [];
            foreach ($this->areas($piece) as $zone) {
                $label = $same[$zone->label ?? 0] ?? null;
                if ($label === null) {
                    $zone->delete();
                } else {
                    $zone->update(['label' => $label]);
                    $kept[$label] = true;
                }
            }
            foreach (array_keys($map->areas()) as $label) {
                if (! isset($kept[$label])) {
                    $this->add($piece, $label, '');
                }
            }

            return $map;
        });
    }

    /** @throws ZoneRefused */
    public function merge(Zone $into, Zone $gone): void
    {
        $this->change($into->piece, sprintf('%s and %s merged', $into->name, $gone->name), function (?ZoneMap $map) use ($into, $gone): ZoneMap {
            $map = $this->needed($map, $into, $gone);
            $gone->delete();

            return $map->merged((int) $into->label, (int) $gone->label);
        }, [(int) $into->label]);
    }

    /** @throws ZoneRefused */
    public function split(Zone $zone): void
    {
        $tree = $this->readings->of($zone->piece->reference())?->tree;
        $this->change($zone->piece, sprintf('%s split', $zone->name), function (?ZoneMap $map) use ($zone, $tree): ZoneMap {
            $map = $this->needed($map, $zone);
            $free = $map->free() ?? throw new ZoneRefused('There are as many zones as there can be. Merge some first.');
            $split = ZoneSplit::of($map, (int) $zone->label, $free, $tree, $this->photos->field($zone->piece->reference()))
                ?? throw new ZoneRefused(sprintf('"%s" is too small or too even to be split; cut it with the lasso.', $zone->name));
            $this->add($zone->piece, $free, '')->update(['colouring' => $zone->colouring]);

            return $split;
        });
    }

    /**
     * @param  list<array{float, float}>  $line  closed; shares of width and height
     * @param  string  $how  add: to the zone, take: from it, new: becomes one of its own
     *
     * @throws ZoneRefused
     */
    public function lasso(Piece $piece, array $line, string $how, ?Zone $zone): void
    {
        $what = match ($how) {
            'add' => sprintf('Added to %s', $zone?->name),
            'take' => sprintf('Taken from %s', $zone?->name),
            default => 'A zone drawn by hand',
        };
        $this->change($piece, $what, function (?ZoneMap $map) use ($piece, $line, $how, $zone): ZoneMap {
            $map ??= ZoneMaps::blank($piece);
            if ($zone !== null) {
                $this->needed($map, $zone);
            }
            $label = (int) $zone?->label;
            $free = $map->free() ?? throw new ZoneRefused('There are as many zones as there can be. Merge some first.');
            $lassoed = match ($how) {
                'add' => $map->lassoed($line, $label),
                // What is taken goes to whom it touches: a hole in the picture would never be drawn.
                'take' => Tidying::dissolved($map->lassoed($line, $free, $label), $free),
                default => $map->lassoed($line, $free),
            };
            if ($lassoed->labels === $map->labels) {
                throw new ZoneRefused($how === 'take' ? 'The lasso took nothing from this zone. Draw it over a part of the zone.' : 'The lasso holds nothing. Draw a line round what is meant.');
            }
            if ($how === 'new') {
                $this->add($piece, $free, '');
            }
            $lassoed = Tidying::withoutCrumbs($lassoed, self::CRUMB);
            $left = $lassoed->areas();
            foreach ($this->areas($piece) as $row) {
                if (! isset($left[$row->label])) {
                    $row->delete();
                }
            }

            return $lassoed;
        });
    }

    /** A mere spot: a place that was sampled and named. */
    public function spot(Piece $piece, string $name, float $x, float $y, float $radius): Zone
    {
        return DB::transaction(function () use ($piece, $name, $x, $y, $radius): Zone {
            $this->lock($piece);
            $this->history->remember($piece, sprintf('%s kept', $name));
            $sample = $this->photos->sample($piece->reference(), $x, $y, $radius);
            $zone = $this->add($piece, null, $name);
            $zone->update(['x' => $x, 'y' => $y, 'radius' => $radius]);
            $zone->targets()->create([
                'role' => TargetRole::Middle, 'L' => $sample->colour->L, 'a' => $sample->colour->a, 'b' => $sample->colour->b,
                'spread' => $sample->spread, 'share' => 1.0, 'x' => $x, 'y' => $y,
            ]);
            $piece->touch();

            return $zone;
        });
    }

    /** The pixels of a zone go to whom they touch. A mere spot just goes. */
    public function remove(Zone $zone): void
    {
        $this->change($zone->piece, sprintf('%s removed', $zone->name), static function (?ZoneMap $map) use ($zone): ?ZoneMap {
            $zone->delete();

            return $map === null || $zone->label === null ? $map : Tidying::dissolved($map, $zone->label);
        });
    }

    /** @return ?string what was undone; null if there was nothing */
    public function undo(Piece $piece): ?string
    {
        return DB::transaction(function () use ($piece): ?string {
            $this->lock($piece);
            $changes = $piece->zoneChanges();
            $changes->orderByDesc('id');
            $last = $changes->first();
            if ($last === null) {
                return null;
            }
            $this->history->restore($piece, $last);
            $last->delete();
            $this->write($piece, ZoneMaps::whole($piece), []);

            return $last->what;
        });
    }

    /**
     * Reads the zones anew in a photo that has changed. Colours set by the artist stay. With another photo, zones are kept
     * where they were, and those that it no longer shows are marked.
     */
    public function refit(Piece $piece, string $what, bool $anotherPhoto): void
    {
        $this->change($piece, $what, function (?ZoneMap $map) use ($piece, $anotherPhoto): ?ZoneMap {
            if ($map === null) {
                return null;
            }
            $field = $this->photos->field($piece->reference());
            $map = $map->scaled($field->width, $field->height);
            if ($anotherPhoto) {
                $readings = (new ZoneReader($field, $map, $this->light($piece)))->read();
                foreach ($this->areas($piece) as $label => $zone) {
                    $reading = $readings[$label] ?? null;
                    if ($reading !== null) {
                        $was = ZoneTraits::colour($zone);
                        $zone->update(['fits' => $was === null || $was->differenceTo($reading->colour) < self::FITS_WITHIN]);
                    }
                }
            }

            return $map;
        });
    }

    /**
     * After crop, or margins, have changed: zones outside of it are set aside, and what is left is read anew.
     *
     * @param  ?\Closure(ZoneMap): ZoneMap  $do  what becomes of the map; undo does not bring it back
     */
    public function reshape(Piece $piece, ?\Closure $do = null): void
    {
        DB::transaction(function () use ($piece, $do): void {
            $this->lock($piece);
            $map = ZoneMaps::whole($piece);
            $this->write($piece, $map === null || $do === null ? $map : $do($map), null);
        });
    }

    /**
     * Colours of areas have changed, and nothing of where they lie: those alone are read anew.
     *
     * @param  \Closure(): void  $do  changes their rows
     * @param  list<int>  $labels
     */
    public function recolour(Piece $piece, string $what, \Closure $do, array $labels): void
    {
        DB::transaction(function () use ($piece, $what, $do, $labels): void {
            $this->lock($piece);
            $this->history->remember($piece, $what);
            $do();
            $piece->touch();
            $piece->unsetRelation('zones');
            $map = ZoneMaps::whole($piece) ?? ZoneMaps::blank($piece);
            $zones = $this->areas($piece);
            $paints = AreaPaints::of($zones);
            $light = $this->light($piece);
            $field = $this->lines->show($piece, $map, $paints, $light);
            $others = array_map(static fn (Zone $zone): string => $zone->name, array_diff_key($zones, array_flip($labels)));
            $this->rows->reread(array_intersect_key($zones, array_flip($labels)), new ZoneReader($field, ZoneMaps::cropped($map, $piece), $light), $paints, array_values($others));
        });
    }

    /** Where the light comes from: as the artist says, else as the photo was read. */
    public function light(Piece $piece): LightDirection
    {
        if ($piece->light_degrees !== null) {
            return LightDirection::corrected($piece->light_degrees);
        }

        return $this->readings->of($piece->reference())->light ?? LightDirection::of($this->photos->field($piece->reference()));
    }

    /**
     * Changes map and rows, and reads what has changed in the photo.
     *
     * @param  string  $what  for undo
     * @param  \Closure(?ZoneMap): ?ZoneMap  $do  changes rows and returns the map as it is then
     * @param  ?list<int>  $labels  zones to be read anew; all if null
     */
    public function change(Piece $piece, string $what, \Closure $do, ?array $labels = null): void
    {
        DB::transaction(function () use ($piece, $what, $do, $labels): void {
            $this->lock($piece);
            $this->history->remember($piece, $what);
            $this->write($piece, $do(ZoneMaps::whole($piece)), $labels);
        });
    }

    /** @param  ?list<int>  $labels */
    private function write(Piece $piece, ?ZoneMap $map, ?array $labels): void
    {
        $piece->zone_map = $map?->pack();
        $piece->save();
        $piece->touch();
        $piece->unsetRelation('zones');
        if ($labels === null) {
            $spots = $piece->allZones();
            $spots->whereNull('label');
            foreach ($spots->get() as $spot) {
                $this->rows->spot($piece, $spot);
            }
        }
        if ($map === null) {
            return;
        }
        $zones = $this->areas($piece);
        foreach (array_keys($map->areas()) as $label) {
            $zones[$label] ??= $this->add($piece, $label, '');
        }
        $light = $this->light($piece);
        $paints = $piece->lines === null ? [] : AreaPaints::of($zones);
        $field = $piece->lines === null ? $this->photos->field($piece->reference()) : $this->lines->show($piece, $map, $paints, $light);
        $this->rows->read($zones, new ZoneReader($field, ZoneMaps::cropped($map, $piece), $light), Outlines::of(ZoneMaps::cropped($map, $piece)), $paints, $labels);
        $piece->unsetRelation('zones');
    }

    private function add(Piece $piece, ?int $label, string $name): Zone
    {
        if ($piece->allZones()->count() >= self::MOST_ZONES) {
            throw new ZoneRefused(sprintf('A piece takes at most %d zones. Merge some first.', self::MOST_ZONES));
        }
        $positions = $piece->allZones();

        return $piece->allZones()->create([
            'name' => $name, 'named' => $name !== '', 'label' => $label, 'x' => 0.5, 'y' => 0.5, 'radius' => 0.01,
            'position' => 1 + (int) $positions->max('position'),
        ]);
    }

    private function lock(Piece $piece): void
    {
        $row = Piece::query();
        $row->lockForUpdate();
        $piece->zone_map = $row->findOrFail($piece->id)->zone_map;
    }

    /** @return array<int, Zone> the rows that have an area, by label */
    private function areas(Piece $piece): array
    {
        $rows = $piece->allZones();
        $rows->whereNotNull('label');
        $areas = [];
        foreach ($rows->get() as $zone) {
            $areas[(int) $zone->label] = $zone;
        }

        return $areas;
    }

    private function needed(?ZoneMap $map, Zone ...$zones): ZoneMap
    {
        foreach ($zones as $zone) {
            if ($zone->label === null) {
                throw new ZoneRefused(sprintf('"%s" is a mere spot and has no area. Find zones, or draw one with the lasso.', $zone->name));
            }
        }

        return $map ?? throw new ZoneRefused('This piece has no zones with an area yet.');
    }
}
