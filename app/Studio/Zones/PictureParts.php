<?php

declare(strict_types=1);

namespace App\Studio\Zones;

use App\Models\Piece;
use App\Studio\Photos\KeptFiles;
use App\Studio\Photos\PhotoRenderer;
use App\Studio\Photos\PhotoStore;
use App\Studio\Photos\Unnamed;
use App\Studio\Planning\PictureZones;
use Prism\Planning\PartFinder;
use Prism\Planning\PartMap;
use Prism\Planning\PictureTarget;
use Prism\Planning\PictureZone;
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

    /** Goes up when places are found otherwise. */
    private const VERSION = 1;

    /** @var array<string, PartMap> small maps of pieces, for those that ask again and again */
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
        $png = KeptFiles::of($this->photos->folderOf($piece->reference()), 'parts', self::key($piece, $zones), self::KEPT, function () use ($piece, $zones): string {
            $parts = $this->parts($piece, $zones, self::EDGE);

            return PhotoRenderer::png($parts->width, $parts->height, $parts->bytes());
        });

        return ['targets' => array_map(static fn (PictureTarget $target): string => $target->id, PartMap::targetsOf($zones)), 'png' => $png];
    }

    /** The same for the core, with such a long edge in pixels. */
    public function of(Piece $piece, int $edge): PartMap
    {
        $zones = $this->picture->of($piece);
        $make = fn (): PartMap => $this->parts($piece, $zones, $edge);
        $kept = KeptFiles::of($this->photos->folderOf($piece->reference()), "places-$edge", self::VERSION.self::key($piece, $zones), self::KEPT, static fn (): string => (string) gzcompress($make()->packed(), 1), 'parcel');

        return PartMap::unpacked((string) @gzuncompress($kept), $zones) ?? $make();
    }

    /**
     * A small map: dark where these colours lie.
     *
     * @param  list<string>  $targets  ids
     * @return string the bytes of a PNG
     */
    public function small(Piece $piece, array $targets): string
    {
        $parts = $this->small[$piece->id] ??= $this->parts($piece, $this->picture->of($piece), self::SMALL);
        $grey = '';
        $mask = $parts->mask($targets);
        for ($at = 0, $count = strlen($mask); $at < $count; $at++) {
            $grey .= str_repeat(chr(self::PAPER + intdiv((self::PLACE - self::PAPER) * ord($mask[$at]), 255)), 3);
        }

        return PhotoRenderer::png($parts->width, $parts->height, $grey);
    }

    /**
     * Changes with all that places rest on; the same for copies of a piece.
     *
     * @param  list<PictureZone>  $zones
     */
    private static function key(Piece $piece, array $zones): string
    {
        $unnamed = new Unnamed([...array_map(static fn (PictureTarget $target): string => $target->id, PartMap::targetsOf($zones)), ...array_map(static fn (PictureZone $zone): string => $zone->id, $zones)]);

        return hash('xxh128', $unnamed->from(json_encode($zones, JSON_THROW_ON_ERROR)).$piece->zone_map.$piece->reference()->picture);
    }

    /** @param  list<PictureZone>  $zones */
    private function parts(Piece $piece, array $zones, int $edge): PartMap
    {
        $field = $this->photos->field($piece->reference(), $edge);
        $map = $this->zones->map($piece) ?? ZoneMap::none($field->width, $field->height);

        return PartFinder::of($field, $map->scaled($field->width, $field->height), $zones);
    }
}
