<?php

declare(strict_types=1);

namespace App\Studio\Drawing;

use App\Models\Paper;
use App\Models\Piece;
use App\Models\Zone;
use App\Studio\Calibration\Engine;
use App\Studio\Pencils\Catalogue;
use App\Studio\Photos\KeptFiles;
use App\Studio\Photos\PhotoRenderer;
use App\Studio\Photos\PhotoStore;
use App\Studio\Planning\PictureZones;
use App\Studio\Planning\ZoneRecipes;
use App\Studio\Zones\Grounds;
use App\Studio\Zones\PictureParts;
use App\Studio\Zones\Targets;
use Imagick;
use Prism\Layering\Predictor;
use Prism\Layering\Stack;
use Prism\Layering\ToothModel;
use Prism\Planning\PartMap;
use Prism\Planning\Simulation;

/** What the drawing of a piece will look like. */
final class PictureDrawings
{
    /** Long edge of the simulated drawing, in pixels. */
    private const EDGE = 1024;

    /** Of one photo: stages that one goes back and forth between. */
    private const KEPT = 40;

    /** Goes up when drawings are simulated differently. */
    private const VERSION = 8;

    public function __construct(
        private readonly Engine $engine,
        private readonly Catalogue $catalogue,
        private readonly PhotoStore $photos,
        private readonly PictureZones $picture,
        private readonly PictureParts $parts,
        private readonly ZoneRecipes $recipes,
        private readonly Grounds $grounds,
    ) {
    }

    /**
     * The drawing after so many steps of the plan, as a PNG; kept until something that goes into it changes.
     *
     * @param  ?int  $steps  null for all
     */
    public function simulated(Piece $piece, ?int $steps): string
    {
        return $this->stages($piece, [$steps], self::EDGE)[0];
    }

    /**
     * Several stages of it.
     *
     * @param  list<?int>  $steps  after so many of the plan; null for all
     * @param  int  $edge  their long edge, in pixels
     * @return list<string>
     */
    public function stages(Piece $piece, array $steps, int $edge): array
    {
        $plan = $this->recipes->plan($piece);
        $rests = [self::VERSION, $edge, $piece->reference()->picture, $piece->crop, $piece->width_mm, base64_encode((string) $piece->zone_map)];
        $pictures = [$this->picture->of($piece), $piece->paper->only(Paper::PHYSICAL), Grounds::byTarget($piece, static fn (Zone $zone): ?array => $zone->ground), $piece->user->calibration_id];
        $stages = [];
        foreach ($steps as $count) {
            $stacks = array_map(strval(...), $plan->laid($count));
            ksort($stacks);
            $key = hash('xxh128', json_encode([...$rests, $stacks, ...$pictures], JSON_THROW_ON_ERROR));
            $stages[] = KeptFiles::of($this->photos->folderOf($piece->reference()), 'drawing', $key, self::KEPT, function () use ($piece, $stacks, $edge): string {
                $parts = $this->parts->of($piece, $edge);

                return PhotoRenderer::png($parts->width, $parts->height, $this->draw($piece, $stacks, $parts));
            });
        }

        return $stages;
    }

    /** @return array{mean: float, dark: float, light: float, photoDark: float, photoLight: float} how the finished drawing stands beside the photo, by value */
    public function valueCheck(Piece $piece): array
    {
        // The same drawing that is shown, kept or made.
        $drawing = $this->simulated($piece, null);
        $tone = Targets::tone($piece);
        $key = hash('xxh128', json_encode([self::VERSION, $piece->reference()->picture, $tone], JSON_THROW_ON_ERROR).$drawing);
        $check = KeptFiles::of($this->photos->folderOf($piece->reference()), 'check', $key, self::KEPT, function () use ($piece, $drawing, $tone): string {
            $image = new Imagick;
            $image->readImageBlob($drawing);
            $found = Simulation::valueCheck($this->photos->field($piece->reference(), self::EDGE), PhotoRenderer::pixels($image), $tone);

            return json_encode(array_map(static fn (float $value): float => round($value, 2), $found), JSON_THROW_ON_ERROR);
        }, 'json');

        return json_decode($check, true, flags: JSON_THROW_ON_ERROR);
    }

    /** @param  array<string, string>  $stacks  notations by target */
    private function draw(Piece $piece, array $stacks, PartMap $parts): string
    {
        $parsed = array_map(Stack::parse(...), $stacks);
        $desk = $this->catalogue->desk($piece->user, ...array_values($parsed));
        $grounds = array_map(static fn (Predictor $ground): ToothModel => $ground->model, $this->grounds->predictors($piece, $desk));
        $simulation = new Simulation($this->engine->predictor($piece->paper, $piece->user, $desk)->model, $grounds);

        return $simulation->draw($parts, $parsed, $piece->width_mm / $parts->width);
    }
}
