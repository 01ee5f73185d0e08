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
 *
 * @phpstan-import-type Tile from PrintTiles
 */
final class TransferPrint
{
    /** Lighter than this a line would not be seen on the print. */
    private const LIGHTEST = 78.0;

    private const LINE_MM = 0.35;

    private const RULER_MM = 50.0;

    /** Length of the marks of the middle. */
    private const MIDDLE_MM = 5.0;

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
            $this->tile($pdf, $tile, $arcs, [$piece->width_mm / 2.0, $piece->height_mm / 2.0]);
            $this->legend($pdf, $piece, $tiles, $i);
        }

        return $pdf->Output('transfer.pdf', 'S');
    }

    /**
     * @param  Tile  $tile
     * @param  list<array{array{int, int, int}, list<array{float, float}>}>  $arcs  colour and points in millimetres
     * @param  array{float, float}  $middle  of the drawing, mm
     */
    private function tile(TCPDF $pdf, array $tile, array $arcs, array $middle): void
    {
        ['left' => $left, 'top' => $top] = $tile;
        $pdf->StartTransform();
        $pdf->Rect($left, $top, $tile['width'], $tile['height'], 'CNZ');
        $pdf->setLineWidth(self::LINE_MM);
        foreach ($arcs as [$colour, $points]) {
            $flat = [];
            foreach ($points as [$x, $y]) {
                array_push($flat, $left + $x - $tile['x'], $top + $y - $tile['y']);
            }
            $pdf->setDrawColor(...$colour);
            $pdf->PolyLine($flat);
        }
        $pdf->StopTransform();
        // Marks to lay the sheets on one another.
        $pdf->setLineWidth(0.1);
        $pdf->setDrawColor(150, 150, 150);
        foreach ([$left, $left + $tile['width']] as $x) {
            foreach ([$top, $top + $tile['height']] as $y) {
                $pdf->Line($x - 4, $y, $x + 4, $y);
                $pdf->Line($x, $y - 4, $x, $y + 4);
            }
        }
        // And where the middle of the drawing lies, to be laid on the middle of the paper.
        $pdf->setDrawColor(60, 60, 60);
        [$x, $y] = [$left + $middle[0] - $tile['x'], $top + $middle[1] - $tile['y']];
        if ($x > $left && $x < $left + $tile['width']) {
            $pdf->Line($x, $top - self::MIDDLE_MM, $x, $top);
            $pdf->Line($x, $top + $tile['height'], $x, $top + $tile['height'] + self::MIDDLE_MM);
        }
        if ($y > $top && $y < $top + $tile['height']) {
            $pdf->Line($left - self::MIDDLE_MM, $y, $left, $y);
            $pdf->Line($left + $tile['width'], $y, $left + $tile['width'] + self::MIDDLE_MM, $y);
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
        $pdf->Text(PrintTiles::MARGIN + self::RULER_MM + 3.0, $y - 2.0, self::onSheet($piece));
        $pdf->setDrawColor(60, 60, 60);
        $pdf->Line(PrintTiles::MARGIN, $y, PrintTiles::MARGIN + self::RULER_MM, $y);
        $pdf->Line(PrintTiles::MARGIN, $y - 1.5, PrintTiles::MARGIN, $y + 1.5);
        $pdf->Line(PrintTiles::MARGIN + self::RULER_MM, $y - 1.5, PrintTiles::MARGIN + self::RULER_MM, $y + 1.5);
    }

    /** Where the drawing lies on the sheet of the paper, centred; nothing where no sheet is known, or it is too small. */
    public static function onSheet(Piece $piece): string
    {
        [$width, $height] = [$piece->paper->width_mm, $piece->paper->height_mm];
        if ($width === null || $height === null) {
            return '';
        }
        if (($piece->width_mm > $piece->height_mm) !== ($width > $height)) {
            [$width, $height] = [$height, $width];
        }
        [$side, $above] = [($width - $piece->width_mm) / 2.0, ($height - $piece->height_mm) / 2.0];

        return $side < 0.0 || $above < 0.0
            ? sprintf('It is larger than a sheet of %s, %.0f x %.0f mm.', $piece->paper->name, $width, $height)
            : sprintf('In the middle of a sheet of %.0f x %.0f mm: %.0f mm from the sides, %.0f mm from above and below.', $width, $height, $side, $above);
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
