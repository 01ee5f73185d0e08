<?php

declare(strict_types=1);

namespace App\Console\Bench;

use Prism\Layering\Passage;
use Prism\Layering\ToothModel;
use Prism\Layering\Touch;

/** Predictions per second. */
final class KernelFigures
{
    /** Light and firm pressures, 0-1; a firm one moves what lies below. */
    private const LIGHT = 0.4;

    private const FIRM = 0.9;

    /** @return list<array{string, string}> */
    public static function rows(ToothModel $model): array
    {
        $touches = static fn (float $pressure): array => array_values(array_map(static fn ($optics): Touch => $model->touch($optics, $pressure, 1.0), $model->optics));
        $light = $touches(self::LIGHT);
        $firm = $touches(self::FIRM);
        $count = count($light);
        $stack = static function (int $i, int $layers) use ($model, $light, $count): Passage {
            $passage = $model->bare();
            for ($n = 0; $n < $layers; $n++) {
                $passage = $model->lay($passage, $light[($i * 7 + $n * 31) % $count]);
            }

            return $passage;
        };
        $rows = [];
        foreach ([1, 2, 3, 4, 6] as $layers) {
            $rows[] = [sprintf('%d light layers, whole stack', $layers), Clock::perSecond(static fn (int $i) => $model->glance($stack($i, $layers - 1), $light[($i * 5) % $count]))];
        }
        $base = $stack(3, 2);
        $rows[] = ['one more light layer on a cached prefix', Clock::perSecond(static fn (int $i) => $model->glance($base, $light[$i % $count]))];
        $rows[] = ['one more burnish on a cached prefix', Clock::perSecond(static fn (int $i) => $model->glance($base, $firm[$i % $count]))];

        return $rows;
    }
}
