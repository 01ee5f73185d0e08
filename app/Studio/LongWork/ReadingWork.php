<?php

declare(strict_types=1);

namespace App\Studio\LongWork;

use App\Models\User;
use App\Studio\Photos\PhotoRefused;
use App\Studio\Photos\Uploads;
use App\Studio\Swatches\ChartReadings;
use Closure;
use Prism\Charts\ChartRefused;
use Prism\Charts\Covering;

/** Reads the uploaded picture of a filled chart. */
final class ReadingWork implements LongWork
{
    public function __construct(private readonly ChartReadings $readings, private readonly Uploads $uploads)
    {
    }

    public function do(User $artist, array $wish, Closure $progress): array
    {
        $progress('Looking for the chart in the picture', 0.0);
        try {
            $chart = $artist->charts()->with('paper')->get()->firstWhere('id', $wish['chart']) ?? throw new WorkRefused('This chart is no longer there.');
            [$photo, $reading] = $this->readings->of($chart, $this->uploads->path($wish['file']), $wish['rows'] ?? []);
        } catch (PhotoRefused|ChartRefused $refusal) {
            throw new WorkRefused($refusal->getMessage(), previous: $refusal);
        } finally {
            $this->uploads->forget($wish['file']);
        }

        return [
            'chart' => $chart->id, 'sheet' => $reading->sheet, 'width' => $photo->width, 'height' => $photo->height, 'light' => round($reading->light, 2), 'corners' => $reading->corners,
            'fields' => array_map(static fn (array $cell): array => [
                'number' => $cell['number'], 'stack' => $chart->stacks[$cell['number'] - 1], ...$cell['colour']->jsonSerialize(),
                'spread' => round($cell['spread'], 2), 'doubts' => $cell['doubts'], 'outline' => $cell['outline'],
                'over' => $cell['over']?->jsonSerialize(), 'opacity' => $cell['over'] === null ? null : Covering::of($cell['colour'], $cell['over'])?->value,
            ], $reading->cells),
        ];
    }
}
