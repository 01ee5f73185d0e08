<?php

declare(strict_types=1);

namespace App\Studio\Swatches;

use App\Models\Chart;
use App\Studio\Files\Depot;
use Illuminate\Support\Facades\File;

/** Keeps the pictures that the simulated studio took of charts. */
final class ChartPictures
{
    private const FOLDER = 'charts';

    public function __construct(private readonly Depot $depot)
    {
    }

    public function put(Chart $chart, int $sheet, string $jpeg): void
    {
        $this->depot->put(self::name($chart, $sheet), $jpeg);
    }

    public function forget(Chart $chart): void
    {
        $this->depot->removeFolder(self::folder($chart->id));
        File::delete($this->before($chart->id));
    }

    /** Where one lies on this machine; null if there is none. */
    public function path(Chart $chart, int $sheet): ?string
    {
        $before = $this->depot->place(sprintf('%s-%d.jpg', self::folder($chart->id), $sheet));

        return $this->depot->latest(self::name($chart, $sheet)) ?? (is_file($before) ? $before : null);
    }

    /** @return int the room that the pictures of a chart take, by its key */
    public function bytes(string $chart): int
    {
        return (int) array_sum([...array_column($this->depot->about(self::folder($chart)), 'bytes'), ...array_map(filesize(...), $this->before($chart))]);
    }

    /** @return list<string> paths of those of a studio that kept all charts in one folder */
    private function before(string $chart): array
    {
        return array_values(File::glob($this->depot->place(self::folder($chart)).'-*.jpg'));
    }

    private static function folder(string $chart): string
    {
        return self::FOLDER."/$chart";
    }

    private static function name(Chart $chart, int $sheet): string
    {
        return sprintf('%s/%d.jpg', self::folder($chart->id), $sheet);
    }
}
