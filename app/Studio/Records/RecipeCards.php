<?php

declare(strict_types=1);

namespace App\Studio\Records;

use App\Models\KeptRecipe;
use App\Studio\Planning\Pdf;
use Illuminate\Support\Collection;
use Prism\Colour\Srgb;
use Prism\Colour\ValueScale;
use Prism\Colour\Words\Family;
use Prism\Layering\Stack;
use Prism\Matching\Advice\BuildLine;
use TCPDF;

/** Recipes of a book as cards of A6, four on a sheet of A4, to be cut and laid beside the drawing; with a square to lay each on. */
final class RecipeCards
{
    private const WIDTH = 105.0;

    private const HEIGHT = 148.5;

    private const MARGIN = 9.0;

    /** Edge of the printed swatch, and of the empty square beside it. */
    private const SQUARE = 40.0;

    /**
     * @param  Collection<int, KeptRecipe>  $rows
     * @return string the bytes of the PDF
     */
    public static function pdf(Collection $rows): string
    {
        $pdf = Pdf::blank('Recipes', 'a4');
        $pdf->setCellPaddings(0, 0, 0, 0);
        foreach ($rows->values() as $at => $row) {
            if ($at % 4 === 0) {
                $pdf->AddPage();
                $pdf->setLineStyle(['width' => 0.1, 'color' => [150, 150, 150], 'dash' => '2,2']);
                $pdf->Line(self::WIDTH, 0, self::WIDTH, 2 * self::HEIGHT);
                $pdf->Line(0, self::HEIGHT, 2 * self::WIDTH, self::HEIGHT);
            }
            self::card($pdf, $row, ($at % 2) * self::WIDTH, intdiv($at % 4, 2) * self::HEIGHT);
        }

        return (string) $pdf->Output('', 'S');
    }

    private static function card(TCPDF $pdf, KeptRecipe $row, float $x, float $y): void
    {
        $colour = KeptRecipes::kept($row);
        $left = $x + self::MARGIN;
        $width = self::WIDTH - 2 * self::MARGIN;
        $top = $y + self::MARGIN;
        $pdf->setTextColor(0, 0, 0);
        $pdf->setFont(Pdf::FONT, 'B', 12);
        $pdf->setXY($left, $top);
        $pdf->MultiCell($width, 6, $row->name, 0, 'L', maxh: 12);
        $top += 14.0;
        $pdf->setFillColorArray(Srgb::bytes($colour));
        $pdf->Rect($left, $top, self::SQUARE, self::SQUARE, 'F');
        $pdf->setLineStyle(['width' => 0.2, 'color' => [90, 90, 90], 'dash' => 0]);
        $pdf->Rect($left + self::SQUARE, $top, self::SQUARE, self::SQUARE);
        $top += self::SQUARE + 2.0;
        $pdf->setFont(Pdf::FONT, '', 7.5);
        $pdf->setXY($left, $top);
        $pdf->Cell(self::SQUARE, 4, sprintf('value step %d', ValueScale::step($colour->L)));
        $pdf->setXY($left + self::SQUARE, $top);
        $pdf->Cell(self::SQUARE, 4, 'lay it here');
        $top += 7.0;
        $pdf->setFont(Pdf::FONT, '', 11);
        $pdf->setXY($left, $top);
        $pdf->MultiCell($width, 5, BuildLine::of(Stack::parse($row->stack), null), 0, 'L', maxh: 34);
        $pdf->setFont(Pdf::FONT, '', 8);
        $pdf->setXY($left, $y + self::HEIGHT - 34);
        $pdf->MultiCell($width, 4, implode("\n", array_filter([Family::of($colour)->word(), $row->purpose, $row->paper->name, implode(', ', $row->tags), $row->note])), 0, 'L', maxh: 22);
        $pdf->setFont(Pdf::FONT, '', 6.5);
        $pdf->setXY($left, $y + self::HEIGHT - self::MARGIN - 2);
        $pdf->Cell($width, 3, $row->stack);
    }
}
