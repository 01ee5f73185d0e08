<?php

declare(strict_types=1);

namespace App\Studio;

use App\Models\Paper;
use App\Models\Piece;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Prism\Matching\School;
use Prism\Matching\Target;

/** The harbour still life as a piece of one's own: zones, and recipes for them from the pencils in one's box. */
final class DemoPiece
{
    /** Zones of the harbour photo: x, y, radius as shares; the last two have no recipe yet. */
    private const ZONES = [
        'Lamp glint on the float' => [0.217, 0.385, 0.004],
        'Float, light' => [0.2, 0.5, 0.012],
        'Float, foot' => [0.197, 0.648, 0.008],
        'Buoy, light red' => [0.655, 0.315, 0.012],
        'Buoy, shadow red' => [0.86, 0.41, 0.012],
        'Buoy, cream band' => [0.63, 0.44, 0.012],
        'Small float, blue' => [0.52, 0.65, 0.01],
        'Rope, light side' => [0.29, 0.884, 0.006],
        'Wall boards' => [0.44, 0.2, 0.018],
        'Planks, middle' => [0.8, 0.85, 0.018],
        'Cast shadow' => [0.78, 0.665, 0.008],
    ];

    private const WITHOUT_RECIPE = 2;

    public function __construct(
        private readonly PhotoReader $reader,
        private readonly PhotoStore $photos,
        private readonly Engine $engine,
        private readonly Catalogue $catalogue,
    ) {
    }

    /** With an empty box the zones have no recipes yet. */
    public function for(User $user): Piece
    {
        $file = database_path('demo/harbour.jpg');
        $photo = $this->reader->read($file);
        $paper = Paper::query()->where('slug', 'harbour-cartridge')->firstOrFail();
        $box = $this->catalogue->box($user);
        $search = count($box) === 0 ? null : $this->engine->search($paper, $user, $box);

        return DB::transaction(function () use ($user, $file, $photo, $paper, $search): Piece {
            $piece = $user->pieces()->create([
                'title' => 'Floats and buoy on planks',
                'paper_id' => $paper->id,
                'school' => School::LightToDark,
                'photo_width' => $photo->width,
                'photo_height' => $photo->height,
            ]);
            $this->photos->put($piece, $photo, $file);
            $position = 0;
            foreach (self::ZONES as $name => [$x, $y, $radius]) {
                $sample = $this->photos->sample($piece, $x, $y, $radius);
                $zone = $piece->zones()->create([
                    'name' => $name, 'x' => $x, 'y' => $y, 'radius' => $radius,
                    'L' => $sample->colour->L, 'a' => $sample->colour->a, 'b' => $sample->colour->b,
                    'spread' => $sample->spread, 'position' => ++$position,
                ]);
                if ($search !== null && $position <= count(self::ZONES) - self::WITHOUT_RECIPE) {
                    $best = $search->find(Target::colour(ZoneRecipes::target($zone)))[0];
                    $zone->recipe()->create(['stack' => (string) $best->stack]);
                }
            }

            return $piece;
        });
    }
}
