<?php

declare(strict_types=1);

namespace App\Console\Bench;

use App\Studio\Swatches\SwatchReader;
use Imagick;
use Prism\Box\NextPencils;
use Prism\Box\PencilFinder;
use Prism\Box\Walk;
use Prism\Calibration\ChartStacks;
use Prism\Charts\ChartReader;
use Prism\Charts\ChartSheet;
use Prism\Colour\Lab;
use Prism\Layering\Predictor;
use Prism\Matching\Gamut;
use Prism\Matching\Partners;
use Prism\Matching\Search\PairLibrary;
use Prism\Materials\Kit;
use Prism\Materials\PencilId;
use Prism\Reference\Image\Raster;

/** Knowing the box: laying out and finding among thousands, what to buy, and reading a chart from a picture. */
final class BoxFigures
{
    private const SIZES = [120, 1000, 5000];

    /** An angle that no two of many multiples share. */
    private const GOLDEN_ANGLE = 2.39996;

    /** @return list<list<string>> */
    public static function catalogue(): array
    {
        $rows = [];
        foreach (self::SIZES as $size) {
            $coats = self::coats($size);
            [$order, $roll] = Clock::milliseconds(static fn (): array => Walk::order($coats));
            [, $nearest] = Clock::milliseconds(static fn (): array => PencilFinder::nearest(Lab::of(50, 20, -30), $coats));
            $steps = [];
            for ($i = 1; $i < $size; $i++) {
                $steps[] = Walk::step($coats[$order[$i - 1]], $coats[$order[$i]]);
            }
            $rows[] = [number_format($size), sprintf('%.0f', $roll), sprintf('%.1f', Clock::mean($steps)), sprintf('%.0f', $nearest)];
        }

        return $rows;
    }

    /**
     * @param  list<string>  $owned
     * @return list<string>
     */
    public static function advice(Predictor $predictor, Kit $pencils, array $owned): array
    {
        [$has, $gamut] = Clock::milliseconds(static fn (): Gamut => Gamut::of(PairLibrary::build($predictor->model, $owned)));
        $others = array_values(array_diff($pencils->ids(), $owned));
        [$picks, $next] = Clock::milliseconds(static fn (): array => (new NextPencils($predictor->model, $owned, $others))->forGamut($has));
        [, $partners] = Clock::milliseconds(static fn (): array => Partners::of($predictor->model, PencilId::of($owned[0]), $owned));

        return [(string) count($owned), (string) $has->count(), sprintf('%.0f', $gamut), (string) count($others), sprintf('%.0f', $next), implode(' ', array_map(static fn (array $pick): string => sprintf('%s +%d', $pick['pencil'], $pick['gained']), $picks)), sprintf('%.0f', $partners)];
    }

    /**
     * @param  list<string>  $owned
     * @return list<string>
     */
    public static function chart(SwatchReader $reader, string $paper, Lab $white, array $owned): array
    {
        $sheet = ChartSheet::all('a4', ChartStacks::singles(array_map(PencilId::of(...), array_slice($owned, 0, 17))))[0];
        $image = new Imagick;
        $image->readImageBlob($reader->photograph($paper, $sheet, 'bench'));
        $image->setImageFormat('rgb');
        $image->setImageDepth(8);
        $raster = Raster::of($image->getImageWidth(), $image->getImageHeight(), $image->getImageBlob());
        [$reading, $elapsed] = Clock::milliseconds(static fn () => ChartReader::read($raster, [$sheet], $white));
        $errors = [];
        $doubtful = 0;
        foreach ($reading->cells as $i => $cell) {
            // The same drawing, read by the instrument instead of the camera.
            $errors[] = $cell['colour']->differenceTo($reader->read($paper, $sheet->cells[$i]['stack'], 'bench'.$cell['number']));
            $doubtful += $cell['doubts'] === [] ? 0 : 1;
        }

        return [(string) count($errors), sprintf('%.0f', $elapsed), sprintf('%.2f', Clock::quantile($errors, 0.5)), sprintf('%.2f', Clock::quantile($errors, 0.9)), (string) $doubtful];
    }

    /** @return array<string, Lab> */
    private static function coats(int $size): array
    {
        $coats = [];
        for ($i = 0; $i < $size; $i++) {
            $chroma = 3 + ($i * 37) % 68;
            $coats["P:$i"] = Lab::of(22 + ($i * 29) % 72, $chroma * cos($i * self::GOLDEN_ANGLE), $chroma * sin($i * self::GOLDEN_ANGLE));
        }

        return $coats;
    }
}
