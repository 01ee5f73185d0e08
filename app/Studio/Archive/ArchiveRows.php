<?php

declare(strict_types=1);

namespace App\Studio\Archive;

use Illuminate\Support\Carbon;

/** Which columns of which table travel in an archive, and how each is written there: in camel case, JSON as JSON, times as ISO 8601. */
final class ArchiveRows
{
    private const PLAIN = 'plain';

    private const JSON = 'json';

    private const FLAG = 'flag';

    private const TIME = 'time';

    public const PIECE = [
        'title' => self::PLAIN, 'schools' => self::JSON, 'interpretation' => self::JSON, 'crop' => self::JSON, 'width_mm' => self::PLAIN, 'height_mm' => self::PLAIN,
        'unit' => self::PLAIN, 'tone' => self::JSON, 'light_degrees' => self::PLAIN, 'lamp' => self::PLAIN, 'session_minutes' => self::PLAIN, 'palette_size' => self::PLAIN,
        'pinned' => self::JSON, 'banned' => self::JSON, 'palette' => self::JSON, 'value_only' => self::FLAG, 'advised' => self::JSON, 'lines' => self::JSON, 'created_at' => self::TIME,
    ];

    public const REFERENCE = ['name' => self::PLAIN, 'role' => self::PLAIN, 'width' => self::PLAIN, 'height' => self::PLAIN, 'balance' => self::JSON, 'pairs' => self::JSON];

    public const ZONE = [
        'name' => self::PLAIN, 'x' => self::PLAIN, 'y' => self::PLAIN, 'radius' => self::PLAIN, 'label' => self::PLAIN, 'share' => self::PLAIN, 'outline' => self::PLAIN,
        'estimates' => self::JSON, 'corrections' => self::JSON, 'named' => self::FLAG, 'fits' => self::FLAG, 'outside' => self::FLAG, 'schools' => self::JSON,
        'interpretation' => self::JSON, 'ground' => self::JSON, 'colouring' => self::JSON,
    ];

    public const TARGET = [
        'role' => self::PLAIN, 'L' => self::PLAIN, 'a' => self::PLAIN, 'b' => self::PLAIN, 'spread' => self::PLAIN, 'share' => self::PLAIN, 'x' => self::PLAIN, 'y' => self::PLAIN,
        'line_width' => self::PLAIN, 'edge_width' => self::PLAIN, 'edited' => self::FLAG,
    ];

    public const RECIPE = ['stack' => self::PLAIN, 'by_hand' => self::FLAG];

    public const ENTRY = [
        'mark' => self::PLAIN, 'kind' => self::PLAIN, 'turn' => self::PLAIN, 'before' => self::JSON, 'note' => self::PLAIN, 'undone' => self::FLAG, 'made_at' => self::TIME,
        'laid_mm2' => self::PLAIN, 'minutes' => self::PLAIN, 'did' => self::JSON, 'recipe_before' => self::JSON, 'zone' => self::PLAIN, 'photo_width' => self::PLAIN, 'photo_height' => self::PLAIN,
    ];

    public const STEP = ['step_key' => self::PLAIN, 'state' => self::PLAIN, 'laid' => self::PLAIN, 'mm2' => self::PLAIN];

    public const PAPER = [
        'slug' => self::PLAIN, 'name' => self::PLAIN, 'kind' => self::PLAIN, 'L' => self::PLAIN, 'a' => self::PLAIN, 'b' => self::PLAIN, 'roughness' => self::PLAIN,
        'capacity' => self::PLAIN, 'adhesion' => self::PLAIN, 'width_mm' => self::PLAIN, 'height_mm' => self::PLAIN,
    ];

    public const RANGE = ['code' => self::PLAIN, 'maker' => self::PLAIN, 'name' => self::PLAIN];

    public const PENCIL = [
        'number' => self::PLAIN, 'name' => self::PLAIN, 'aliases' => self::JSON, 'binder' => self::PLAIN, 'opacity' => self::PLAIN, 'core' => self::PLAIN, 'stains' => self::FLAG,
        'lightfastness' => self::PLAIN, 'bands' => self::JSON, 'status' => self::PLAIN, 'replaced_by' => self::PLAIN, 'spectrum' => self::JSON, 'L' => self::PLAIN, 'a' => self::PLAIN, 'b' => self::PLAIN,
    ];

    public const STUDIO = ['schools' => self::JSON, 'hand' => self::PLAIN, 'lamp' => self::PLAIN, 'unit' => self::PLAIN, 'session_minutes' => self::PLAIN];

    public const IN_BOX = ['favourite' => self::FLAG, 'spare' => self::PLAIN, 'length_mm' => self::PLAIN, 'measured_at' => self::TIME];

    public const SWATCH = [
        'stack' => self::PLAIN, 'L' => self::PLAIN, 'a' => self::PLAIN, 'b' => self::PLAIN, 'source' => self::PLAIN, 'note' => self::PLAIN, 'drawn_on' => self::PLAIN,
        'spread' => self::PLAIN, 'technique' => self::PLAIN, 'created_at' => self::TIME,
    ];

    public const CHART = ['title' => self::PLAIN, 'kind' => self::PLAIN, 'page' => self::PLAIN, 'stacks' => self::JSON, 'created_at' => self::TIME];

    public const CALIBRATION = ['number' => self::PLAIN, 'swatch_count' => self::PLAIN, 'before' => self::PLAIN, 'after' => self::PLAIN, 'fit' => self::JSON, 'weight' => self::PLAIN, 'created_at' => self::TIME];

    public const KEPT = [
        'zone_name' => self::PLAIN, 'name' => self::PLAIN, 'purpose' => self::PLAIN, 'tags' => self::JSON, 'note' => self::PLAIN, 'stack' => self::PLAIN, 'L' => self::PLAIN,
        'a' => self::PLAIN, 'b' => self::PLAIN, 'ladder' => self::PLAIN, 'rung' => self::PLAIN, 'created_at' => self::TIME,
    ];

    public const ROUND = [
        'kind' => self::PLAIN, 'level' => self::PLAIN, 'questions' => self::JSON, 'answers' => self::JSON, 'right' => self::PLAIN, 'done_at' => self::TIME, 'created_at' => self::TIME,
    ];

    /**
     * As it stands in an archive.
     *
     * @param  object  $row  of the table, as the database has it
     * @param  array<string, string>  $columns  one of the lists above
     * @return array<string, mixed>
     */
    public static function out(object $row, array $columns): array
    {
        $told = [];
        $values = (array) $row;
        foreach ($columns as $column => $as) {
            $value = $values[$column] ?? null;
            $told[self::key($column)] = $value === null ? null : match ($as) {
                self::JSON => json_decode((string) $value, true, flags: JSON_THROW_ON_ERROR),
                self::FLAG => (bool) $value,
                self::TIME => Carbon::parse((string) $value, 'UTC')->format('Y-m-d\TH:i:s.v\Z'),
                default => $value,
            };
        }

        return $told;
    }

    /**
     * As the database has it; what an archive does not tell is left to the table.
     *
     * @param  array<string, mixed>  $told
     * @param  array<string, string>  $columns
     * @return array<string, mixed>
     */
    public static function in(array $told, array $columns): array
    {
        $row = [];
        foreach ($columns as $column => $as) {
            if (! array_key_exists(self::key($column), $told)) {
                continue;
            }
            $value = $told[self::key($column)];
            $row[$column] = $value === null ? null : match ($as) {
                self::JSON => json_encode($value, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION),
                self::TIME => Carbon::parse((string) $value)->utc()->format('Y-m-d H:i:s.v'),
                default => $value,
            };
        }

        return $row;
    }

    /** L, a and b stay as they are. */
    private static function key(string $column): string
    {
        return (string) preg_replace_callback('/_([a-z])/', static fn (array $found): string => strtoupper($found[1]), $column);
    }
}
