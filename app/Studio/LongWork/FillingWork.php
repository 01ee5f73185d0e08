<?php

declare(strict_types=1);

namespace App\Studio\LongWork;

use App\Models\User;
use App\Studio\Pencils\Catalogue;
use App\Studio\Pencils\PencilBook;
use App\Studio\Swatches\ChartPaper;
use App\Studio\Swatches\ChartPictures;
use App\Studio\Swatches\SwatchReader;
use Closure;

/** Has the simulated studio that ships fill a chart sheet and take its picture. */
final class FillingWork implements LongWork
{
    public function __construct(private readonly SwatchReader $reader, private readonly Catalogue $catalogue, private readonly ChartPictures $pictures)
    {
    }

    public function do(User $artist, array $wish, Closure $progress): array
    {
        $chart = $artist->charts()->with('paper')->get()->firstWhere('id', $wish['chart'] ?? '') ?? throw new WorkRefused('This chart is no longer there.');
        $sheet = ChartPaper::sheets($chart)[($wish['sheet'] ?? 1) - 1] ?? throw new WorkRefused('This chart has no such sheet.');
        foreach ($sheet->cells as $cell) {
            foreach ($cell['stack']->pencils() as $pencil) {
                $row = $this->catalogue->row($artist, $pencil) ?? throw new WorkRefused(sprintf('There is no pencil %s in your ranges any more.', $pencil));
                $this->reader->take(PencilBook::entry($row));
            }
        }
        $this->reader->lay(Catalogue::paper($chart->paper));
        $progress('The simulated hand fills the sheet', 0.0);
        // Each filling is another drawing.
        $seed = $chart->id.'-'.$sheet->number.'-'.hrtime(true);
        $jpeg = $this->reader->photograph($chart->paper->slug, $sheet, $seed, static fn (float $share) => $progress($share < 0.5 ? 'The simulated hand fills the sheet' : 'The simulated camera takes its picture', $share));
        $this->pictures->put($chart, $sheet->number, $jpeg);

        return ['chart' => $chart->id, 'sheet' => $sheet->number, 'picture' => "/api/charts/{$chart->id}/filled/{$sheet->number}"];
    }
}
