<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Jobs\DrawDemo;
use App\Models\Paper;
use App\Models\Swatch;
use App\Models\User;
use App\Studio\Calibration\Calibrations;
use App\Studio\DemoPiece;
use App\Studio\DemoPractice;
use App\Studio\DemoRecipes;
use App\Studio\LongWork\WorkQueue;
use App\Studio\PieceViews;
use Illuminate\Database\Seeder;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Prism\Exchange\Csv;

/** The demo studio: a box of 48 pencils, swatched and calibrated, and three pieces with their zones, one of
 * them planned. What is there already is left alone. */
final class DemoSeeder extends Seeder
{
    public function run(): void
    {
        DB::transaction(function (): void {
            $user = User::query()->where('email', config('prism.demo_email'))->first();
            $known = $user !== null;
            $user ??= User::query()->create([
                'name' => 'Demo studio',
                'email' => (string) config('prism.demo_email'),
                // Nobody signs in by password; the demo opens by one click.
                'password' => Str::random(40),
                // Its pieces are on it.
                'paper_id' => Paper::query()->where('slug', 'harbour-cartridge')->valueOrFail('id'),
            ]);
            if (! $known) {
                $user->box()->attach(DemoPiece::box());
            }
            if ($user->swatches()->doesntExist()) {
                $this->swatch($user);
                app(Calibrations::class)->calibrate($user);
            }
            if (! $known) {
                app(DemoPiece::class)->others($user);
                app(DemoPiece::class)->inLines($user);
                DemoPractice::fill($user);
                app(DemoRecipes::class)->fill($user, app(DemoPiece::class)->for($user));
                // Each copy begins with what its recipes come to.
                foreach ($user->pieces()->get() as $piece) {
                    app(PieceViews::class)->piece($piece);
                }
                if ((bool) config('prism.demo_drawn')) {
                    DrawDemo::dispatch()->onQueue(WorkQueue::Later->value)->afterCommit();
                }
            }
        });
    }

    /** The demo box swatched by the simulated hand (database/demo/make-swatches.php). */
    private function swatch(User $user): void
    {
        $papers = Paper::query()->pluck('id', 'slug');
        $now = now();
        $rows = [];
        foreach (Csv::parse((string) file_get_contents(database_path('demo/swatches.csv')), ['paper', 'steps', 'L', 'a', 'b'])->rows as $row) {
            $rows[] = [
                'user_id' => $user->id, 'paper_id' => $papers[$row['paper']], 'stack' => $row['steps'],
                'L' => (float) $row['L'], 'a' => (float) $row['a'], 'b' => (float) $row['b'],
                'source' => 'simulated', 'created_at' => $now, 'updated_at' => $now,
            ];
        }
        Swatch::query()->insert($rows);
    }
}
