<?php

declare(strict_types=1);

namespace App\Console\Bench;

use App\Studio\Photos\PhotoReader;
use Prism\Layering\Predictor;
use Prism\Layering\Stack;
use Prism\Matching\Recipe;
use Prism\Matching\Search;
use Prism\Matching\Search\PairLibrary;
use Prism\Materials\Kit;
use Prism\Planning\Order\Planner;
use Prism\Planning\Palette\PaletteFinder;
use Prism\Planning\Palette\TargetStacks;
use Prism\Planning\PartFinder;
use Prism\Planning\PictureColours;
use Prism\Planning\PictureZone;
use Prism\Planning\Simulation;
use Prism\Reference\Image\Field;
use Prism\Reference\PictureReading;
use Prism\Reference\Zones\ZoneReader;
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
            $raster = $reader->pixels(database_path("demo/$name.jpg"));
            $reading = PictureReading::of($raster);
            $map = $reading->tree->cut(self::ZONES);
            $zones = array_values(array_map(PictureZone::read(...), (new ZoneReader(Field::of($raster, PictureReading::EDGE), $map, $reading->light))->read()));
            $colours = PictureColours::of($zones);
            [$targets, $weights] = [$colours->targets, $colours->weights];
            [$gathered, $gathering] = Clock::milliseconds(static fn (): array => array_map(static fn (string $id): TargetStacks => TargetStacks::of($search, $targets[$id], $colours->limits[$id], $box), array_combine(array_keys($targets), array_keys($targets))));
            // What a pin takes: the stacks are known.
            [$curve, $choosing] = Clock::milliseconds(static fn (): array => (new PaletteFinder($search, $box))->curve($colours->wish([...self::SIZES, count($box)]), gathered: $gathered));
            $stacks = array_map(static fn (Recipe $recipe): Stack => $recipe->stack, $curve[self::FEW]->recipes);
            $planned = $colours->planned($curve[self::FEW]->recipes, self::PAPER_MM2);
            [$plan, $ordering] = Clock::milliseconds(static fn () => (new Planner($predictor, $box, progress: Progress::ZoneByZone))->plan($planned));
            $built = $all = 0.0;
            foreach ($targets as $id => $target) {
                $built += $weights[$id] * $target->colour->differenceTo($plan->built[$id]->colour);
                $all += $weights[$id];
            }
            $field = Field::of($raster, self::EDGE);
            $scaled = $map->scaled($field->width, $field->height);
            [$rgb, $drawing] = Clock::milliseconds(static fn (): string => (new Simulation($predictor->model))->draw(PartFinder::of($field, $scaled, $zones), $stacks));
            $check = Simulation::valueCheck($field, $rgb);
            $rows[] = [
                $name, (string) count($targets), sprintf('%.2f', $curve[self::FEW]->meanDifference), sprintf('%.2f', $curve[count($box)]->meanDifference), sprintf('%.1f + %.1f', $gathering / 1000, $choosing / 1000),
                sprintf('%.2f', $built / $all), sprintf('%d in %d', count($plan->turns), count($plan->steps)), sprintf('%.2f', $ordering / 1000), sprintf('%.0f of %.0f', $plan->minutes, $plan->apartMinutes), sprintf('%.2f', $drawing / 1000), sprintf('%.1f', $check['mean']),
            ];
        }

        return $rows;
    }
}
