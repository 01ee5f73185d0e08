<?php

declare(strict_types=1);

namespace App\Studio\LongWork;

use App\Models\Piece;
use App\Studio\Calibration\Engine;
use App\Studio\Pencils\Catalogue;
use Illuminate\Queue\Events\WorkerStarting;
use Prism\Colour\Lab;
use Prism\Matching\Limits;
use Prism\Matching\Target;
use Prism\Planning\Palette\PaletteFinder;
use Prism\Planning\Palette\PaletteWish;
use Prism\Schools\Blending;
use Prism\Schools\SchoolSet;
use Throwable;

/**
 * Finds a palette for made-up colours when a worker starts, from the box of whoever was at work last: what is computed for the
 * first time in a process runs uncompiled, and an artist would wait for it (docs/decisions/0008).
 */
final class WarmUp
{
    private const LIGHTNESS = [30, 50, 70];

    private const HUES = 3;

    private const CHROMA = 20.0;

    private const SIZES = [12];

    public function __construct(private readonly Catalogue $catalogue, private readonly Engine $engine)
    {
    }

    public function handle(WorkerStarting $event): void
    {
        try {
            $this->find();
        } catch (Throwable $problem) {
            // The worker starts cold, and starts.
            report($problem);
        }
    }

    /** @return int recipes found, all of them for nothing */
    public function find(): int
    {
        $piece = Piece::query()->latest('updated_at')->first();
        if ($piece === null) {
            return 0;
        }
        $box = $this->catalogue->box($piece->user);
        $known = $this->engine->searchable($piece->paper, $piece->user, $box);
        if (count($known) === 0) {
            return 0;
        }
        $targets = [];
        foreach (self::LIGHTNESS as $L) {
            for ($hue = 0; $hue < self::HUES; $hue++) {
                $angle = 2.0 * M_PI * $hue / self::HUES;
                $targets["$L $hue"] = Target::colour(Lab::of($L, self::CHROMA * cos($angle), self::CHROMA * sin($angle)));
            }
        }
        $search = $this->engine->search($piece->paper, $piece->user, $box);
        $found = 0;
        foreach ([Blending::Layers, Blending::Blender, Blending::Solvent] as $blending) {
            $limits = new Limits(maxLayers: Limits::PICTURE_LAYERS, schools: new SchoolSet(blending: $blending));
            foreach ((new PaletteFinder($search, $known))->curve(new PaletteWish($targets, self::SIZES, limits: $limits)) as $palette) {
                $found += count($palette->recipes);
            }
        }

        return $found;
    }
}
