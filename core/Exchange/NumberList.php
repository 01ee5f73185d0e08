<?php

declare(strict_types=1);

namespace Prism\Exchange;

use Prism\Materials\Pencil;

/**
 * Pencils of one range as an artist writes them down: numbers with commas or on lines of their own, stretches of them, and names where one
 * likes, as in "101-124, 130 Rose, 133".
 */
final readonly class NumberList
{
    /** A stretch has no more numbers than this. */
    private const MOST = 1000;

    private const NUMBER = '[A-Za-z0-9][A-Za-z0-9.]{0,11}';

    /** A number or a stretch that is no name. */
    private const ALONE = '[A-Za-z]*\d+(?:[-\x{2013}][A-Za-z]*\d+)?';

    /** @param  list<array{row: int, number: string, name: string, stretch: bool}>  $entries  as they stand; of a stretch each number, whether there is such a pencil or not */
    private function __construct(public array $entries)
    {
    }

    /** @throws TableRefused with all that cannot be read */
    public static function read(string $text): self
    {
        $reader = new RowReader;
        $entries = $row = [];
        foreach (preg_split('/\R/', $text) ?: [] as $at => $line) {
            foreach (preg_split('/[,;]/', $line) ?: [] as $part) {
                $part = trim($part);
                if ($part === '') {
                    continue;
                }
                foreach (self::parts($reader, $at + 1, $part) as [$number, $name, $isStretch]) {
                    if (isset($row[$number])) {
                        $reader->refuse($at + 1, 'number', $part, sprintf('Number %s stands in line %d already; write each once.', $number, $row[$number]));

                        continue;
                    }
                    $row[$number] = $at + 1;
                    $entries[] = ['row' => $at + 1, 'number' => $number, 'name' => $name, 'stretch' => $isStretch];
                }
            }
        }
        $reader->finish();
        if ($entries === []) {
            throw new TableRefused([new RowError(1, 'number', '', 'Write the numbers of your pencils, such as 101-124, 130 Rose, 133.')]);
        }

        return new self($entries);
    }

    /** @return list<array{string, string, bool}> number, name, whether it is of a stretch */
    private static function parts(RowReader $reader, int $row, string $part): array
    {
        // Numbers with nothing but space between them are each one of their own, and no names.
        return preg_match('/^'.self::ALONE.'(\s+'.self::ALONE.')+$/u', $part) === 1
            ? array_merge(...array_map(static fn (string $word): array => self::part($reader, $row, $word), preg_split('/\s+/', $part) ?: []))
            : self::part($reader, $row, $part);
    }

    /** @return list<array{string, string, bool}> */
    private static function part(RowReader $reader, int $row, string $part): array
    {
        if (preg_match('/^([A-Za-z]*)(\d+)\s*(?:-|\x{2013}|to)\s*\1(\d+)$/u', $part, $found) === 1) {
            return self::stretch($reader, $row, $part, $found[1], $found[2], $found[3]);
        }
        if (preg_match('/^('.self::NUMBER.')(?:\s+(.+))?$/u', $part, $found) !== 1 || preg_match('/\d/', $found[1]) !== 1) {
            $reader->refuse($row, 'number', $part, 'Write a number, a stretch such as 101-124, or a number and a name such as 130 Rose.');

            return [];
        }
        $name = trim($found[2] ?? '');
        if (mb_strlen($name) > Pencil::NAME_LETTERS) {
            $reader->refuse($row, 'name', $name, sprintf('Write a name of at most %d letters.', Pencil::NAME_LETTERS));
        }

        return [[$found[1], $name, false]];
    }

    /** @return list<array{string, string, bool}> */
    private static function stretch(RowReader $reader, int $row, string $part, string $letters, string $from, string $to): array
    {
        $count = strlen($from) > 9 || strlen($to) > 9 ? self::MOST + 1 : (int) $to - (int) $from + 1;
        if ($count < 2 || $count > self::MOST) {
            $reader->refuse($row, 'number', $part, $count < 2 ? 'A stretch goes from the smaller number to the larger, such as 101-124.' : sprintf('A stretch has at most %d numbers.', self::MOST));

            return [];
        }
        $numbers = [];
        for ($i = 0; $i < $count; $i++) {
            // With as many zeros before it as the first has.
            $numbers[] = [$letters.str_pad((string) ((int) $from + $i), strlen($from), '0', STR_PAD_LEFT), '', true];
        }

        return $numbers;
    }
}
