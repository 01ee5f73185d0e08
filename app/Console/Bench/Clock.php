<?php

declare(strict_types=1);

namespace App\Console\Bench;

use Closure;

/** Times and quantiles of measurements. */
final class Clock
{
    private const WARM_UP = 3000;

    private const MEASURED_SECONDS = 0.7;

    /** @param  Closure(int): mixed  $work */
    public static function perSecond(Closure $work): string
    {
        for ($i = 0; $i < self::WARM_UP; $i++) {
            $work($i);
        }
        $started = hrtime(true);
        for ($i = 0; hrtime(true) - $started < self::MEASURED_SECONDS * 1e9; $i++) {
            $work($i);
        }

        return number_format($i / ((hrtime(true) - $started) / 1e9));
    }

    /**
     * @template T
     *
     * @param  Closure(): T  $work
     * @return array{T, float} what it gives, and milliseconds
     */
    public static function milliseconds(Closure $work): array
    {
        $started = hrtime(true);
        $given = $work();

        return [$given, (hrtime(true) - $started) / 1e6];
    }

    /** @param  list<float>  $values */
    public static function quantile(array $values, float $share): float
    {
        sort($values);

        return $values === [] ? NAN : $values[(int) min(count($values) - 1, floor($share * count($values)))];
    }

    /** @param  list<float>  $values */
    public static function mean(array $values): float
    {
        return $values === [] ? NAN : array_sum($values) / count($values);
    }
}
