<?php

declare(strict_types=1);

namespace App\Console\Bench;

use App\Studio\Photos\PhotoReader;
use Prism\Colour\Lab;
use Prism\Layering\Predictor;
use Prism\Matching\Gamut;
use Prism\Matching\Search;
use Prism\Matching\Search\PairLibrary;
use Prism\Materials\Kit;
use Prism\Planning\Fitting;
use Prism\Planning\Order\Plan;
use Prism\Planning\Order\Planner;
use Prism\Planning\Palette\PaletteFinder;
use Prism\Planning\PictureColours;
use Prism\Planning\PictureTarget;
use Prism\Planning\PictureZone;
use Prism\Reference\Image\Field;
use Prism\Reference\Image\Raster;
use Prism\Reference\PictureReading;
use Prism\Reference\Zones\ZoneMap;
use Prism\Reference\Zones\ZoneReader;
use Prism\Schools\Progress;
use Prism\Schools\SchoolSet;

/** A demo reference, planned as a whole with a dozen pencils. */
final class PlannedPicture
{
    public const WIDTH_MM = 240.0;

    private const ZONES = 24;

    private const PENCILS = 12;

    /** @return array{raster: Raster, map: ZoneMap, zones: list<PictureZone>, plan: Plan} */
    public static function of(string $name, PhotoReader $photos, Search $search, Predictor $predictor, PairLibrary $library, Kit $kit): array
    {
        $raster = $photos->pixels(database_path("demo/$name.jpg"));
        $reading = PictureReading::of($raster);
        $map = $reading->tree->cut(self::ZONES);
        $zones = array_values(array_map(PictureZone::read(...), (new ZoneReader(Field::of($raster, PictureReading::EDGE), $map, $reading->light))->read()));
        $read = array_merge(...array_map(static fn (PictureZone $zone): array => array_map(static fn (PictureTarget $target): Lab => $target->read, $zone->targets), $zones));
        $fitting = Fitting::of($read, $search, Gamut::permitted($library, $kit, new SchoolSet), $predictor->model->bare()->lab()->L);
        $zones = array_map(static fn (PictureZone $zone): PictureZone => $zone->by(new SchoolSet, $fitting), $zones);
        $colours = PictureColours::of($zones);
        $palette = (new PaletteFinder($search, $kit))->curve($colours->wish([self::PENCILS]))[self::PENCILS];

        return ['raster' => $raster, 'map' => $map, 'zones' => $zones, 'plan' => (new Planner($predictor, $kit, Progress::ZoneByZone))->plan($colours->planned($palette->recipes, self::WIDTH_MM ** 2 * 0.75))];
    }
}
