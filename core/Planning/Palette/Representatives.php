<?php

declare(strict_types=1);

namespace Prism\Planning\Palette;

use Prism\Colour\Lab;

/** A few of many colours, chosen so that every other lies near one of them (farthest point first, Gonzalez 1985). */
final class Representatives
{
    /**
     * @param  array<string, Lab>  $colours
     * @param  list<string>  $kept  always among them, first
     * @return list<string> keys, at most $most beside those kept
     */
    public static function of(array $colours, int $most, array $kept = []): array
    {
        $distance = array_fill_keys(array_map(strval(...), array_keys($colours)), INF);
        $chosen = [];
        $take = static function (string $key) use (&$distance, &$chosen, $colours): void {
            $chosen[] = $key;
            $at = $colours[$key];
            foreach ($distance as $other => $had) {
                $lab = $colours[$other];
                $far = ($lab->L - $at->L) ** 2 + ($lab->a - $at->a) ** 2 + ($lab->b - $at->b) ** 2;
                if ($far < $had) {
                    $distance[$other] = $far;
                }
            }
        };
        foreach (array_intersect($kept, array_keys($distance)) as $key) {
            $take($key);
        }
        $wanted = count($chosen) + $most;
        while ($distance !== [] && count($chosen) < $wanted) {
            $farthest = (string) array_search(max($distance), $distance, true);
            if ($distance[$farthest] <= 0.0) {
                break;
            }
            $take($farthest);
        }

        return $chosen;
    }
}
