<?php

declare(strict_types=1);

namespace App\Studio\Swatches;

use App\Models\Chart;
use App\Studio\Pencils\Catalogue;
use App\Studio\Photos\Photo;
use App\Studio\Photos\PhotoReader;
use App\Studio\Photos\PhotoRefused;
use Prism\Charts\ChartReader;
use Prism\Charts\ChartReading;
use Prism\Charts\ChartRefused;
use Prism\Charts\PointedRows;
use Prism\Layering\Stack;
use Prism\Reference\Image\Raster;

/**
 * Reads pictures of filled charts.
 *
 * @phpstan-import-type Row from PointedRows
 */
final class ChartReadings
{
    public function __construct(private readonly PhotoReader $photos)
    {
    }

    /**
     * @param  string  $path  of the picture
     * @param  list<Row>  $rows  where the fields are, if it is a plain sheet and none of ours
     * @return array{Photo, ChartReading}
     *
     * @throws PhotoRefused if it is no picture
     * @throws ChartRefused if no chart can be read in it
     */
    public function of(Chart $chart, string $path, array $rows = []): array
    {
        $photo = $this->photos->read($path);

        $picture = Raster::of($photo->width, $photo->height, $photo->rgb);
        $paper = Catalogue::paper($chart->paper)->colour;

        return [$photo, $rows === []
            ? ChartReader::read($picture, ChartPaper::sheets($chart), $paper)
            : PointedRows::read($picture, $rows, array_map(Stack::parse(...), $chart->stacks), $paper)];
    }
}
