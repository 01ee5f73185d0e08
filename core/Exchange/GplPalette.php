<?php

declare(strict_types=1);

namespace Prism\Exchange;

use Prism\Colour\Lab;
use Prism\Colour\Srgb;
use Prism\Materials\Binder;
use Prism\Materials\InvalidMaterial;
use Prism\Materials\Pencil;
use Prism\Materials\PencilId;

/** A GPL palette: a text of lines "R G B name", the name being RANGE:NUMBER and the pencil's own. */
final class GplPalette
{
    private const HEADER = 'GIMP Palette';

    /** @param  iterable<Pencil>  $pencils  those without a colour are left out */
    public static function write(string $name, iterable $pencils): string
    {
        $lines = [self::HEADER, 'Name: '.$name, 'Columns: 12', '#'];
        foreach ($pencils as $pencil) {
            if ($pencil->fullCoat !== null) {
                $lines[] = vsprintf('%3d %3d %3d', Srgb::bytes($pencil->fullCoat))."\t".trim($pencil->id.' '.$pencil->name);
            }
        }

        return implode("\n", $lines)."\n";
    }

    /** @param  iterable<array{string, Lab}>  $colours  what each is called, and what it looks like */
    public static function ofColours(string $name, iterable $colours): string
    {
        $lines = [self::HEADER, 'Name: '.$name, 'Columns: 8', '#'];
        foreach ($colours as [$called, $colour]) {
            $lines[] = vsprintf('%3d %3d %3d', Srgb::bytes($colour))."\t".trim((string) preg_replace('/\s+/', ' ', $called));
        }

        return implode("\n", $lines)."\n";
    }

    /**
     * @param  Binder  $binder  of all pencils, since a palette does not say
     * @param  ?\Closure(PencilEntry): ?array{string, string}  $refuses  as in {@see PencilTable::read()}
     * @return array<int, PencilEntry> by line
     *
     * @throws TableRefused with every bad line
     */
    public static function read(string $text, Binder $binder, ?\Closure $refuses = null): array
    {
        $lines = preg_split('/\R/', (string) preg_replace('/^\xEF\xBB\xBF/', '', $text)) ?: [];
        $reader = new RowReader;
        if (trim($lines[0] ?? '') !== self::HEADER) {
            $reader->refuse(1, '-', $lines[0] ?? '', 'A GPL palette begins with the line "'.self::HEADER.'".');
            $reader->finish();
        }
        $entries = $seen = [];
        foreach ($lines as $at => $line) {
            $row = $at + 1;
            if ($at === 0 || preg_match('/^\s*(#|$|(Name|Columns)\s*:)/i', $line) === 1) {
                continue;
            }
            if (preg_match('/^\s*(\d{1,3})\s+(\d{1,3})\s+(\d{1,3})\s+(\S+)\s*(.*)$/u', $line, $found) !== 1) {
                $reader->refuse($row, '-', $line, 'Write red, green and blue from 0 to 255, then RANGE:NUMBER and the name.');

                continue;
            }
            if (max((int) $found[1], (int) $found[2], (int) $found[3]) > 255) {
                $reader->refuse($row, 'R G B', "$found[1] $found[2] $found[3]", 'Red, green and blue go from 0 to 255.');

                continue;
            }
            try {
                $id = PencilId::of($found[4]);
            } catch (InvalidMaterial $refusal) {
                $reader->refuse($row, 'name', $found[4], $refusal->getMessage());

                continue;
            }
            if (isset($seen[(string) $id])) {
                $reader->refuse($row, 'name', $found[4], sprintf('Pencil %s is in the palette already; each may stand there once.', $id));

                continue;
            }
            $seen[(string) $id] = true;
            $entries[$row] = new PencilEntry(new Pencil($id, trim($found[5]), $binder, fullCoat: self::lab($found)));
            $wrong = $refuses === null ? null : $refuses($entries[$row]);
            if ($wrong !== null) {
                $reader->refuse($row, $wrong[0], $found[4], $wrong[1]);
            }
        }
        $reader->finish();

        return $entries;
    }

    /** @param  array<int, string>  $found */
    private static function lab(array $found): Lab
    {
        return Srgb::toLab((int) $found[1], (int) $found[2], (int) $found[3]);
    }
}
