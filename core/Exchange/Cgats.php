<?php

declare(strict_types=1);

namespace Prism\Exchange;

use Prism\Calibration\Swatch;
use Prism\Colour\InvalidColour;
use Prism\Colour\Lab;
use Prism\Colour\Observer;
use Prism\Colour\Spectrum;
use Prism\Layering\NotationError;
use Prism\Layering\Stack;
use Prism\Materials\Kit;

/**
 * Measurements as CGATS.17 text (ANSI CGATS.17): Lab, or reflectance factors by wavelength; SAMPLE_NAME holds the stack, or
 * RANGE:NUMBER for a heavy coat.
 */
final class Cgats
{
    private const MARK = 'CGATS.17';

    /** Names under which instruments write a reflectance: SPECTRAL_NM_380, SPECTRAL_380, NM380, R380. */
    private const WAVELENGTH = '/^(?:SPECTRAL_?|SPEC_?)?(?:NM_?|R_?)?([3-7]\d0)$/i';

    /** @param  iterable<Swatch>  $swatches */
    public static function write(iterable $swatches): string
    {
        $rows = [];
        foreach ($swatches as $swatch) {
            $rows[] = sprintf('%s "%s" %.3f %.3f %.3f', $swatch->id, $swatch->stack, $swatch->colour->L, $swatch->colour->a, $swatch->colour->b);
        }

        return implode("\n", [
            self::MARK, 'ORIGINATOR "Knotty Prism"', 'INSTRUMENTATION "D50, 2 degree, 45/0"', 'NUMBER_OF_FIELDS 5',
            'BEGIN_DATA_FORMAT', 'SAMPLE_ID SAMPLE_NAME LAB_L LAB_A LAB_B', 'END_DATA_FORMAT',
            'NUMBER_OF_SETS '.count($rows), 'BEGIN_DATA', ...$rows, 'END_DATA',
        ])."\n";
    }

    /**
     * @param  string  $paper  on which all of them were laid
     * @return list<Swatch>
     *
     * @throws TableRefused with every bad row; rows are lines of the text
     */
    public static function read(string $text, string $paper, Kit $kit): array
    {
        $lines = preg_split('/\R/', $text) ?: [];
        $fields = self::fields($lines);
        $reader = new RowReader;
        $swatches = [];
        $within = false;
        foreach ($lines as $at => $line) {
            $word = trim($line);
            if ($word === 'BEGIN_DATA' || $word === 'END_DATA') {
                $within = $word === 'BEGIN_DATA';

                continue;
            }
            if (! $within || $word === '') {
                continue;
            }
            $cells = str_getcsv((string) preg_replace('/[ \t]+/', ' ', $word), ' ', '"', '');
            if (count($cells) !== count($fields)) {
                $reader->refuse($at + 1, '-', $word, sprintf('The row has %d values, the format names %d.', count($cells), count($fields)));

                continue;
            }
            $cells = array_combine($fields, array_map(strval(...), $cells));
            $stack = self::stack($reader, $at + 1, $cells['SAMPLE_NAME'], $kit);
            $colour = isset($cells['LAB_L'])
                ? $reader->lab($at + 1, ['L' => $cells['LAB_L'], 'a' => $cells['LAB_A'] ?? '', 'b' => $cells['LAB_B'] ?? ''])
                : self::spectrum($reader, $at + 1, $cells)?->toLab();
            if ($stack !== null && $colour instanceof Lab) {
                $swatches[] = new Swatch($cells['SAMPLE_ID'] ?? (string) (count($swatches) + 1), $paper, $stack, $colour);
            }
        }
        $reader->finish();
        if ($swatches === []) {
            throw new TableRefused([new RowError(1, '-', '', 'There is no measurement between BEGIN_DATA and END_DATA.')]);
        }

        return $swatches;
    }

    /**
     * @param  list<string>  $lines
     * @return list<string>
     */
    private static function fields(array $lines): array
    {
        $text = implode("\n", $lines);
        if (preg_match('/BEGIN_DATA_FORMAT\s+(.*?)\s+END_DATA_FORMAT/s', $text, $found) !== 1) {
            throw new TableRefused([new RowError(1, '-', mb_strimwidth($lines[0] ?? '', 0, 40), 'This is not CGATS text; it needs BEGIN_DATA_FORMAT and the names of its fields.')]);
        }
        $fields = array_map(strtoupper(...), preg_split('/\s+/', $found[1]) ?: []);
        $spectral = preg_grep(self::WAVELENGTH, $fields) ?: [];
        if (! in_array('SAMPLE_NAME', $fields, true) || (! in_array('LAB_L', $fields, true) && count($spectral) < 10)) {
            throw new TableRefused([new RowError(1, 'BEGIN_DATA_FORMAT', implode(' ', $fields), 'The format needs SAMPLE_NAME with the stack, and LAB_L LAB_A LAB_B or a spectrum.')]);
        }

        return $fields;
    }

    private static function stack(RowReader $reader, int $row, string $name, Kit $kit): ?Stack
    {
        try {
            $stack = Stack::parse(preg_match('/^[A-Za-z]\w*:[\w.\-]+\z/', $name) === 1 ? $name.'@90x2' : $name);
        } catch (NotationError $refusal) {
            $reader->refuse($row, 'SAMPLE_NAME', $name, $refusal->getMessage());

            return null;
        }
        foreach ($stack->pencils() as $pencil) {
            if (! $kit->has($pencil)) {
                $reader->refuse($row, 'SAMPLE_NAME', $name, sprintf('There is no pencil %s in your ranges.', $pencil));

                return null;
            }
        }

        return $stack;
    }

    /**
     * Where the instrument measures less far than 380 to 730 nm, its ends are carried on.
     *
     * @param  array<string, string>  $cells
     */
    private static function spectrum(RowReader $reader, int $row, array $cells): ?Spectrum
    {
        $known = [];
        foreach ($cells as $field => $value) {
            if (preg_match(self::WAVELENGTH, $field, $found) === 1) {
                $number = $reader->number($row, $cells, $field);
                if ($number === null) {
                    return null;
                }
                $known[(int) $found[1]] = $number;
            }
        }
        ksort($known);
        $samples = [];
        for ($i = 0; $i < Observer::SAMPLES; $i++) {
            $nm = Observer::FIRST_NM + $i * Observer::STEP_NM;
            $samples[] = $known[$nm] ?? self::between($known, $nm);
        }
        try {
            return Spectrum::of($samples);
        } catch (InvalidColour $refusal) {
            $reader->refuse($row, 'spectrum', '', $refusal->getMessage());

            return null;
        }
    }

    /** @param  array<int, float>  $known */
    private static function between(array $known, int $nm): float
    {
        $below = $above = null;
        foreach ($known as $at => $value) {
            if ($at < $nm) {
                $below = [$at, $value];
            } elseif ($above === null) {
                $above = [$at, $value];
            }
        }
        if ($below === null || $above === null) {
            return ($below ?? $above ?? [0, 0.0])[1];
        }

        return $below[1] + ($nm - $below[0]) / ($above[0] - $below[0]) * ($above[1] - $below[1]);
    }
}
