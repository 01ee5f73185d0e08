<?php

declare(strict_types=1);

namespace App\Studio\Swatches;

use App\Models\Chart;
use App\Studio\Files\WholeFile;
use Illuminate\Support\Facades\File;

/** Keeps the pictures that the simulated studio took of charts. */
final class ChartPictures
{
    public function __construct(private readonly string $folder)
    {
    }

    public function put(Chart $chart, int $sheet, string $jpeg): void
    {
        if (! is_dir($this->folder)) {
            mkdir($this->folder, 0o755, true);
        }
        WholeFile::put($this->path($chart, $sheet), $jpeg);
    }

    public function forget(Chart $chart): void
    {
        File::delete(File::glob(sprintf('%s/%s-*.jpg', $this->folder, $chart->id)));
    }

    public function path(Chart $chart, int $sheet): string
    {
        return sprintf('%s/%s-%d.jpg', $this->folder, $chart->id, $sheet);
    }
}
