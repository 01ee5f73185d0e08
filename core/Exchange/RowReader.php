<?php

declare(strict_types=1);

namespace Prism\Exchange;

use Prism\Colour\InvalidColour;
use Prism\Colour\Lab;
use Prism\Colour\Observer;
use Prism\Colour\Spectrum;

/** Reads typed cells of one table and gathers what is wrong with them, so that all of it is said at once. */
final class RowReader
{
    /** @var list<RowError> */
    private array $errors = [];

    public function refuse(int $row, string $column, string $value, string $right): void
    {
        $this->errors[] = new RowError($row, $column, $value, $right);
    }

    /** @param  array<string, string>  $cells */
    public function number(int $row, array $cells, string $column): ?float
    {
        $value = $cells[$column] ?? '';
        if (! is_numeric($value) || ! is_finite((float) $value)) {
            $this->refuse($row, $column, $value, 'Write a number, such as 52.5.');

            return null;
        }

        return (float) $value;
    }

    /**
     * Lab from the columns L, a, b.
     *
     * @param  array<string, string>  $cells
     */
    public function lab(int $row, array $cells): ?Lab
    {
        $L = $this->number($row, $cells, 'L');
        $a = $this->number($row, $cells, 'a');
        $b = $this->number($row, $cells, 'b');
        if ($L === null || $a === null || $b === null) {
            return null;
        }
        try {
            return Lab::of($L, $a, $b);
        } catch (InvalidColour $refusal) {
            $this->refuse($row, 'L,a,b', "$L $a $b", $refusal->getMessage());

            return null;
        }
    }

    /**
     * @param  array<string, string>  $cells
     */
    public function spectrum(int $row, array $cells): ?Spectrum
    {
        $samples = [];
        foreach (self::spectrumColumns() as $column) {
            $value = $this->number($row, $cells, $column);
            if ($value === null) {
                return null;
            }
            $samples[] = $value;
        }
        try {
            return Spectrum::of($samples);
        } catch (InvalidColour $refusal) {
            $this->refuse($row, 'R380...R730', '', $refusal->getMessage());

            return null;
        }
    }

    /** @return list<string> R380 to R730 */
    public static function spectrumColumns(): array
    {
        $columns = [];
        for ($i = 0; $i < Observer::SAMPLES; $i++) {
            $columns[] = 'R'.(Observer::FIRST_NM + $i * Observer::STEP_NM);
        }

        return $columns;
    }

    /** @throws TableRefused if anything was refused */
    public function finish(): void
    {
        if ($this->errors !== []) {
            throw new TableRefused($this->errors);
        }
    }
}
