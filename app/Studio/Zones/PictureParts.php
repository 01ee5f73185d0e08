<?php

declare(strict_types=1);

namespace App\Studio\Zones;

use App\Models\Piece;
use App\Studio\Photos\KeptFiles;
use App\Studio\Photos\PhotoRenderer;
use App\Studio\Photos\PhotoStore;
use App\Studio\Photos\Unnamed;
use App\Studio\Planning\PictureZones;
use Prism\Planning\PartMap;
use Prism\Planning\PictureTarget;
use Prism\Planning\PictureZone;
use Prism\Reference\Image\Field;
use Prism\Reference\Zones\ZoneMap;

/** Where in the picture colours of zones lie: what a turn goes to, shown over the photo, and small on the plan sheet. */
final class PictureParts
{
    /** Long edge of what is shown over the photo, and of a small map, in pixels. */
    private const EDGE = 800;

    private const SMALL = 120;

    /** Of one photo: as zones are now, and as they were before they were tried otherwise. */
    private const KEPT = 6;

    /** Tone of the small maps: paper, and where the turn goes. */
    private const PAPER = 236;

    private const PLACE = 40;

    /** @var array<string, array{Field, PartMap}> maps of pieces, kept for those that ask again and again */
    private array $small = [];

    public function __construct(private readonly PhotoStore $photos, private readonly ZoneBook $zones, private readonly PictureZones $picture)
    {
    }

    /**
     * Which colours lie where, for all of the picture at once: kept until zones or photo change.
     *
     * @return array{targets: list<string>, png: string} ids, counted from 1 in the picture; an RGB PNG as {@see PartMap::bytes} tells
     */
    public function all(Piece $piece): array
    {
        $zones = $this->picture->of($piece);
        $targets = array_merge(...array_map(static fn (PictureZone $zone): array => array_map(static fn (PictureTarget $target): string => $target->id, $zone->targets), $zones));
        $unnamed = new Unnamed([...$targets, ...array_map(static fn (PictureZone $zone): string => $zone->id, $zones)]);
        $key = hash('xxh128', $unnamed->from(json_encode($zones, JSON_THROW_ON_ERROR)).$piece->zone_map.$piece->reference()->picture);
        $png = KeptFiles::of($this->photos->folderOf($piece->reference()), 'parts', $key, self::KEPT, function () use ($piece): string {
            [$field, $parts] = $this->parts($piece, self::EDGE);

            return PhotoRenderer::png($field->width, $field->height, $parts->bytes());
        });

        return ['targets' => $targets, 'png' => $png];
    }

    /**
     * A small map: dark where these colours lie.
     *
     * @param  list<string>  $targets  ids
     * @return string the bytes of a PNG
     */
    public function small(Piece $piece, array $targets): string
    {
        [$field, $parts] = $this->small[$piece->id] ??= $this->parts($piece, self::SMALL);
        $grey = '';
        $mask = $parts->mask($targets);
        for ($at = 0, $count = strlen($mask); $at < $count; $at++) {
            $grey .= str_repeat(chr(self::PAPER + intdiv((self::PLACE - self::PAPER) * ord($mask[$at]), 255)), 3);
        }

        return PhotoRenderer::png($field->width, $field->height, $grey);
    }

    /** @return array{Field, PartMap} */
    private function parts(Piece $piece, int $edge): array
    {
        $field = $this->photos->field($piece->reference(), $edge);
        $map = $this->zones->map($piece) ?? ZoneMap::none($field->width, $field->height);

        return [$field, new PartMap($field, $map->scaled($field->width, $field->height), $this->picture->of($piece))];
    }
}
