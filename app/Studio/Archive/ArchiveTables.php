<?php

declare(strict_types=1);

namespace App\Studio\Archive;

use Prism\Exchange\Csv;
use Prism\Planning\Order\Place;
use Prism\Planning\Order\Plan;
use Prism\Planning\Order\Turn;

/** The tables of a piece's archive: they are read by people and their programs, and nothing is taken in from them. */
final class ArchiveTables
{
    /**
     * @param  list<array<string, mixed>>  $zones  as they stand in the archive
     * @param  list<array<string, mixed>>  $log
     * @return array<string, string> CSV, by name
     */
    public static function of(array $zones, array $log, ?Plan $plan): array
    {
        $recipes = $entries = [];
        foreach ($zones as $zone) {
            foreach ($zone['targets'] as $target) {
                $recipes[] = [$zone['name'], $target['role'], round($target['L'], 2), round($target['a'], 2), round($target['b'], 2), $target['recipe']['stack'] ?? ''];
            }
        }
        foreach ($log as $entry) {
            $did = $entry['did'] ?? [];
            $entries[] = [$entry['madeAt'], $entry['kind'], $entry['turn'] ?? '', $did['planned'] ?? '', $did['laid'] ?? '', implode(', ', $did['places'] ?? []), $entry['note'] ?? '', $entry['undone'] ? 'taken back' : ''];
        }
        $tables = [
            'recipes' => Csv::write(['zone', 'role', 'L', 'a', 'b', 'steps'], $recipes),
            'log' => Csv::write(['made_at', 'kind', 'turn', 'planned', 'laid', 'places', 'note', 'state'], $entries),
        ];
        if ($plan !== null) {
            $tables['order'] = Csv::write(['turn', 'stage', 'pencil', 'pressure', 'places', 'why', 'minutes', 'session'], array_map(self::turn(...), $plan->turns));
            $tables['pencils'] = Csv::write(['pencil', 'name', 'layers', 'zones', 'share'], array_map(static fn (array $pull): array => [(string) $pull['pencil']->id, $pull['pencil']->name, $pull['layers'], $pull['zones'], round($pull['share'], 4)], $plan->pullList));
        }

        return $tables;
    }

    /** @return list<string|int|float> */
    private static function turn(Turn $turn): array
    {
        $places = array_map(static fn (Place $place): string => sprintf('%s, %s: %d', $place->name, $place->words(), $place->coats), $turn->places);

        return [$turn->number, $turn->stage->value, (string) $turn->pencil, $turn->pressurePercent ?? '', implode('; ', $places), $turn->why, round($turn->minutes, 1), $turn->session];
    }
}
