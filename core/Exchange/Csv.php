<?php

declare(strict_types=1);

namespace Prism\Exchange;

/**
 * A CSV table with a header row: RFC 4180, UTF-8 with or without byte order mark, comma or semicolon.
 */
final readonly class Csv
{
    /**
     * @param  list<string>  $columns
     * @param  array<int, array<string, string>>  $rows  by row number; the header is row 1
     */
    private function __construct(public array $columns, public array $rows)
    {
    }

    /**
     * @param  list<string>  $required  columns that must be there
     * @param  array<string, list<string>>  $called  what else columns may be called, in small letters, by their name here
     * @param  ColumnChoice  $choice  what is said of columns beside that
     *
     * @throws TableRefused if the text is not such a table, a required column is missing or a row is too long
     */
    public static function parse(string $text, array $required, array $called = [], ColumnChoice $choice = new ColumnChoice): self
    {
        if (str_starts_with($text, "\xEF\xBB\xBF")) {
            $text = substr($text, 3);
        }
        if (! mb_check_encoding($text, 'UTF-8')) {
            throw new TableRefused([new RowError(1, '-', '', 'The text is not UTF-8; save the table as UTF-8.')]);
        }
        $firstLine = strtok($text, "\r\n");
        if ($firstLine === false) {
            throw new TableRefused([new RowError(1, '-', '', 'The table is empty; it needs a header row: '.implode(',', $required).'.')]);
        }
        $separator = self::separator($firstLine);

        $stream = fopen('php://temp', 'r+b');
        if ($stream === false) {
            throw new \RuntimeException('No memory for the table.');
        }
        fwrite($stream, $text);
        rewind($stream);
        $header = array_map(trim(...), array_map(strval(...), fgetcsv($stream, null, $separator, '"', '') ?: []));
        $header = self::named($header, $called, $choice->means);
        $lacks = array_diff_key($choice->all, array_flip($header));
        self::checkHeader([...$header, ...array_keys($lacks)], $required);

        $rows = [];
        $errors = [];
        for ($number = 2; ($cells = fgetcsv($stream, null, $separator, '"', '')) !== false; $number++) {
            if ($cells === [null]) {
                continue;
            }
            if (count($cells) > count($header)) {
                $errors[] = new RowError($number, '-', implode($separator, $cells), sprintf('The row has %d cells, the header %d.', count($cells), count($header)));

                continue;
            }
            $cells = array_pad($cells, count($header), '');
            $rows[$number] = [...array_combine($header, array_map(static fn (?string $cell): string => self::plain(trim((string) $cell)), $cells)), ...$lacks];
        }
        fclose($stream);
        if ($errors !== []) {
            throw new TableRefused($errors);
        }

        return new self($header, $rows);
    }

    /**
     * The header as it stands, before anything is read into it.
     *
     * @return list<string>
     */
    public static function header(string $text): array
    {
        $firstLine = (string) strtok(str_starts_with($text, "\xEF\xBB\xBF") ? substr($text, 3) : $text, "\r\n");

        return array_map(trim(...), array_map(strval(...), str_getcsv($firstLine, self::separator($firstLine), '"', '')));
    }

    private static function separator(string $firstLine): string
    {
        return substr_count($firstLine, ';') > substr_count($firstLine, ',') ? ';' : ',';
    }

    public function has(string ...$columns): bool
    {
        return array_diff($columns, $this->columns) === [];
    }

    /**
     * @param  list<string>  $columns
     * @param  iterable<list<string|int|float>>  $rows
     */
    public static function write(array $columns, iterable $rows): string
    {
        $stream = fopen('php://temp', 'r+b');
        if ($stream === false) {
            throw new \RuntimeException('No memory for the table.');
        }
        fputcsv($stream, $columns, ',', '"', '', "\r\n");
        foreach ($rows as $row) {
            fputcsv($stream, array_map(self::guarded(...), $row), ',', '"', '', "\r\n");
        }
        rewind($stream);
        $text = (string) stream_get_contents($stream);
        fclose($stream);

        return $text;
    }

    /** A text that a spreadsheet would reckon with, after an apostrophe: as text it is only shown. Numbers are numbers. */
    private static function guarded(string|int|float $cell): string|int|float
    {
        return is_string($cell) && ! is_numeric($cell) && preg_match("/^'*[=+\\-@\t\r]/", $cell) === 1 ? "'$cell" : $cell;
    }

    /** As it was before it was guarded. */
    private static function plain(string $cell): string
    {
        return preg_match("/^''*[=+\\-@\t\r]/", $cell) === 1 ? substr($cell, 1) : $cell;
    }

    /**
     * The header by our names, where a column has none of them and is called something that means one.
     *
     * @param  list<string>  $header
     * @param  array<string, list<string>>  $called
     * @param  array<string, string>  $means  by header, where somebody says what it is
     * @return list<string>
     */
    public static function named(array $header, array $called, array $means = []): array
    {
        $ours = [];
        foreach ($called as $name => $others) {
            foreach ([mb_strtolower($name), ...$others] as $other) {
                $ours[$other] ??= $name;
            }
        }

        // A name of ours that is there keeps its place.
        return array_map(static function (string $column) use ($header, $called, $ours, $means): string {
            if (isset($means[$column])) {
                // One that means nothing keeps a name that is nobody's.
                return $means[$column] !== '' ? $means[$column] : (isset($ours[mb_strtolower($column)]) ? "($column)" : $column);
            }
            // Who is said to be of that name is it alone.
            $name = $ours[mb_strtolower($column)] ?? $column;

            return in_array($name, $means, true) ? "($column)" : (isset($called[$column]) || ($name !== $column && in_array($name, $header, true)) ? $column : $name);
        }, $header);
    }

    /**
     * @param  list<string>  $header
     * @param  list<string>  $required
     */
    private static function checkHeader(array $header, array $required): void
    {
        $errors = [];
        foreach (array_diff($required, $header) as $missing) {
            $errors[] = new RowError(1, $missing, implode(',', $header), 'This column is missing; the header needs '.implode(',', $required).'.');
        }
        foreach (array_filter(array_count_values($header), static fn (int $count): bool => $count > 1) as $twice => $count) {
            $errors[] = new RowError(1, (string) $twice, (string) $twice, 'This column is there twice.');
        }
        if ($errors !== []) {
            throw new TableRefused($errors);
        }
    }
}
