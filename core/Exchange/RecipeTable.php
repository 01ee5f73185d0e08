<?php

declare(strict_types=1);

namespace Prism\Exchange;

use Prism\Colour\Lab;
use Prism\Layering\NotationError;
use Prism\Layering\Stack;
use Prism\Materials\Kit;

/** The recipes table: name,paper,steps in stack notation, and optionally purpose, tags with | between, note; L,a,b are written and not read. */
final class RecipeTable
{
    public const NAME_LETTERS = 80;

    public const MOST_TAGS = 12;

    public const TAG_LETTERS = 30;

    /** @param  iterable<array{entry: RecipeEntry, colour: Lab}>  $recipes */
    public static function write(iterable $recipes): string
    {
        $rows = [];
        foreach ($recipes as ['entry' => $entry, 'colour' => $colour]) {
            $rows[] = [$entry->name, $entry->paper, (string) $entry->stack, $entry->purpose, implode('|', $entry->tags), $entry->note, round($colour->L, 2), round($colour->a, 2), round($colour->b, 2)];
        }

        return Csv::write(['name', 'paper', 'steps', 'purpose', 'tags', 'note', 'L', 'a', 'b'], $rows);
    }

    /**
     * @param  Kit  $kit  pencils that are known
     * @param  list<string>  $papers  that are known
     * @return array<int, RecipeEntry> by row
     *
     * @throws TableRefused with every bad row
     */
    public static function read(string $text, Kit $kit, array $papers): array
    {
        $csv = Csv::parse($text, ['name', 'paper', 'steps']);
        $reader = new RowReader;
        $entries = [];
        foreach ($csv->rows as $row => $cells) {
            if ($cells['name'] === '' || mb_strlen($cells['name']) > self::NAME_LETTERS) {
                $reader->refuse($row, 'name', $cells['name'], sprintf('Write a name of at most %d letters.', self::NAME_LETTERS));
            }
            if (! in_array($cells['paper'], $papers, true)) {
                $reader->refuse($row, 'paper', $cells['paper'], sprintf('There is no such paper here; write %s.', implode(', ', $papers)));
            }
            $stack = self::stack($reader, $row, $cells['steps'], $kit);
            $tags = array_values(array_unique(array_filter(array_map(trim(...), explode('|', $cells['tags'] ?? '')), static fn (string $tag): bool => $tag !== '')));
            if (count($tags) > self::MOST_TAGS || max([0, ...array_map(mb_strlen(...), $tags)]) > self::TAG_LETTERS) {
                $reader->refuse($row, 'tags', $cells['tags'] ?? '', sprintf('Write at most %d tags of at most %d letters, with | between.', self::MOST_TAGS, self::TAG_LETTERS));
            }
            if ($stack !== null) {
                $entries[$row] = new RecipeEntry($cells['name'], $cells['paper'], $stack, mb_substr($cells['purpose'] ?? '', 0, 120), $tags, $cells['note'] ?? '');
            }
        }
        $reader->finish();

        return $entries;
    }

    private static function stack(RowReader $reader, int $row, string $steps, Kit $kit): ?Stack
    {
        try {
            $stack = Stack::parse($steps);
        } catch (NotationError $error) {
            $reader->refuse($row, 'steps', $steps, $error->getMessage());

            return null;
        }
        $unknown = array_filter($stack->pencils(), static fn ($pencil): bool => ! $kit->has($pencil));
        if ($unknown !== [] || count($stack) === 0) {
            $reader->refuse($row, 'steps', $steps, $unknown === [] ? 'A recipe has at least one layer, such as QW:5892@50.' : sprintf('There is no pencil %s in your ranges. Take in its range first.', implode(', ', array_map(strval(...), $unknown))));

            return null;
        }

        return $stack;
    }
}
