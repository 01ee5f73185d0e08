<?php

declare(strict_types=1);

namespace App\Studio\Swatches;

use App\Models\Chart;
use App\Studio\Planning\Pdf;
use Prism\Charts\ChartDrawing;
use Prism\Charts\ChartSheet;
use Prism\Layering\Stack;

/** A chart as it is printed: sheets of A4 or Letter in true size. */
final class ChartPaper
{
    /** @return list<ChartSheet> */
    public static function sheets(Chart $chart): array
    {
        return ChartSheet::all($chart->page, array_map(Stack::parse(...), $chart->stacks), withStripes: $chart->kind === 'card');
    }

    /** @return string the bytes of a PDF with all sheets */
    public function pdf(Chart $chart): string
    {
        $pdf = Pdf::blank($chart->title, $chart->page);
        $pdf->setCellPadding(0.0);
        foreach ($this->drawings($chart) as $drawing) {
            $pdf->AddPage('P', [$drawing->width, $drawing->height]);
            foreach ($drawing->blacks as [$x, $y, $width, $height]) {
                $pdf->Rect($x, $y, $width, $height, 'F', [], [0, 0, 0]);
            }
            foreach ($drawing->frames as [$x, $y, $width, $height]) {
                $pdf->Rect($x, $y, $width, $height, 'D', ['all' => ['width' => 0.12, 'color' => [187, 187, 187]]]);
            }
            foreach ($drawing->rules as [$x, $y, $length]) {
                $pdf->Line($x, $y, $x + $length, $y, ['width' => 0.2, 'color' => [0, 0, 0]]);
            }
            foreach ($drawing->texts as [$x, $y, $points, $bold, $text]) {
                $pdf->setFont(Pdf::FONT, $bold ? 'B' : '', $points);
                $pdf->Text($x, $y, $text, 0, false, true, 0, 0, '', false, '', 0, false, 'L');
            }
        }

        return $pdf->Output('chart.pdf', 'S');
    }

    /** One sheet as SVG. */
    public function svg(Chart $chart, int $sheet): string
    {
        return ($this->drawings($chart)[$sheet - 1] ?? abort(404, sprintf('This chart has no sheet %d.', $sheet)))->svg();
    }

    /** @return list<ChartDrawing> */
    private function drawings(Chart $chart): array
    {
        return array_map(static fn (ChartSheet $sheet): ChartDrawing => ChartDrawing::of($sheet, $chart->title, $chart->paper->name), self::sheets($chart));
    }
}
