<?php

declare(strict_types=1);

namespace App\Studio\Planning;

use App\Models\Piece;
use App\Studio\Calibration\Calibrations;
use App\Studio\Drawing\PictureDrawings;
use App\Studio\Pencils\Catalogue;
use App\Studio\Photos\Photo;
use App\Studio\Photos\PhotoStore;
use App\Studio\Photos\PhotoView;
use App\Studio\Zones\PictureParts;
use App\Studio\Zones\Targets;
use Prism\Colour\Lab;
use Prism\Colour\Srgb;
use Prism\Colour\ValueScale;
use Prism\Layering\Pressure;
use Prism\Materials\Pencil;
use Prism\Planning\Order\Place;
use Prism\Planning\Order\Plan;
use Prism\Planning\Order\PlanStep;
use Prism\Planning\Order\Turn;
use Prism\Planning\Order\ZonePart;
use Prism\Planning\Palette\Complements;
use Prism\Planning\Prep;
use TCPDF;

/**
 * The plan as sheets of A4 to lie beside the drawing: picture with numbered zones, pull list, cautions, the drawing at three
 * stages, a value strip and the complements of the piece to hold beside it, and the turns with their places and the colour
 * that each comes to. Vector, fonts embedded, in millimetres.
 */
final class PlanSheet
{
    private const MARGIN = 14.0;

    private const WIDTH = 182.0;

    private const BOTTOM = 280.0;

    private const FONT = Pdf::FONT;

    /** Turns stand in two columns; a turn is so high at least, and each of its places takes a line. */
    private const GAP = 6.0;

    private const TURN = 12.5;

    private const PLACE = 4.6;

    /** Turns begin on a sheet that has so much left. */
    private const ROOM = 110.0;

    /** Width of the small map of a turn; what stands to its left. */
    private const MAP = 14.5;

    private const PENCIL = 26.0;

    /** Of the value strip, in millimetres. */
    private const STRIP = 12.0;

    private const LEGEND_PITCH = 5.4;

    /** Shares of the plan after which the sheet shows the drawing. */
    private const STAGES = [1 / 3, 2 / 3, 1.0];

    /** Of their pictures, in pixels: 300 to the inch. */
    private const STAGE_EDGE = 520;

    public function __construct(private readonly PhotoStore $photos, private readonly PictureDrawings $drawings, private readonly Catalogue $catalogue, private readonly PictureParts $parts)
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
        $this->strip($pdf, $plan);
        $this->beginnings($pdf, $piece, $plan);
        $this->turns($pdf, $piece, $plan);
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
        $this->heading($pdf, count($plan->pullList) === 1 ? 'Lay out this pencil' : sprintf('Lay out these %d', count($plan->pullList)));
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
        $turns = array_map(static fn (float $share): int => max(1, (int) round($share * count($plan->turns))), self::STAGES);
        $steps = array_map(static fn (int $turn): int => count(array_filter($plan->steps, static fn (PlanStep $step): bool => $step->turn <= $turn)), $turns);
        foreach ($this->drawings->stages($piece, $steps, self::STAGE_EDGE) as $i => $stage) {
            $x = self::MARGIN + $i * ($width + 4);
            $pdf->Image('@'.$stage, $x, $y, $width, $height, 'PNG');
            $this->text($pdf, $x, $y + $height + 0.5, self::STAGES[$i] < 1.0 ? sprintf('after turn %d', $turns[$i]) : 'finished', 8, '', $width);
        }
        $pdf->setY($y + $height + 6);
    }

    /** Nine values to hold beside photo and drawing, and which of these pencils make one another sing or dull one another. */
    private function strip(TCPDF $pdf, Plan $plan): void
    {
        $pairs = Complements::among(array_column($plan->pullList, 'pencil'));
        if ($pdf->GetY() > self::BOTTOM - self::STRIP - 16.0) {
            $pdf->AddPage();
            $pdf->setY(self::MARGIN);
        }
        $this->heading($pdf, $pairs === [] ? 'Values' : 'Values, and the complements of this piece');
        $y = $pdf->GetY();
        for ($step = 1; $step <= ValueScale::STEPS; $step++) {
            $x = self::MARGIN + self::STRIP * ($step - 1);
            $this->swatch($pdf, $x, $y, self::STRIP, self::STRIP, Lab::of(ValueScale::lightnessOf($step), 0.0, 0.0));
            $this->text($pdf, $x, $y + self::STRIP, (string) $step, 7, '', self::STRIP);
        }
        // The lightest is as white as the sheet.
        $pdf->setDrawColor(110, 110, 110);
        $pdf->Rect(self::MARGIN, $y, self::STRIP * ValueScale::STEPS, self::STRIP);
        $x = self::MARGIN + self::STRIP * ValueScale::STEPS + 6;
        foreach ($pairs as [$one, $other]) {
            if ($x > self::MARGIN + self::WIDTH - 2 * 8.0) {
                break;
            }
            $this->swatch($pdf, $x, $y, 8, self::STRIP, $one->fullCoat ?? Lab::of(50, 0, 0));
            $this->swatch($pdf, $x + 8, $y, 8, self::STRIP, $other->fullCoat ?? Lab::of(50, 0, 0));
            $this->text($pdf, $x, $y + self::STRIP, $one->id->number.', '.$other->id->number, 6.5, '', 18);
            $x += 19;
        }
        $pdf->setY($y + self::STRIP + 5);
    }

    /** On which base the colours of each zone stand: in two columns, small. */
    private function beginnings(TCPDF $pdf, Piece $piece, Plan $plan): void
    {
        $zones = Beginnings::of($piece, $plan);
        if ($zones === []) {
            return;
        }
        $numbers = array_flip($piece->zones->pluck('id')->values()->all());
        $width = (self::WIDTH - self::GAP) / 2;
        $this->heading($pdf, 'How each zone is begun');
        $top = $pdf->GetY();
        $low = $y = $top;
        $column = 0;
        foreach ($zones as $at => $zone) {
            $text = sprintf('%d  %s', ($numbers[$zone['zone']] ?? -1) + 1, $zone['sentence']);
            $this->font($pdf, 7.5);
            $height = $pdf->getStringHeight($width, $text);
            if ($column === 0 && $at >= (count($zones) + 1) / 2) {
                $column = 1;
                $y = $top;
            }
            $pdf->MultiCell($width, $height, $text, 0, 'L', false, 1, self::MARGIN + $column * ($width + self::GAP), $y);
            $y += $height + 0.4;
            $low = max($low, $y);
        }
        $pdf->setY($low + 3);
    }

    /** In two columns, as the work goes. */
    private function turns(TCPDF $pdf, Piece $piece, Plan $plan): void
    {
        if ($plan->turns === []) {
            return;
        }
        $numbers = array_flip($piece->zones->pluck('id')->values()->all());
        if ($pdf->GetY() > self::BOTTOM - self::ROOM) {
            $pdf->AddPage();
            $pdf->setY(self::MARGIN - 3);
        }
        $this->heading($pdf, sprintf('%d turns', count($plan->turns)));
        $top = $y = $pdf->GetY();
        $width = (self::WIDTH - self::GAP) / 2;
        $column = 0;
        $stage = null;
        foreach ($plan->turns as $turn) {
            $heads = $turn->stage !== $stage;
            $height = max(self::TURN, 1.5 + self::PLACE * array_sum(array_map(static fn (Place $place): int => 1 + count(self::notes($place)), $turn->places))) + ($heads ? 6.0 : 0.0);
            if ($y + $height > self::BOTTOM && $y > $top) {
                $column++;
                if ($column > 1) {
                    $pdf->AddPage();
                    $column = 0;
                    $top = self::MARGIN;
                }
                $y = $top;
            }
            $x = self::MARGIN + $column * ($width + self::GAP);
            if ($heads) {
                $this->text($pdf, $x, $y + 1.0, $turn->stage->label(), 9, 'B', $width);
                $y += 6.0;
                $height -= 6.0;
            }
            $this->turn($pdf, $x, $y, $width, $turn, $numbers, $piece);
            $y += $height;
            $stage = $turn->stage;
        }
        $pdf->setY($y);
    }

    /** @param  array<int|string, int>  $numbers  of zones, from 0 */
    private function turn(TCPDF $pdf, float $x, float $y, float $width, Turn $turn, array $numbers, Piece $piece): void
    {
        $pdf->setDrawColor(205, 205, 205);
        $pdf->Line($x, $y, $x + $width, $y);
        $pdf->setDrawColor(110, 110, 110);
        // A box to tick with the pencil in hand.
        $pdf->Rect($x, $y + 1.6, 4.0, 4.0);
        $this->text($pdf, $x, $y + 5.8, (string) $turn->number, 6.5, '', 8);
        if ($turn->pencil !== null) {
            $this->text($pdf, $x + 6, $y + 0.6, $turn->pencil->number, 14, 'B', 22);
            $this->text($pdf, $x + 6, $y + 9.2, $turn->round > 1 ? "round $turn->round" : '', 6.5, '', 26);
            $this->text($pdf, $x + 6, $y + 6.2, sprintf('%s%% %s', rtrim(rtrim(sprintf('%.1f', $turn->pressurePercent), '0'), '.'), Pressure::word($turn->pressurePercent ?? 0.0)), 7.5, '', 26);
        } else {
            $this->text($pdf, $x + 6, $y + 1.0, ucfirst($turn->role->value), 10, 'B', 26);
        }
        $this->map($pdf, $x + self::PENCIL, $y + 1.4, $turn, $piece);
        $from = self::PENCIL + self::MAP + 2.0;
        $line = $y + 1.0;
        foreach ($turn->places as $place) {
            $said = array_filter([$place->part === ZonePart::All ? '' : $place->words(), $place->coats > 1 ? $place->coats.' coats' : '']);
            // The number tells the zone; its name stands there where there is room.
            $number = ($numbers[$place->zone] ?? -1) + 1;
            $named = sprintf('%d  %s', $number, implode(', ', [...$said, $place->name]));
            $this->font($pdf, 7.5);
            $fits = $said === [] || $pdf->GetStringWidth($named) < $width - $from - 9.0;
            $this->text($pdf, $x + $from, $line, $fits ? $named : sprintf('%d  %s', $number, implode(', ', $said)), 7.2, '', $width - $from - 8.5);
            $this->swatch($pdf, $x + $width - 7.5, $line + 0.1, 7.5, self::PLACE - 0.8, $place->steps[0]->after);
            foreach (self::notes($place) as $note) {
                $line += self::PLACE;
                $this->text($pdf, $x + $from + 3.5, $line, $note, 7.0, '', $width - $from - 3.5);
            }
            $line += self::PLACE;
        }
    }

    /** @return list<string> what is to be minded at a place, a line each */
    private static function notes(Place $place): array
    {
        $if = $place->onlyIf();

        return array_values(array_filter([
            (string) $place->edge(),
            (string) $place->fade()?->words(),
            $if === null ? '' : 'only if still '.$if,
        ]));
    }

    /** Where the turn goes, small, as high as a turn without many places. */
    private function map(TCPDF $pdf, float $x, float $y, Turn $turn, Piece $piece): void
    {
        if ($piece->zones->every(static fn ($zone): bool => $zone->label === null)) {
            return;
        }
        $targets = array_values(array_unique(array_map(static fn (PlanStep $step): string => $step->zone->id, $turn->steps())));
        $reference = $piece->reference();
        $height = min(self::TURN - 2.0, self::MAP * $reference->height / $reference->width);
        $width = $height * $reference->width / $reference->height;
        $pdf->Image('@'.$this->parts->small($piece, $targets), $x + self::MAP - $width, $y, $width, $height, 'PNG');
        $pdf->setDrawColor(150, 150, 150);
        $pdf->Rect($x + self::MAP - $width, $y, $width, $height);
    }

    private function pageNumbers(TCPDF $pdf, Piece $piece): void
    {
        $pages = $pdf->getNumPages();
        for ($page = 1; $page <= $pages; $page++) {
            $pdf->setPage($page);
            $this->text($pdf, self::MARGIN, 287, sprintf('%s, page %d of %d. Beside a place: the colour it comes to in this turn.', $piece->title, $page, $pages), 7, '', self::WIDTH);
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
