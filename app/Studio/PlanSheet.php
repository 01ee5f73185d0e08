<?php

declare(strict_types=1);

namespace App\Studio;

use App\Models\Piece;
use Prism\Colour\Lab;
use Prism\Colour\Srgb;
use Prism\Layering\Pressure;
use Prism\Planning\Plan;
use Prism\Planning\PlanStep;
use Prism\Planning\Prep;
use TCPDF;

/**
 * The plan as a sheet of A4 to lie beside the drawing: picture with numbered zones, pull list, cautions, steps with the
 * colour before and after. Vector, fonts embedded, in millimetres.
 */
final class PlanSheet
{
    private const MARGIN = 14.0;

    private const WIDTH = 182.0;

    private const BOTTOM = 280.0;

    private const FONT = Pdf::FONT;

    private const ROW = 12.5;

    private const LEGEND_PITCH = 5.4;

    /** Shares of the plan after which the sheet shows the drawing. */
    private const STAGES = [0.25, 0.5, 0.75, 1.0];

    /** Of their pictures, in pixels: 300 to the inch. */
    private const STAGE_EDGE = 520;

    /** Of the proof chart, in millimetres. */
    private const CELL = 14.0;

    private const PROOFS_ACROSS = 3;

    public function __construct(private readonly PhotoStore $photos, private readonly PictureDrawings $drawings, private readonly Catalogue $catalogue)
    {
    }

    /** @return string the bytes of the PDF */
    public function pdf(Piece $piece, Plan $plan): string
    {
        $pdf = Pdf::blank($piece->title, 'a4');
        $pdf->setMargins(self::MARGIN, self::MARGIN, self::MARGIN);
        $pdf->AddPage();

        $this->head($pdf, $piece, $plan);
        $this->pullList($pdf, $plan);
        $this->prep($pdf, $piece, $plan);
        $this->stages($pdf, $piece, $plan);
        $this->steps($pdf, $plan);
        $this->proof($pdf, $plan);
        $this->pageNumbers($pdf, $piece);

        return $pdf->Output('plan.pdf', 'S');
    }

    private function head(TCPDF $pdf, Piece $piece, Plan $plan): void
    {
        $this->text($pdf, self::MARGIN, 12, $piece->title, 18, 'B', self::WIDTH);
        $this->text($pdf, self::MARGIN, 21, sprintf('%s. %s %s', $piece->paper->name, SchoolChoices::ofPiece($piece)->schools()->value->sentence(), self::restsOn($piece)), 9, '', self::WIDTH);

        $height = 74.0;
        $reference = $piece->reference();
        $width = min(110.0, $height * $reference->width / $reference->height);
        $height = $width * $reference->height / $reference->width;
        $top = 29.0;
        $pdf->Image($this->photos->path($reference, PhotoView::Photo), self::MARGIN, $top, $width, $height, 'JPEG');
        $legend = self::MARGIN + $width + 5;
        $zones = $piece->zones->load('targets');
        // All of them beside the picture, however many.
        $pitch = min(self::LEGEND_PITCH, $height / max(1, count($zones)));
        foreach ($zones as $index => $zone) {
            $this->badge($pdf, self::MARGIN + $zone->x * $width, $top + $zone->y * $height, (string) ($index + 1));
            $y = $top + $pitch * $index;
            foreach ($zone->targets->take(3)->values() as $i => $target) {
                $this->swatch($pdf, $legend + 2.4 * $i, $y, 2.4, 0.82 * $pitch, Targets::drawn($target->setRelation('zone', $zone->setRelation('piece', $piece))));
            }
            $this->text($pdf, $legend + 8.5, $y - 0.2, sprintf('%d  %s', $index + 1, $zone->name), min(8.5, 1.75 * $pitch), '', self::MARGIN + self::WIDTH - $legend - 8);
        }
        $pdf->setXY(self::MARGIN, $top + $height + 4);
        foreach ($plan->cautions as $caution) {
            $this->font($pdf, 7.5);
            $pdf->MultiCell(self::WIDTH, 4, $caution->sentence(), 0, 'L', false, 1, self::MARGIN, $pdf->GetY() + 0.6);
        }
    }

    private static function restsOn(Piece $piece): string
    {
        $calibration = Calibrations::restsOn($piece->user);

        return $calibration === null ? 'Not calibrated.' : sprintf('Predicted by calibration %d.', $calibration['number']);
    }

    private function pullList(TCPDF $pdf, Plan $plan): void
    {
        $this->heading($pdf, sprintf('Take out %d pencils', count($plan->pullList)));
        $column = self::WIDTH / 3;
        $y = $pdf->GetY();
        foreach ($plan->pullList as $index => ['pencil' => $pencil, 'layers' => $layers]) {
            if ($index % 3 === 0 && $index > 0) {
                $y += 9;
                if ($y > self::BOTTOM - 9) {
                    $pdf->AddPage();
                    $y = self::MARGIN;
                }
            }
            $x = self::MARGIN + $column * ($index % 3);
            $this->swatch($pdf, $x, $y, 9, 7, $pencil->fullCoat ?? Lab::of(50, 0, 0));
            $this->text($pdf, $x + 11, $y - 0.8, $pencil->id->range.' '.$pencil->id->number, 11, 'B', 30);
            $this->text($pdf, $x + 11, $y + 3.9, sprintf('%s, %s, %s', $pencil->name, $pencil->binder->value, $layers === 1 ? '1 coat' : $layers.' coats'), 6.5, '', $column - 12);
        }
        $pdf->setY($y + 11);
    }

    private function prep(TCPDF $pdf, Piece $piece, Plan $plan): void
    {
        $this->heading($pdf, 'Have ready');
        $this->font($pdf, 8.5);
        $pdf->MultiCell(self::WIDTH, 4, implode('; ', Prep::of($plan->steps, $piece->paper->name, $piece->width_mm, $piece->height_mm, $this->catalogue->box($piece->user))).'.', 0, 'L', false, 1, self::MARGIN, $pdf->GetY());
    }

    /** The drawing as it will look on the way and at the end, small. */
    private function stages(TCPDF $pdf, Piece $piece, Plan $plan): void
    {
        if ($plan->steps === [] || $piece->zones->every(static fn ($zone): bool => $zone->label === null)) {
            return;
        }
        $width = (self::WIDTH - 4 * (count(self::STAGES) - 1)) / count(self::STAGES);
        $reference = $piece->reference();
        $height = $width * $reference->height / $reference->width;
        if ($pdf->GetY() > self::BOTTOM - $height - 20) {
            $pdf->AddPage();
            $pdf->setY(self::MARGIN);
        }
        $this->heading($pdf, 'How it grows');
        $y = $pdf->GetY();
        foreach (self::STAGES as $i => $share) {
            $steps = max(1, (int) round($share * count($plan->steps)));
            $x = self::MARGIN + $i * ($width + 4);
            $pdf->Image('@'.$this->drawings->simulated($piece, $steps, self::STAGE_EDGE), $x, $y, $width, $height, 'PNG');
            $this->text($pdf, $x, $y + $height + 0.5, sprintf('after step %d', $steps), 8, '', $width);
        }
        $pdf->setY($y + $height + 6);
    }

    /** A numbered square for each recipe, to be drawn on scrap of the same paper beside what it should come out as. */
    private function proof(TCPDF $pdf, Plan $plan): void
    {
        $after = [];
        foreach ($plan->steps as $step) {
            $after[(string) $step->zone->stack] = $step->after;
        }
        $recipes = ChartMaker::recipes($plan);
        if ($recipes === []) {
            return;
        }
        $pdf->AddPage();
        $pdf->setY(self::MARGIN);
        $this->heading($pdf, 'Prove this plan: draw each recipe beside the colour it should come to');
        $top = $pdf->GetY();
        $column = self::WIDTH / self::PROOFS_ACROSS;
        $row = 0;
        foreach ($recipes as $i => $stack) {
            if ($i % self::PROOFS_ACROSS === 0 && $i > 0) {
                $row++;
            }
            $y = $top + $row * (self::CELL + 5);
            if ($y > self::BOTTOM - self::CELL) {
                $pdf->AddPage();
                $top = $y = self::MARGIN;
                $row = 0;
            }
            $x = self::MARGIN + $column * ($i % self::PROOFS_ACROSS);
            $pdf->setDrawColor(110, 110, 110);
            $pdf->Rect($x, $y, self::CELL, self::CELL);
            $this->swatch($pdf, $x + self::CELL, $y, self::CELL, self::CELL, $after[(string) $stack]);
            $this->text($pdf, $x + 2 * self::CELL + 2, $y - 0.5, (string) ($i + 1), 11, 'B', 12);
            $this->font($pdf, 6.5);
            $pdf->MultiCell($column - 2 * self::CELL - 4, self::CELL - 4, str_replace(' > ', "\n", (string) $stack), 0, 'L', false, 1, $x + 2 * self::CELL + 2, $y + 4.5, true, 0, false, true, self::CELL - 3, 'T', true);
        }
    }

    private function steps(TCPDF $pdf, Plan $plan): void
    {
        $this->heading($pdf, sprintf('%d steps', count($plan->steps)));
        foreach ($plan->steps as $index => $step) {
            if ($pdf->GetY() > self::BOTTOM - self::ROW) {
                $pdf->AddPage();
                $pdf->setY(self::MARGIN);
            }
            $this->step($pdf, $index + 1, $step);
        }
    }

    private function step(TCPDF $pdf, int $number, PlanStep $step): void
    {
        $y = $pdf->GetY();
        $pdf->setDrawColor(205, 205, 205);
        $pdf->Line(self::MARGIN, $y, self::MARGIN + self::WIDTH, $y);
        $pdf->setDrawColor(110, 110, 110);
        // A box to tick with the pencil in hand.
        $pdf->Rect(self::MARGIN, $y + 3, 4.4, 4.4);
        $this->text($pdf, self::MARGIN + 6, $y + 2.6, (string) $number, 8.5, '', 10);
        $layer = $step->step;
        if ($layer?->pencil !== null) {
            $this->text($pdf, self::MARGIN + 15, $y + 1.6, $layer->pencil->range.' '.$layer->pencil->number, 13, 'B', 32);
            $this->text($pdf, self::MARGIN + 47, $y + 2.4, sprintf('%s%% %s%s', rtrim(rtrim(sprintf('%.1f', $layer->pressurePercent), '0'), '.'), Pressure::word($layer->pressurePercent), $layer->passes > 1 ? ', '.$layer->passes.' coats' : ''), 9, '', 44);
        } else {
            $this->text($pdf, self::MARGIN + 15, $y + 1.6, ucfirst($step->role->value), 13, 'B', 60);
        }
        $this->text($pdf, self::MARGIN + 91, $y + 0.9, $step->zone->name, 9, 'B', 62);
        $this->font($pdf, 7.5);
        $pdf->MultiCell(62, 7.0, $step->why, 0, 'L', false, 1, self::MARGIN + 91, $y + 5.2, true, 0, false, true, 7.0, 'T', true);
        // Neutral behind the colours, so that a white one shows on white paper.
        $pdf->setFillColor(224, 224, 224);
        $pdf->Rect(self::MARGIN + self::WIDTH - 28.5, $y + 0.6, 28.5, 11.2, 'F');
        $this->swatch($pdf, self::MARGIN + self::WIDTH - 27, $y + 1.7, 9, 9, $step->before);
        $this->swatch($pdf, self::MARGIN + self::WIDTH - 18, $y + 1.7, 9, 9, $step->after);
        $this->swatch($pdf, self::MARGIN + self::WIDTH - 7.5, $y + 1.7, 6, 9, $step->zone->target);
        $pdf->setY($y + self::ROW);
    }

    private function pageNumbers(TCPDF $pdf, Piece $piece): void
    {
        $pages = $pdf->getNumPages();
        for ($page = 1; $page <= $pages; $page++) {
            $pdf->setPage($page);
            $this->text($pdf, self::MARGIN, 287, sprintf('%s, page %d of %d. Last swatch of a step: the target.', $piece->title, $page, $pages), 7, '', self::WIDTH);
        }
    }

    private function heading(TCPDF $pdf, string $text): void
    {
        if ($pdf->GetY() > self::BOTTOM - 25) {
            $pdf->AddPage();
            $pdf->setY(self::MARGIN);
        }
        $y = $pdf->GetY() + 3;
        $this->text($pdf, self::MARGIN, $y, $text, 12, 'B', self::WIDTH);
        $pdf->setY($y + 8);
    }

    private function badge(TCPDF $pdf, float $x, float $y, string $text): void
    {
        $pdf->setFillColor(255, 255, 255);
        $pdf->setDrawColor(40, 40, 40);
        $pdf->Circle($x, $y, 2.4, 0, 360, 'DF');
        $this->font($pdf, 7, 'B');
        $pdf->setXY($x - 4, $y - 1.9);
        $pdf->Cell(8, 3.8, $text, 0, 0, 'C');
    }

    private function swatch(TCPDF $pdf, float $x, float $y, float $width, float $height, Lab $colour): void
    {
        [$red, $green, $blue] = Srgb::bytes($colour);
        $pdf->setFillColor($red, $green, $blue);
        $pdf->Rect($x, $y, $width, $height, 'F');
    }

    private function text(TCPDF $pdf, float $x, float $y, string $text, float $size, string $style, float $width): void
    {
        $this->font($pdf, $size, $style);
        $pdf->setXY($x, $y);
        $pdf->Cell($width, 0, $text, 0, 0, 'L', false, '', 0, false, 'T', 'T');
    }

    private function font(TCPDF $pdf, float $size, string $style = ''): void
    {
        $pdf->setFont(self::FONT, $style, $size);
        $pdf->setTextColor(25, 25, 25);
    }
}
