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
use Prism\Reference\Image\Raster;

/** Reads pictures of filled charts. */
final class ChartReadings
{
    public function __construct(private readonly PhotoReader $photos)
    {
    }

    /**
     * @param  string  $path  of the picture
     * @return array{Photo, ChartReading}
     *
     * @throws PhotoRefused if it is no picture
     * @throws ChartRefused if no chart can be read in it
     */
    public function of(Chart $chart, string $path): array
    {
        $photo = $this->photos->read($path);

        return [$photo, ChartReader::read(Raster::of($photo->width, $photo->height, $photo->rgb), ChartPaper::sheets($chart), Catalogue::paper($chart->paper)->colour)];
    }
}
