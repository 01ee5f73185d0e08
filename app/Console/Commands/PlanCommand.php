<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Studio\PhotoReader;
use App\Studio\PhotoRefused;
use App\Studio\PhotoRenderer;
use Prism\Colour\Lab;
use Prism\Layering\Stack;
use Prism\Matching\Gamut;
use Prism\Matching\Limits;
use Prism\Matching\Recipe;
use Prism\Matching\Search\PairLibrary;
use Prism\Matching\Target;
use Prism\Planning\Fitting;
use Prism\Planning\Neighbours;
use Prism\Planning\Pair;
use Prism\Planning\Palette;
use Prism\Planning\PaletteFinder;
use Prism\Planning\PaletteWish;
use Prism\Planning\PictureZone;
use Prism\Planning\Plan;
use Prism\Planning\PlannedZone;
use Prism\Planning\Planner;
use Prism\Planning\PlanStep;
use Prism\Planning\Simulation;
use Prism\Planning\TrioShading;
use Prism\Planning\ZoneJoin;
use Prism\Reference\Field;
use Prism\Reference\MergeTree;
use Prism\Reference\PictureReading;
use Prism\Reference\Raster;
use Prism\Reference\ZoneMap;
use Prism\Reference\ZoneReader;
use Prism\Schools\SchoolSet;

/** The whole path without a server: photo, zones, targets, palette, recipes, ordered steps; and the simulated drawing. */
final class PlanCommand extends StudioFiles
{
    protected $signature = 'prism:plan {photo : a JPEG, PNG or WebP} {--pencils=} {--swatches=} {--paper=} {--palette-size=12} {--zones=16} {--school=} {--targets-only : stop at the targets; no pencils are needed}
        {--out= : plan.json} {--preview= : preview.png}';

    protected $description = 'Plans a drawing from a photo: zones, targets, palette, recipes and steps';

    private const FORMAT = 'prism-plan-1';

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
        $photo = $this->photo();
        $reading = PictureReading::of($photo, fn (string $doing, float $share) => $this->progress(sprintf('%s: %d %%', $doing, (int) (100 * $share))));
        $map = $reading->tree->cut($count);
        $field = Field::of($photo, PictureReading::EDGE);
        $zones = array_values(array_map(PictureZone::read(...), (new ZoneReader($field, $map, $reading->light))->read()));
        $targets = $weights = [];
        foreach ($zones as $zone) {
            foreach ($zone->targets as $target) {
                $targets[$target->id] = Target::colour($target->drawn);
                $weights[$target->id] = $zone->weight($target);
            }
        }
        $this->progress(sprintf('%d zones, %d targets', count($zones), count($targets)));
        if ((bool) $this->option('targets-only')) {
            $this->write('out', self::json($zones, $field, null, null));

            return;
        }
        $kit = $this->kit();
        $calibration = $this->calibration($kit, $this->swatches($kit));
        $size = $this->between('palette-size', 1, count($kit));
        $search = $this->searchIn($calibration, $kit);
        $schools = SchoolSet::answered($this->text('school'));
        $predictor = $calibration->predictor($this->paper($calibration, $this->text('paper')));
        $fitting = Fitting::of(array_map(static fn (Target $target): Lab => $target->colour, array_values($targets)), $search, Gamut::of(PairLibrary::build($predictor->model, $calibration->known($kit)->ids())), $predictor->model->bare()->lab()->L);
        $zones = array_map(static fn (PictureZone $zone): PictureZone => $zone->by($schools, $fitting), $zones);
        $limits = $parted = [];
        foreach ($zones as $zone) {
            foreach ($zone->targets as $target) {
                $targets[$target->id] = Target::colour($target->drawn);
                $limits[$target->id] = $zone->limits(Limits::PICTURE_LAYERS, $targets[$target->id]);
                $parted[$target->id] = $zone->id;
            }
        }
        $palette = (new PaletteFinder($search, $calibration->known($kit)))->curve(new PaletteWish($targets, [$size], $weights, each: $limits, zones: $parted))[$size];
        $palette = TrioShading::of($palette, $zones, $search, $calibration->known($kit)->only($palette->pencils), $targets, $weights, $limits)->palette;
        $this->progress(sprintf('%d pencils: mean dE00 %.2f', count($palette->pencils), $palette->meanDifference));
        $plan = (new Planner($predictor, $kit))->plan(self::planned($zones, $palette, $field));
        $this->write('out', self::json($zones, $field, $palette, $plan));
        if ($this->text('preview') !== '') {
            $this->write('preview', self::preview($photo, $map, $zones, array_map(static fn ($recipe): Stack => $recipe->stack, $palette->recipes), new Simulation($predictor->model)));
        }
        $this->progress(sprintf('%d steps planned', count($plan->steps)));
    }

    private function photo(): Raster
    {
        $path = $this->argument('photo');
        if (! is_string($path) || ! is_file($path)) {
            throw new FileRefused(sprintf('The photo "%s" cannot be read.', is_string($path) ? $path : ''));
        }
        try {
            $photo = $this->reader->read($path);
        } catch (PhotoRefused $refusal) {
            throw new FileRefused($refusal->getMessage());
        }

        return Raster::of($photo->width, $photo->height, $photo->rgb);
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
     * @return list<PlannedZone>
     */
    private static function planned(array $zones, Palette $palette, Field $field): array
    {
        $planned = [];
        $paper = self::WIDTH_MM * self::heightOf($field);
        foreach ($zones as $zone) {
            foreach ($zone->targets as $target) {
                $recipe = $palette->recipes[$target->id] ?? null;
                if ($recipe !== null) {
                    $planned[] = new PlannedZone($target->id, $zone->id, sprintf('%s: %s', $zone->name, $target->role->label()), $target->drawn, $recipe->stack, $recipe->underlayer, $paper * $zone->share * $target->share, array_map(strval(...), $zone->touching));
                }
            }
        }

        return $planned;
    }

    /**
     * @param  list<PictureZone>  $zones
     * @param  array<string, Stack>  $stacks
     */
    private static function preview(Raster $photo, ZoneMap $map, array $zones, array $stacks, Simulation $simulation): string
    {
        $field = Field::of($photo, self::PREVIEW_EDGE);
        $image = PhotoRenderer::image($field->width, $field->height, $simulation->draw($field, $map->scaled($field->width, $field->height), $zones, $stacks));
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
    private static function json(array $zones, Field $field, ?Palette $palette, ?Plan $plan): string
    {
        return json_encode(array_filter([
            'format' => self::FORMAT,
            'widthMm' => self::WIDTH_MM,
            'heightMm' => round(self::heightOf($field), 1),
            'zones' => array_map(static fn (PictureZone $zone): array => [
                'id' => $zone->id, 'name' => $zone->name, 'share' => round($zone->share, 5), 'importance' => $zone->importance, 'surface' => $zone->surface->value,
                'light' => $zone->light->value, 'distance' => $zone->distance->value, 'touching' => $zone->touching,
                'targets' => array_map(static function ($target) use ($palette): array {
                    $recipe = $palette?->recipes[$target->id] ?? null;

                    return array_filter([
                        'id' => $target->id, 'role' => $target->role->value, 'share' => round($target->share, 4), 'L' => $target->drawn->L, 'a' => $target->drawn->a, 'b' => $target->drawn->b,
                        'steps' => $recipe === null ? null : (string) $recipe->stack,
                        'predicted' => $recipe?->prediction->colour->jsonSerialize(),
                        'dE00' => $recipe === null ? null : round($recipe->difference->dE00, 2),
                    ], static fn (mixed $value): bool => $value !== null);
                }, $zone->targets),
            ], $zones),
            'palette' => $palette === null ? null : array_map(strval(...), $palette->pencils),
            'dE00' => $palette === null ? null : round($palette->meanDifference, 2),
            'steps' => $plan === null ? null : array_map(static fn (PlanStep $step): array => [
                'target' => $step->zone->id, 'role' => $step->role->value, 'step' => $step->step === null ? null : (string) $step->step, 'why' => $step->why,
                'because' => array_map(static fn (array $reason): string => sprintf('before %d: %s', ...$reason), $step->because),
                'minutes' => round($step->minutes, 1), 'session' => $step->session,
            ], $plan->steps),
            'minutes' => $plan === null ? null : round($plan->minutes, 1),
            'joins' => $plan === null ? null : array_values(array_filter(array_map(static fn (PictureZone $zone): ?ZoneJoin => ZoneJoin::of($zone, self::WIDTH_MM, self::heightOf($field)), $zones))),
            'tooAlike' => $plan === null || $palette === null ? null : array_map(
                static fn (Pair $pair): array => ['one' => $pair->one->id, 'other' => $pair->other->id, 'dE00' => round($pair->dE00, 1), 'say' => $pair->sentence()],
                Neighbours::tooAlike($zones, array_map(static fn (Recipe $recipe): Lab => $recipe->prediction->colour, $palette->recipes)),
            ),
            'cautions' => $plan === null ? null : array_map(static fn ($caution): string => $caution->sentence(), $plan->cautions),
        ], static fn (mixed $part): bool => $part !== null), JSON_PRETTY_PRINT | JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE)."\n";
    }
}
