<?php

declare(strict_types=1);

namespace App\Studio;

use App\Models\Piece;
use App\Models\ZoneTarget;
use App\Studio\LongWork\WorkRefused;
use Closure;
use Prism\Calibration\ChartStacks;
use Prism\Colour\Lab;
use Prism\Layering\Stack;
use Prism\Matching\Limits;
use Prism\Matching\Target;
use Prism\Materials\Kit;
use Prism\Materials\PencilId;
use Prism\Planning\Designation;
use Prism\Planning\Joins;
use Prism\Planning\Neighbours;
use Prism\Planning\Pair;
use Prism\Planning\Palette;
use Prism\Planning\PaletteFinder;
use Prism\Planning\PictureTarget;
use Prism\Planning\PictureZone;
use Prism\Planning\Plan;
use Prism\Planning\Simulation;
use Prism\Planning\ZoneAdvice;
use Prism\Reference\Distance;
use Prism\Reference\Field;
use Prism\Reference\Surface;
use Prism\Reference\TargetRole;
use Prism\Reference\ZoneLight;
use Prism\Reference\ZoneMap;

/** A piece as one picture to be planned: its palette, and what the drawing will look like. */
final class PicturePlans
{
    /** Sizes of palettes that are compared, beside the whole box and the size wanted. */
    private const SIZES = [6, 8, 12, 18, 24];

    /** Of a planned recipe, at most. */
    private const LAYERS = 3;

    /** Long edge of the simulated drawing, in pixels. */
    private const EDGE = 1024;

    /** Goes up when drawings are simulated differently. */
    private const VERSION = 2;

    public function __construct(
        private readonly Engine $engine,
        private readonly Catalogue $catalogue,
        private readonly PhotoStore $photos,
        private readonly ZoneBook $zones,
        private readonly ZoneRecipes $recipes,
    ) {
    }

    /** @return list<PictureZone> what is to be drawn */
    public function picture(Piece $piece): array
    {
        $picture = [];
        foreach ($piece->zones()->with('targets')->get() as $zone) {
            $zone->setRelation('piece', $piece);
            $traits = ZoneBook::traits($zone);
            $schools = SchoolChoices::ofZone($zone);
            $targets = [];
            foreach ($zone->targets as $row) {
                $row->setRelation('zone', $zone);
                $targets[] = new PictureTarget($row->id, $row->role, Targets::read($row), Targets::drawn($row), $row->share);
            }
            $picture[] = new PictureZone(
                $zone->id, $zone->name, $zone->label ?? 0, $zone->share, (int) ($traits['importance'] ?? 2),
                Surface::from($traits['surface'] ?? 'soft'), ZoneLight::from($traits['light'] ?? 'lit'), Distance::from($traits['distance'] ?? 'between'),
                (bool) ($traits['crisp'] ?? true), isset($traits['direction']) ? (float) $traits['direction'] : null,
                array_map(intval(...), array_keys($zone->estimates['touching'] ?? [])), $targets, $schools->schools(), $schools->highlights(),
            );
        }

        return $picture;
    }

    /**
     * How the values of each zone are feathered into one another, from light to dark.
     *
     * @return list<array{zone: string, towards: string|null, lengthMm: float, steps: int, spans: list<array{target: string, from: float, to: float, fromMm: float, toMm: float}>}>
     */
    public function joins(Piece $piece): array
    {
        $joins = [];
        $paper = $piece->width_mm * $piece->height_mm / (($piece->crop['width'] ?? 1.0) * ($piece->crop['height'] ?? 1.0));
        foreach ($this->picture($piece) as $zone) {
            $values = array_values(array_filter($zone->targets, static fn (PictureTarget $target): bool => in_array($target->role, [TargetRole::Light, TargetRole::Middle, TargetRole::Dark], true)));
            if (count($values) < 2 || $zone->share <= 0.0) {
                continue;
            }
            usort($values, static fn (PictureTarget $a, PictureTarget $b): int => $b->drawn->L <=> $a->drawn->L);
            // As long as a square of the zone's area.
            $length = sqrt($zone->share * $paper);
            $spans = Joins::spans(count($values), $length);
            $joins[] = [
                'zone' => $zone->id, 'towards' => self::towards($piece, $values[0]->id, $values[count($values) - 1]->id), 'lengthMm' => round($length, 1), 'steps' => Joins::steps(count($values)),
                'spans' => array_map(static fn (PictureTarget $target, array $span): array => [
                    'target' => $target->id, 'from' => round($span['from'], 3), 'to' => round($span['to'], 3), 'fromMm' => round($span['fromMm'], 1), 'toMm' => round($span['toMm'], 1),
                ], $values, $spans),
            ];
        }

        return $joins;
    }

    /** On the form's own direction: where its dark lies from its light, in words; null where both are read at one spot. */
    private static function towards(Piece $piece, string $light, string $dark): ?string
    {
        $spots = [];
        foreach ($piece->zones as $zone) {
            foreach ($zone->targets as $target) {
                $spots[$target->id] = [$target->x * $piece->width_mm, $target->y * $piece->height_mm];
            }
        }

        return isset($spots[$light], $spots[$dark]) ? Joins::towards(...$spots[$light], ...$spots[$dark]) : null;
    }

    /**
     * A few pencils set to light, middle and dark, and what each makes over each.
     *
     * @return array{designation: Designation, combinations: list<array{stack: Stack, colour: Lab}>} each over each, the lower by row
     */
    public function designated(Piece $piece, Kit $pencils): array
    {
        $predictor = $this->engine->predictor($piece->paper, $piece->user, $pencils);
        $designation = Designation::of($pencils, $predictor);
        $ids = array_map(static fn (array $own): PencilId => $own['pencil']->id, $designation->pencils);
        $combinations = [];
        foreach ($ids as $lower) {
            foreach ($ids as $upper) {
                $stack = (string) $lower === (string) $upper ? ChartStacks::doubled($lower) : ChartStacks::pair($lower, $upper);
                $combinations[] = ['stack' => $stack, 'colour' => $predictor->predict($stack)->colour];
            }
        }

        return ['designation' => $designation, 'combinations' => $combinations];
    }

    /** @return list<ZoneAdvice> what brings the picture together, beside its colours */
    public function advice(Piece $piece, Plan $plan): array
    {
        return ZoneAdvice::of($this->picture($piece), Kit::of(array_column($plan->pullList, 'pencil')));
    }

    /** @return list<Pair> touching zones that will merge, as their recipes come out */
    public function tooAlike(Piece $piece, Plan $plan): array
    {
        $looks = [];
        foreach ($plan->steps as $step) {
            $looks[$step->zone->id] = $step->after;
        }

        return Neighbours::tooAlike($this->picture($piece), $looks);
    }

    /**
     * The palettes of a curve, and of the size that the piece wants.
     *
     * @param  Closure(string, float): void  $progress
     * @param  bool  $anew  whether recipes that the artist has chosen are found anew too
     * @return array{chosen: Palette, size: int|null, curve: array<int, Palette>, rows: list<ZoneTarget>, own: list<string>} own: targets whose recipes stay
     *
     * @throws WorkRefused if there is nothing to plan, or to plan with
     */
    public function palettes(Piece $piece, Closure $progress, bool $anew = false): array
    {
        $progress('Gathering the colours of the picture', 0.02);
        $rows = [];
        $zones = $piece->zones()->with('targets.recipe')->get();
        foreach ($zones as $zone) {
            foreach ($zone->targets as $row) {
                $rows[] = $row->setRelation('zone', $zone->setRelation('piece', $piece));
            }
        }
        if ($rows === []) {
            throw new WorkRefused('There are no zones yet, so there is nothing to plan. Find zones in Look first.');
        }
        $box = $this->catalogue->box($piece->user);
        if (count($box) === 0) {
            throw new WorkRefused('Your box is empty; recipes are made from pencils you own. Put pencils in the box first.');
        }
        $targets = $weights = $limits = [];
        foreach ($this->picture($piece) as $zone) {
            foreach ($zone->targets as $target) {
                $limits[$target->id] = $zone->limits(self::LAYERS);
                $targets[$target->id] = $piece->value_only ? Target::value($target->drawn) : Target::colour($target->drawn);
                $weights[$target->id] = $zone->weight($target);
            }
        }
        $progress('Mixing pairs of your pencils', 0.08);
        $search = $this->engine->search($piece->paper, $piece->user, $box);
        $known = $this->engine->searchable($piece->paper, $piece->user, $box);
        $pinned = self::ids($piece->pinned ?? []);
        $own = [];
        foreach ($rows as $row) {
            if (! $anew && $row->recipe !== null && $row->recipe->by_hand) {
                $own[] = $row->id;
                array_push($pinned, ...Stack::parse($row->recipe->stack)->pencils());
            }
        }
        $most = count($known);
        $wanted = min($most, $piece->palette_size ?? $most);
        $sizes = array_values(array_unique(array_filter([...self::SIZES, $wanted, $most], static fn (int $size): bool => $size <= $most)));
        $progress('Choosing pencils that serve all of them', 0.2);
        $curve = (new PaletteFinder($search, $known))->curve(
            $targets, $sizes, $weights, array_values(array_unique($pinned, SORT_REGULAR)), self::ids($piece->banned ?? []), new Limits(maxLayers: self::LAYERS),
            static fn (float $share) => $progress('Choosing pencils that serve all of them', 0.2 + 0.75 * $share),
            $limits,
        );
        ksort($curve);

        return ['chosen' => $curve[$wanted], 'size' => $piece->palette_size, 'curve' => $curve, 'rows' => $rows, 'own' => $own];
    }

    /**
     * The drawing after so many steps of the plan, as a PNG; kept until something that goes into it changes.
     *
     * @param  ?int  $steps  null for all
     * @param  int  $edge  its long edge, in pixels
     */
    public function simulated(Piece $piece, ?int $steps, int $edge = self::EDGE): string
    {
        $stacks = $this->laid($piece, $steps);
        $key = hash('xxh128', json_encode([self::VERSION, $edge, $piece->reference()->picture, $piece->crop, base64_encode((string) $piece->zone_map), $stacks, $this->picture($piece), $piece->paper->slug, $piece->user->calibration_id], JSON_THROW_ON_ERROR));
        $path = $this->photos->folderOf($piece->reference())."/drawing-$key.png";
        if (! is_file($path)) {
            [$field, $rgb] = $this->draw($piece, $stacks, $edge);
            $image = PhotoRenderer::image($field->width, $field->height, $rgb);
            $image->setFormat('png');
            $image->setImageFormat('png');
            // Whole or not at all: another worker may be reading.
            file_put_contents($path.'.part', $image->getImageBlob());
            rename($path.'.part', $path);
        }

        return (string) file_get_contents($path);
    }

    /** @return array{mean: float, dark: float, light: float, photoDark: float, photoLight: float} how the finished drawing stands beside the photo, by value */
    public function valueCheck(Piece $piece): array
    {
        [$field, $rgb] = $this->draw($piece, $this->laid($piece, null));

        return array_map(static fn (float $value): float => round($value, 2), Simulation::valueCheck($field, $rgb));
    }

    /**
     * @param  array<string, string>  $stacks  notations by target
     * @return array{Field, string}
     */
    private function draw(Piece $piece, array $stacks, int $edge = self::EDGE): array
    {
        $field = Field::of($this->photos->raster($piece->reference()), $edge);
        $map = $this->zones->map($piece) ?? ZoneMap::none($field->width, $field->height);
        $parsed = array_map(Stack::parse(...), $stacks);
        $desk = $this->catalogue->desk($piece->user, ...array_values($parsed));

        return [$field, (new Simulation($this->engine->predictor($piece->paper, $piece->user, $desk)->model))->draw($field, $map->scaled($field->width, $field->height), $this->picture($piece), $parsed)];
    }

    /** @return array<string, string> what is laid after so many steps, as notations by target */
    private function laid(Piece $piece, ?int $steps): array
    {
        $plan = $this->recipes->plan($piece);
        $stacks = [];
        foreach (array_slice($plan->steps, 0, $steps ?? count($plan->steps)) as $step) {
            if ($step->step !== null) {
                $stacks[$step->zone->id] = implode(' > ', array_slice($step->zone->stack->steps, 0, $step->layer));
            }
        }
        ksort($stacks);

        return $stacks;
    }

    /**
     * @param  list<string>  $ids
     * @return list<PencilId>
     */
    private static function ids(array $ids): array
    {
        return array_map(PencilId::of(...), $ids);
    }
}
