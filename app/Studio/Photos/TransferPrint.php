<?php

declare(strict_types=1);

namespace App\Studio\Photos;

use App\Models\Piece;
use App\Studio\Planning\Pdf;
use App\Studio\Zones\Targets;
use App\Studio\Zones\ZoneBook;
use App\Studio\Zones\ZoneRefused;
use Prism\Colour\Lab;
use Prism\Colour\Srgb;
use Prism\Reference\Image\PrintTiles;
use Prism\Reference\Zones\Outlines;
use TCPDF;

/**
 * The outlines of the zones in true size, to be transferred to the paper. A line has the colour of the paler of the two zones
 * that it parts: a dark line would stain the pale one.
 */
final class TransferPrint
{
    /** Lighter than this a line would not be seen on the print. */
    private const LIGHTEST = 78.0;

    private const LINE_MM = 0.35;

    private const RULER_MM = 50.0;

    public function __construct(private readonly ZoneBook $zones)
    {
    }

    /**
     * @param  string  $page  a4 or letter
     *
     * @throws ZoneRefused if there are no zones
     * @throws \Prism\Reference\LookRefused if the drawing is too large
     */
    public function pdf(Piece $piece, string $page): string
    {
        $map = $this->zones->map($piece) ?? throw new ZoneRefused('There are no zones yet, so there is nothing to outline. Find zones first.');
        $tiles = PrintTiles::of($piece->width_mm, $piece->height_mm, $page);
        $pdf = Pdf::blank($piece->title, $page);
        $pdf->setAutoPageBreak(false);
        $crop = $piece->crop ?? ['x' => 0.0, 'y' => 0.0, 'width' => 1.0, 'height' => 1.0];
        $colours = $this->colours($piece);
        $arcs = [];
        foreach (Outlines::of($map)->arcs as $arc) {
            if ($arc['left'] === 0 && $arc['right'] === 0) {
                continue;
            }
            $arcs[] = [self::lineColour($colours[$arc['left']] ?? null, $colours[$arc['right']] ?? null), array_map(static fn (array $point): array => [
                ($point[0] - $crop['x']) / $crop['width'] * $piece->width_mm,
                ($point[1] - $crop['y']) / $crop['height'] * $piece->height_mm,
            ], $arc['points'])];
        }
        foreach ($tiles->tiles as $i => $tile) {
            $pdf->AddPage($tiles->pageWidth > $tiles->pageHeight ? 'L' : 'P', [$tiles->pageWidth, $tiles->pageHeight]);
            $this->tile($pdf, $tile, $arcs);
            $this->legend($pdf, $piece, $tiles, $i);
        }

        return $pdf->Output('transfer.pdf', 'S');
    }

    /**
     * @param  array{column: int, row: int, x: float, y: float, width: float, height: float}  $tile
     * @param  list<array{array{int, int, int}, list<array{float, float}>}>  $arcs  colour and points in millimetres
     */
    private function tile(TCPDF $pdf, array $tile, array $arcs): void
    {
        $margin = PrintTiles::MARGIN;
        $pdf->StartTransform();
        $pdf->Rect($margin, $margin, $tile['width'], $tile['height'], 'CNZ');
        $pdf->setLineWidth(self::LINE_MM);
        foreach ($arcs as [$colour, $points]) {
            $flat = [];
            foreach ($points as [$x, $y]) {
                array_push($flat, $margin + $x - $tile['x'], $margin + $y - $tile['y']);
            }
            $pdf->setDrawColor(...$colour);
            $pdf->PolyLine($flat);
        }
        $pdf->StopTransform();
        // Marks to lay the sheets on one another.
        $pdf->setLineWidth(0.1);
        $pdf->setDrawColor(150, 150, 150);
        foreach ([$margin, $margin + $tile['width']] as $x) {
            foreach ([$margin, $margin + $tile['height']] as $y) {
                $pdf->Line($x - 4, $y, $x + 4, $y);
                $pdf->Line($x, $y - 4, $x, $y + 4);
            }
        }
    }

    private function legend(TCPDF $pdf, Piece $piece, PrintTiles $tiles, int $i): void
    {
        $tile = $tiles->tiles[$i];
        $pdf->setFont(Pdf::FONT, '', 7);
        $pdf->setTextColor(60, 60, 60);
        $pdf->Text(PrintTiles::MARGIN, 3.5, sprintf(
            '%s: %.0f x %.0f mm. Sheet %d of %d, row %d, column %d. Print at 100 %%; this line is 50 mm.',
            $piece->title, $piece->width_mm, $piece->height_mm, $i + 1, count($tiles->tiles), $tile['row'] + 1, $tile['column'] + 1,
        ));
        $y = $tiles->pageHeight - 4.0;
        $pdf->setDrawColor(60, 60, 60);
        $pdf->Line(PrintTiles::MARGIN, $y, PrintTiles::MARGIN + self::RULER_MM, $y);
        $pdf->Line(PrintTiles::MARGIN, $y - 1.5, PrintTiles::MARGIN, $y + 1.5);
        $pdf->Line(PrintTiles::MARGIN + self::RULER_MM, $y - 1.5, PrintTiles::MARGIN + self::RULER_MM, $y + 1.5);
    }

    /** @return array<int, Lab> by label: the local middle of the zone, or what it has */
    private function colours(Piece $piece): array
    {
        $colours = [];
        foreach ($piece->zones()->with('targets')->get() as $zone) {
            if ($zone->label === null) {
                continue;
            }
            $target = $zone->targets->firstWhere('role.value', 'middle') ?? $zone->targets->first();
            if ($target !== null) {
                $colours[(int) $zone->label] = Targets::read($target);
            }
        }

        return $colours;
    }

    /** @return array{int, int, int} */
    private static function lineColour(?Lab $left, ?Lab $right): array
    {
        $paler = $left === null || ($right !== null && $right->L > $left->L) ? $right : $left;
        $paler ??= Lab::of(50.0, 0.0, 0.0);

        return Srgb::bytes($paler->withLightness(min(self::LIGHTEST, $paler->L)));
    }
}
