<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Studio\Photos\PhotoReader;
use App\Studio\Photos\PhotoRenderer;
use Prism\Colour\Lab;
use Prism\Layering\Prediction;
use Prism\Layering\Stack;
use Prism\Matching\Gamut;
use Prism\Matching\Search\PairLibrary;
use Prism\Planning\Advice\Neighbours;
use Prism\Planning\Advice\Pair;
use Prism\Planning\Fitting;
use Prism\Planning\Gradient\ZoneJoin;
use Prism\Planning\Order\Caution;
use Prism\Planning\Order\Place;
use Prism\Planning\Order\Plan;
use Prism\Planning\Order\Planner;
use Prism\Planning\Order\PlanStep;
use Prism\Planning\Order\StepRole;
use Prism\Planning\Order\Turn;
use Prism\Planning\Palette\Palette;
use Prism\Planning\Palette\PaletteFinder;
use Prism\Planning\Palette\TrioShading;
use Prism\Planning\PartFinder;
use Prism\Planning\PictureColours;
use Prism\Planning\PictureTarget;
use Prism\Planning\PictureZone;
use Prism\Planning\Simulation;
use Prism\Reference\Image\Field;
use Prism\Reference\Image\Raster;
use Prism\Reference\PictureReading;
use Prism\Reference\Zones\MergeTree;
use Prism\Reference\Zones\ZoneMap;
use Prism\Reference\Zones\ZoneReader;
use Prism\Schools\Progress;
use Prism\Schools\SchoolSet;

/** The whole path without a server: photo, zones, targets, palette, recipes, turns in order; and the simulated drawing. */
final class PlanCommand extends StudioFiles
{
    protected $signature = 'prism:plan {photo : a JPEG, PNG or WebP} {--pencils=} {--swatches=} {--paper=} {--palette-size=12} {--zones=16} {--school=} {--targets-only : stop at the targets; no pencils are needed}
        {--out= : plan.json} {--preview= : preview.png}';

    protected $description = 'Plans a drawing from a photo: zones, targets, palette, recipes and turns';

    private const FORMAT = 'prism-plan-2';

    /** What a drawing is taken to be as wide as, for times and joins. */
    private const WIDTH_MM = 240.0;

    /** Long edge of the simulated drawing, in pixels. */
    private const PREVIEW_EDGE = 1024;

    private PhotoReader $reader;

    public function __construct(PhotoReader $reader)
    {
        parent::__construct();
        $this->reader = $reader;
    }

    protected function perform(): void
    {
        $count = $this->between('zones', MergeTree::FEWEST, MergeTree::MOST);
        $photo = $this->picture($this->reader, 'photo');
        $reading = PictureReading::of($photo, fn (string $doing, float $share) => $this->progress(sprintf('%s: %d %%', $doing, (int) (100 * $share))));
        $map = $reading->tree->cut($count);
        $field = Field::of($photo, PictureReading::EDGE);
        $zones = array_values(array_map(PictureZone::read(...), (new ZoneReader($field, $map, $reading->light))->read()));
        $read = array_merge(...array_map(static fn (PictureZone $zone): array => array_map(static fn (PictureTarget $target): Lab => $target->read, $zone->targets), $zones));
        $this->progress(sprintf('%d zones, %d targets', count($zones), count($read)));
        if ((bool) $this->option('targets-only')) {
            $this->write('out', self::json($zones, $field));

            return;
        }
        $kit = $this->kit();
        $calibration = $this->calibration($kit, $this->swatches($kit));
        $size = $this->between('palette-size', 1, count($kit));
        $search = $this->searchIn($calibration, $kit);
        $schools = SchoolSet::answered($this->text('school'));
        $predictor = $calibration->predictor($this->paper($calibration, $this->text('paper')));
        $known = $calibration->known($kit);
        $fitting = Fitting::of($read, $search, Gamut::permitted(PairLibrary::build($predictor->model, $known->ids()), $known, $schools), $predictor->model->bare()->lab()->L);
        $zones = array_map(static fn (PictureZone $zone): PictureZone => $zone->by($schools, $fitting), $zones);
        $colours = PictureColours::of($zones);
        $palette = (new PaletteFinder($search, $known))->curve($colours->wish([$size]))[$size];
        $palette = TrioShading::of($palette, $zones, $search, $known->only($palette->pencils), $colours->targets, $colours->weights, $colours->limits)->palette;
        $this->progress(sprintf('%d pencils: mean dE00 %.2f', count($palette->pencils), $palette->meanDifference));
        $plan = (new Planner($predictor, $kit, Progress::ZoneByZone))->plan($colours->planned($palette->recipes, self::WIDTH_MM * self::heightOf($field)));
        $this->write('out', self::json($zones, $field, $palette, $plan, $fitting));
        if ($this->text('preview') !== '') {
            $this->write('preview', self::preview($photo, $map, $zones, $plan->laid(), new Simulation($predictor->model)));
        }
        $this->progress(sprintf('%d turns planned, %d places', count($plan->turns), count($plan->steps)));
    }

    private function between(string $option, int $low, int $high): int
    {
        $text = $this->text($option);
        if (preg_match('/^\d{1,4}\z/', $text) !== 1 || (int) $text < $low || (int) $text > $high) {
            throw new FileRefused(sprintf('--%s: "%s"; write a whole number from %d to %d.', $option, $text, $low, $high));
        }

        return (int) $text;
    }

    /**
     * @param  list<PictureZone>  $zones
     * @param  array<string, Stack>  $stacks
     */
    private static function preview(Raster $photo, ZoneMap $map, array $zones, array $stacks, Simulation $simulation): string
    {
        $field = Field::of($photo, self::PREVIEW_EDGE);
        $image = PhotoRenderer::image($field->width, $field->height, $simulation->draw(PartFinder::of($field, $map->scaled($field->width, $field->height), $zones), $stacks, self::WIDTH_MM / $field->width));
        $image->setFormat('png');
        $image->setImageFormat('png');

        return $image->getImageBlob();
    }

    /** Of the drawing, as wide as it is taken to be. */
    private static function heightOf(Field $field): float
    {
        return self::WIDTH_MM * $field->height / $field->width;
    }

    /** @param  list<PictureZone>  $zones */
    private static function json(array $zones, Field $field, ?Palette $palette = null, ?Plan $plan = null, ?Fitting $fitting = null): string
    {
        $whole = ['format' => self::FORMAT, 'widthMm' => self::WIDTH_MM, 'heightMm' => round(self::heightOf($field), 1), 'zones' => array_map(static fn (PictureZone $zone): array => self::zone($zone, $plan), $zones)];
        if ($palette !== null && $plan !== null && $fitting !== null) {
            $whole += [
                'fitted' => $fitting->isNeeded(),
                'palette' => array_map(strval(...), $palette->pencils),
                'dE00' => round(self::meanDifference($zones, $plan), 2),
                'turns' => array_map(self::turn(...), $plan->turns),
                'reserves' => array_values(array_map(static fn (PlanStep $step): array => ['zone' => $step->zone->zone, 'target' => $step->zone->id, 'why' => $step->why], array_filter($plan->steps, static fn (PlanStep $step): bool => $step->step === null && $step->role !== StepRole::Rub))),
                'minutes' => round($plan->minutes, 1),
                'joins' => array_values(array_filter(array_map(static fn (PictureZone $zone): ?ZoneJoin => ZoneJoin::of($zone, self::WIDTH_MM, self::heightOf($field)), $zones))),
                'advice' => array_map(
                    static fn (Pair $pair): array => ['one' => $pair->one->id, 'other' => $pair->other->id, 'dE00' => round($pair->dE00, 1), 'say' => $pair->sentence()],
                    Neighbours::tooAlike($zones, array_map(static fn (Prediction $built): Lab => $built->colour, $plan->built)),
                ),
                'cautions' => array_map(static fn (Caution $caution): string => $caution->sentence(), $plan->cautions),
            ];
        }

        return json_encode($whole, JSON_PRETTY_PRINT | JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE)."\n";
    }

    /** @return array<string, mixed> */
    private static function zone(PictureZone $zone, ?Plan $plan): array
    {
        $laid = $plan?->laid() ?? [];
        $parts = [];
        foreach ($zone->targets as $target) {
            $built = $plan?->built[$target->id] ?? null;
            $part = $target->role->value;
            $parts[$part] ??= ['part' => $part, 'share' => 0.0, 'targets' => []];
            $parts[$part]['share'] = round($parts[$part]['share'] + $target->share, 4);
            $parts[$part]['targets'][] = ['id' => $target->id, 'role' => $part, 'L' => $target->read->L, 'a' => $target->read->a, 'b' => $target->read->b] + ($built === null ? [] : [
                'fitted' => $target->drawn->jsonSerialize(),
                'steps' => (string) ($laid[$target->id] ?? ''),
                'predicted' => $built->colour->jsonSerialize(),
                'dE00' => round($built->colour->differenceTo($target->drawn), 2),
            ]);
        }

        return [
            'id' => $zone->id, 'name' => $zone->name, 'share' => round($zone->share, 5), 'importance' => $zone->importance, 'surface' => $zone->surface->value,
            'light' => $zone->light->value, 'distance' => $zone->distance->value, 'touching' => $zone->touching, 'parts' => array_values($parts),
        ];
    }

    /** @return array<string, mixed> */
    private static function turn(Turn $turn): array
    {
        return [
            'number' => $turn->number, 'stage' => $turn->stage->value, 'tool' => $turn->kind->value ?? $turn->role->value, 'pencil' => $turn->pencil === null ? null : (string) $turn->pencil,
            'pressure' => $turn->pressurePercent, 'round' => $turn->round,
            'places' => array_map(self::place(...), $turn->places),
            'why' => $turn->why, 'because' => $turn->because, 'minutes' => round($turn->minutes, 1), 'session' => $turn->session,
        ];
    }

    /** @return array<string, mixed> */
    private static function place(Place $place): array
    {
        $fade = $place->fade();

        return ['zone' => $place->zone, 'part' => $place->part->value, 'coats' => $place->coats]
            + ($fade === null ? [] : ['from' => $fade->fromPercent, 'to' => $fade->toPercent, 'towards' => $fade->towardsLight ? 'light' : 'dark'])
            + ($place->edge() === null ? [] : ['edge' => $place->edge()])
            + ($place->onlyIf() === null ? [] : ['onlyIf' => $place->onlyIf()]);
    }

    /**
     * What the plan comes to, as its colours count.
     *
     * @param  list<PictureZone>  $zones
     */
    private static function meanDifference(array $zones, Plan $plan): float
    {
        $sum = $all = 0.0;
        foreach ($zones as $zone) {
            foreach ($zone->targets as $target) {
                if (isset($plan->built[$target->id])) {
                    $sum += $zone->weight($target) * $plan->built[$target->id]->colour->differenceTo($target->drawn);
                    $all += $zone->weight($target);
                }
            }
        }

        return $all > 0.0 ? $sum / $all : 0.0;
    }
}
