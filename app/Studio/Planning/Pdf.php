<?php

declare(strict_types=1);

namespace App\Studio\Planning;

use TCPDF;

/** Paper for printing: millimetres, fonts embedded, nothing on it. */
final class Pdf
{
    public const FONT = 'dejavusans';

    /** @param  string  $page  a4 or letter */
    public static function blank(string $title, string $page): TCPDF
    {
        // Else the library begins each file with Helvetica, which it does not embed.
        defined('K_TCPDF_EXTERNAL_CONFIG') || define('K_TCPDF_EXTERNAL_CONFIG', true);
        defined('PDF_FONT_NAME_MAIN') || define('PDF_FONT_NAME_MAIN', self::FONT);
        $pdf = new TCPDF('P', 'mm', strtoupper($page), true, 'UTF-8');
        $pdf->setCreator('Knotty Prism');
        $pdf->setTitle($title);
        $pdf->setPrintHeader(false);
        $pdf->setPrintFooter(false);
        $pdf->setAutoPageBreak(false);
        $pdf->setFontSubsetting(true);

        return $pdf;
    }
}
