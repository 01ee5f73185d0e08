<?php

declare(strict_types=1);

namespace App\Console\Bench;

use App\Studio\PhotoReader;
use Prism\Layering\Predictor;
use Prism\Layering\Stack;
use Prism\Matching\Limits;
use Prism\Matching\Recipe;
use Prism\Matching\Search;
use Prism\Matching\Search\PairLibrary;
use Prism\Matching\Target;
use Prism\Materials\Kit;
use Prism\Planning\Order\PlannedZone;
use Prism\Planning\Order\Planner;
use Prism\Planning\PaletteFinder;
use Prism\Planning\PaletteWish;
use Prism\Planning\PictureZone;
use Prism\Planning\Simulation;
use Prism\Planning\TargetStacks;
use Prism\Reference\Field;
use Prism\Reference\PictureReading;
use Prism\Reference\Raster;
use Prism\Reference\ZoneReader;
use Prism\Schools\Progress;

/** Planning the demo references whole: how few pencils serve them, how long it takes, how near the drawing comes by value. */
final class PlanFigures
{
    private const ZONES = 24;

    private const FEW = 12;

    /** Of the curve that is shown, beside the whole box. */
    private const SIZES = [6, 8, 12, 18, 24];

    private const EDGE = 1024;

    private const PAPER_MM2 = 240.0 * 180.0;

    /** @return list<list<string>> */
    public static function rows(PhotoReader $reader, Predictor $predictor, Kit $box): array
    {
        $search = new Search($predictor, $box, PairLibrary::build($predictor->model, $box->ids()));
        $rows = [];
        foreach (LookFigures::PHOTOS as $name) {
            $photo = $reader->read(database_path("demo/$name.jpg"));
            $raster = Raster::of($photo->width, $photo->height, $photo->rgb);
            $reading = PictureReading::of($raster);
            $map = $reading->tree->cut(self::ZONES);
            $zones = array_values(array_map(PictureZone::read(...), (new ZoneReader(Field::of($raster, PictureReading::EDGE), $map, $reading->light))->read()));
            $targets = $weights = $parted = [];
            foreach ($zones as $zone) {
                foreach ($zone->targets as $target) {
                    $targets[$target->id] = Target::colour($target->drawn);
                    $weights[$target->id] = $zone->weight($target);
                    $parted[$target->id] = $zone->id;
                }
            }
            $limits = new Limits(maxLayers: Limits::PICTURE_LAYERS);
            [$gathered, $gathering] = Clock::milliseconds(static fn (): array => array_map(static fn (Target $target): TargetStacks => TargetStacks::of($search, $target, $limits, $box), $targets));
            // What a pin takes: the stacks are known.
            [$curve, $choosing] = Clock::milliseconds(static fn (): array => (new PaletteFinder($search, $box))->curve(new PaletteWish($targets, [...self::SIZES, count($box)], $weights, limits: $limits, zones: $parted), gathered: $gathered));
            $stacks = array_map(static fn (Recipe $recipe): Stack => $recipe->stack, $curve[self::FEW]->recipes);
            $planned = [];
            foreach ($zones as $zone) {
                foreach ($zone->targets as $target) {
                    $planned[] = new PlannedZone($target->id, $zone->id, $target->id, $target->drawn, $stacks[$target->id], null, self::PAPER_MM2 * $zone->share * $target->share, array_map(strval(...), $zone->touching), role: $target->role, zoneName: $zone->name);
                }
            }
            [$plan, $ordering] = Clock::milliseconds(static fn () => (new Planner($predictor, $box, progress: Progress::ZoneByZone))->plan($planned));
            $built = $all = 0.0;
            foreach ($targets as $id => $target) {
                $built += $weights[$id] * $target->colour->differenceTo($plan->built[$id]->colour);
                $all += $weights[$id];
            }
            $field = Field::of($raster, self::EDGE);
            $scaled = $map->scaled($field->width, $field->height);
            [$rgb, $drawing] = Clock::milliseconds(static fn (): string => (new Simulation($predictor->model))->draw($field, $scaled, $zones, $stacks));
            $check = Simulation::valueCheck($field, $rgb);
            $rows[] = [
                $name, (string) count($targets), sprintf('%.2f', $curve[self::FEW]->meanDifference), sprintf('%.2f', $curve[count($box)]->meanDifference), sprintf('%.1f + %.1f', $gathering / 1000, $choosing / 1000),
                sprintf('%.2f', $built / $all), sprintf('%d in %d', count($plan->turns), count($plan->steps)), sprintf('%.2f', $ordering / 1000), sprintf('%.0f of %.0f', $plan->minutes, $plan->apartMinutes), sprintf('%.2f', $drawing / 1000), sprintf('%.1f', $check['mean']),
            ];
        }

        return $rows;
    }
}
