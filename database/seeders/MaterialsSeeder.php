<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Models\Paper;
use App\Models\Range;
use App\Studio\Pencils\PencilBook;
use Illuminate\Database\Seeder;
use Prism\Exchange\PencilTable;
use Prism\Materials\PaperKind;

/** The invented ranges and papers that ship. Runs again without harm. */
final class MaterialsSeeder extends Seeder
{
    private const RANGES = [
        'QW' => ['Saltmarket Works', 'Quayside Wax'],
        'LO' => ['Tallow & Reed', 'Lightship Oil'],
    ];

    /** slug => name, kind, L, a, b, roughness, capacity, adhesion */
    private const PAPERS = [
        'harbour-cartridge' => ['Harbour Cartridge', PaperKind::Cartridge, 95.4, -0.6, 1.5, 1.0, 1.0, 1.0],
        'slipway-smooth' => ['Slipway Hot-pressed', PaperKind::HotPressed, 96.0, -0.5, 0.9, 0.65, 0.8, 1.0],
        'breakwater-sanded' => ['Breakwater Sanded', PaperKind::Sanded, 92.5, 0.4, 4.2, 1.2, 2.0, 1.1],
        'fog-toned' => ['Fog Toned', PaperKind::Cartridge, 66.5, 0.8, 3.0, 0.95, 1.0, 1.0],
    ];

    public function run(): void
    {
        $table = PencilTable::read((string) file_get_contents(database_path('demo/pencils.csv')));
        $ranges = [];
        foreach (self::RANGES as $code => [$maker, $name]) {
            $ranges[$code] = Range::query()->updateOrCreate(['code' => $code, 'user_id' => null], ['maker' => $maker, 'name' => $name]);
        }
        foreach ($table->entries as $entry) {
            $ranges[$entry->pencil->id->range]->pencils()->updateOrCreate(['number' => $entry->pencil->id->number], PencilBook::columns($entry));
        }
        foreach (self::PAPERS as $slug => [$name, $kind, $L, $a, $b, $roughness, $capacity, $adhesion]) {
            Paper::query()->updateOrCreate(['slug' => $slug], compact('name', 'kind', 'L', 'a', 'b', 'roughness', 'capacity', 'adhesion'));
        }
    }
}
