<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Models\Pencil;
use App\Models\User;
use App\Studio\DemoPiece;
use Illuminate\Database\Seeder;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Prism\Exchange\Csv;

/** The demo studio: a box of 48 pencils and a piece with zones and recipes found by the engine. Once only. */
final class DemoSeeder extends Seeder
{
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
            app(DemoPiece::class)->for($user);
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
}
