<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Models\Paper;
use App\Models\Pencil;
use App\Models\Piece;
use App\Models\User;
use App\Studio\Catalogue;
use App\Studio\Engine;
use App\Studio\PhotoReader;
use App\Studio\PhotoStore;
use App\Studio\ZoneRecipes;
use Illuminate\Database\Seeder;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Prism\Exchange\Csv;
use Prism\Matching\School;
use Prism\Matching\Target;

/** The demo studio: a box of 48 pencils and a piece with zones and recipes found by the engine. Once only. */
final class DemoSeeder extends Seeder
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

    public function run(): void
    {
        if (User::query()->where('email', config('prism.demo_email'))->exists()) {
            return;
        }
        DB::transaction(function (): void {
            $user = User::query()->create([
                'name' => 'Demo studio',
                'email' => (string) config('prism.demo_email'),
                // Nobody signs in by password; the demo opens by one click.
                'password' => Str::random(40),
            ]);
            $user->box()->attach($this->box());
            $this->harbour($user);
        });
    }

    /** @return list<int> */
    private function box(): array
    {
        $ids = [];
        foreach (Csv::parse((string) file_get_contents(database_path('demo/box.csv')), ['range', 'number'])->rows as $row) {
            $ids[] = (int) Pencil::query()->where('number', $row['number'])->whereRelation('range', 'code', $row['range'])->valueOrFail('id');
        }

        return $ids;
    }

    private function harbour(User $user): void
    {
        $file = database_path('demo/harbour.jpg');
        $photo = app(PhotoReader::class)->read($file);
        $paper = Paper::query()->where('slug', 'harbour-cartridge')->firstOrFail();
        /** @var Piece $piece */
        $piece = $user->pieces()->create([
            'title' => 'Floats and buoy on planks',
            'paper_id' => $paper->id,
            'school' => School::LightToDark,
            'photo_width' => $photo->width,
            'photo_height' => $photo->height,
        ]);
        $photos = app(PhotoStore::class);
        $photos->put($piece, $photo, $file);
        $search = app(Engine::class)->search($paper, app(Catalogue::class)->box($user));
        $position = 0;
        foreach (self::ZONES as $name => [$x, $y, $radius]) {
            $sample = $photos->sample($piece, $x, $y, $radius);
            $zone = $piece->zones()->create([
                'name' => $name, 'x' => $x, 'y' => $y, 'radius' => $radius,
                'L' => $sample->colour->L, 'a' => $sample->colour->a, 'b' => $sample->colour->b,
                'spread' => $sample->spread, 'position' => ++$position,
            ]);
            if ($position <= count(self::ZONES) - self::WITHOUT_RECIPE) {
                $best = $search->find(Target::colour(ZoneRecipes::target($zone)))[0];
                $zone->recipe()->create(['stack' => (string) $best->stack]);
            }
        }
    }
}
