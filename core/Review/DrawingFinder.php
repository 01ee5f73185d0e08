<?php

declare(strict_types=1);

namespace Prism\Review;

use Prism\Charts\Homography;
use Prism\Colour\Lab;
use Prism\Reference\Image\Field;
use Prism\Reference\Image\Raster;

/** Finds the drawing in a picture of it: the sheet, the drawing within its margin, and what of it goes together with the reference. */
final class DrawingFinder
{
    /** Light of the lightest paper, linear, below which nothing can be read; and what share of the picture is darker than that paper. */
    private const TOO_DARK = 0.05;

    private const LIGHTEST = 0.9;

    /** What is less like the reference than this is another picture ({@see Straightened::likeness}); half-done drawings have come to 0.5 and more. */
    private const ANOTHER = 0.3;

    /** From here on nobody needs to look at the corners: likeness, and how well outlines fit. */
    private const SURE = 0.45;

    private const SURE_FIT = 0.56;

    /** A drawing that reaches so far beyond the picture is cut off, as a share of it. */
    private const CUT_OFF = 0.01;

    /** A side of the sheet that lies so near to the picture's is not the sheet's own. */
    private const RIM = 0.015;

    /** Bare paper is looked for this far from the drawing, and from the edge of the sheet, as a share of it. */
    private const CLEAR = 0.015;

    /**
     * @param  Field  $reference  the picture that is drawn, as it is cropped
     * @param  Lab  $paper  what the bare paper is known to look like
     * @param  ?Corners  $given  as the artist has set them, in pixels of the picture; null: looked for
     * @param  ?Field  $taped  what the drawing looks like by now, where tape lies round it: its white is no paper's
     *
     * @throws ReviewRefused
     */
    public static function find(Raster $picture, Field $reference, Lab $paper, ?Corners $given = null, ?Field $taped = null): FoundDrawing
    {
        $small = LinearPicture::of($picture);
        if ($small->level(self::LIGHTEST) < self::TOO_DARK) {
            throw new ReviewRefused('The picture is too dark: even the bare paper is nearly black. Take it anew in more light.');
        }
        $found = SheetFinder::find($small);
        $sheet = $found ?? Corners::of([[0.0, 0.0], [(float) $small->width, 0.0], [(float) $small->width, (float) $small->height], [0.0, (float) $small->height]]);
        if ($given !== null) {
            $corners = $given->scaled(1.0 / $small->scale);
            $light = self::light($small, $sheet, $corners, $paper, $taped);

            return new FoundDrawing($small, $corners, $light, 1.0, 1.0, true, Sharpness::isBlurred($small, $corners, $sheet), Sharpness::glare($small, $corners, $light), $taped !== null);
        }
        $light = PaperLight::of($small, self::rim($sheet), $paper);
        if (BareLines::isAll($small, $sheet, $light)) {
            throw self::nothing($small, $sheet, $found);
        }
        $best = -1.0;
        $corners = $sheet;
        foreach (FirstGuess::of($small, $sheet, $light, $reference) as [$guess, $score]) {
            [$moved, $fit, $share] = Registration::roughly($small, $guess, $light, $reference);
            if ($score * $fit * sqrt($share) > $best) {
                $best = $score * $fit * sqrt($share);
                $corners = $moved;
            }
        }
        $light = PaperLight::of($small, self::round($sheet, $corners), $paper);
        [$corners, $fit] = Registration::of($small, $corners, $light, $reference);
        $light = self::light($small, $sheet, $corners, $paper, $taped);
        $likeness = Straightened::likeness(Straightened::field($small, $corners, $light, $reference->width, $reference->height), $reference, $paper);
        if ($likeness < self::ANOTHER) {
            throw self::nothing($small, $sheet, $found);
        }
        self::wantAllOf($corners, $small);

        return new FoundDrawing($small, $corners, $light, $fit, $likeness, $likeness >= self::SURE && $fit >= self::SURE_FIT, Sharpness::isBlurred($small, $corners, $sheet), Sharpness::glare($small, $corners, $light), $taped !== null);
    }

    /**
     * The same by what the drawing is to become or, where that is not sure, by what it should look like by now; or by its outlines: a drawing
     * that is only begun has little of the reference, one that is not begun nothing but lines.
     *
     * @param  ?\Closure(): Field  $expected  {@see ExpectedPicture}; null: nothing is laid yet
     * @param  \Closure(): Field  $outlines  {@see BareLines::outlines()}
     * @param  ?Field  $taped  {@see self::find()}
     *
     * @throws ReviewRefused
     */
    public static function findBegun(Raster $picture, Field $reference, ?\Closure $expected, \Closure $outlines, Lab $paper, ?Field $taped = null): FoundDrawing
    {
        $found = $refusal = null;
        try {
            $found = self::find($picture, $reference, $paper, taped: $taped);
        } catch (ReviewRefused $refusal) {
        }
        if ($found?->isSure === true) {
            return $expected === null ? $found : $found->at(Registration::refined($found->picture, $found->corners, $found->light, $expected())[0]);
        }
        try {
            $begun = $expected === null ? self::findLines($picture, $outlines(), $paper) : self::find($picture, $expected(), $paper, taped: $taped);
        } catch (ReviewRefused) {
            return $found ?? throw $refusal;
        }
        $isBetter = $found === null || ($expected === null ? $begun->isSure : $begun->likeness * $begun->fit > $found->likeness * $found->fit);

        return $isBetter ? $begun : $found;
    }

    /**
     * A drawing of which nothing but lines is there yet, by the outlines of the zones.
     *
     * @param  Field  $outlines  {@see BareLines::outlines()}
     *
     * @throws ReviewRefused
     */
    public static function findLines(Raster $picture, Field $outlines, Lab $paper): FoundDrawing
    {
        $small = LinearPicture::of($picture);
        $sheet = SheetFinder::find($small) ?? throw new ReviewRefused('No sheet is seen in this picture. Lay it on something darker than paper and take it whole.');
        $isLines = BareLines::isAll($small, $sheet, PaperLight::of($small, self::rim($sheet), $paper));
        $found = ($isLines ? BareLines::find($picture, $sheet->scaled($small->scale), $outlines) : null)
            ?? throw new ReviewRefused('Nothing in this picture goes together with the outlines of the zones. If faint lines lie there, set the corners of the drawing by hand.');
        [$corners, $fit, $isSure] = $found;
        $corners = $corners->scaled(1.0 / $small->scale);
        self::wantAllOf($corners, $small);

        return new FoundDrawing($small, $corners, PaperLight::of($small, self::round($sheet, $corners), $paper), $fit, $fit, $isSure, Sharpness::isBlurred($small, $corners, $sheet));
    }

    private static function light(LinearPicture $picture, Corners $sheet, Corners $drawing, Lab $paper, ?Field $taped): PaperLight
    {
        $light = PaperLight::of($picture, self::round($sheet, $drawing), $paper);

        return $taped === null ? $light : $light->by($picture, $drawing, $taped);
    }

    private static function nothing(LinearPicture $picture, Corners $sheet, ?Corners $found): ReviewRefused
    {
        return new ReviewRefused('Nothing in this picture goes together with the reference. Is it the drawing of this piece, whole and sharp?'
            .($found === null ? '' : self::beyond($found, $picture))
            .(SheetFinder::hasAnother($picture, $sheet) ? ' More than one sheet seems to lie in it: photograph the one with the drawing alone.' : '').' If it is only begun, set its corners by hand.');
    }

    /** @throws ReviewRefused if the drawing goes on beyond the picture */
    private static function wantAllOf(Corners $corners, LinearPicture $picture): void
    {
        $beyond = self::CUT_OFF * $corners->longEdge();
        [$across, $down] = [array_column($corners->points, 0), array_column($corners->points, 1)];
        $sides = array_keys(array_filter([
            'left' => min($across) < -$beyond, 'right' => max($across) > $picture->width + $beyond,
            'upper' => min($down) < -$beyond, 'lower' => max($down) > $picture->height + $beyond,
        ]));
        if ($sides !== []) {
            throw new ReviewRefused(sprintf('The drawing is cut off at the %s edge of the picture. Take it anew with white paper all round.', implode(' and the ', $sides)));
        }
    }

    /** Where the sheet goes on beyond the picture, as a sentence; empty where all of it is seen. */
    private static function beyond(Corners $sheet, LinearPicture $picture): string
    {
        [$across, $down] = [array_column($sheet->points, 0), array_column($sheet->points, 1)];
        sort($across);
        sort($down);
        // A whole side of it, two corners, lies at the edge.
        $sides = array_keys(array_filter([
            'left' => $across[1] < self::RIM * $picture->width, 'right' => $across[2] > (1.0 - self::RIM) * $picture->width,
            'upper' => $down[1] < self::RIM * $picture->height, 'lower' => $down[2] > (1.0 - self::RIM) * $picture->height,
        ]));

        return $sides === [] ? '' : sprintf(' The sheet goes on beyond the %s edge of the picture; if a part of the drawing is cut off, take it anew with white paper all round.', implode(' and the ', $sides));
    }

    /**
     * Places along the edge of a sheet.
     *
     * @return list<array{float, float}>
     */
    private static function rim(Corners $sheet): array
    {
        $view = $sheet->view(1.0, 1.0);
        $places = [];
        foreach ([0.015, 0.025, 0.035, 0.045] as $in) {
            for ($i = 0; $i <= 40; $i++) {
                $along = 0.02 + 0.96 * $i / 40.0;
                array_push($places, $view->map($along, $in), $view->map($along, 1.0 - $in), $view->map($in, $along), $view->map(1.0 - $in, $along));
            }
        }

        return $places;
    }

    /**
     * Places between the drawing and the edge of the sheet.
     *
     * @return list<array{float, float}>
     */
    private static function round(Corners $sheet, Corners $drawing): array
    {
        $view = $sheet->view(1.0, 1.0);
        $within = Homography::of($drawing->points, [[0.0, 0.0], [1.0, 0.0], [1.0, 1.0], [0.0, 1.0]]);
        $places = [];
        for ($j = 0; $j <= 70; $j++) {
            for ($i = 0; $i <= 70; $i++) {
                $place = $view->map(self::CLEAR + (1.0 - 2.0 * self::CLEAR) * $i / 70.0, self::CLEAR + (1.0 - 2.0 * self::CLEAR) * $j / 70.0);
                [$x, $y] = $within->map(...$place);
                if ($x < -self::CLEAR || $y < -self::CLEAR || $x > 1.0 + self::CLEAR || $y > 1.0 + self::CLEAR) {
                    $places[] = $place;
                }
            }
        }

        return $places;
    }
}
