<?php

declare(strict_types=1);

use Prism\Colour\Lab;
use Prism\Exchange\RowError;
use Prism\Exchange\RowReader;
use Prism\Exchange\TableRefused;

/** @return list<string> what a reader says when it is done */
function said(RowReader $reader): array
{
    try {
        $reader->finish();
    } catch (TableRefused $refusal) {
        return array_map(static fn (RowError $error): string => (string) $error, $refusal->errors);
    }

    return [];
}

it('reads numbers, and says what is none', function (string $written, ?float $read): void {
    $reader = new RowReader;
    expect($reader->number(4, ['share' => $written], 'share'))->toBe($read)
        ->and(said($reader))->toBe($read === null ? ["Row 4, column share: \"$written\". Write a number, such as 52.5."] : []);
})->with([['52.5', 52.5], ['-3', -3.0], ['1e2', 100.0], ['', null], ['12,5', null], ['about 5', null], ['1e999', null]]);

it('misses a column that is not there', function (): void {
    $reader = new RowReader;
    expect($reader->number(2, [], 'L'))->toBeNull()->and(said($reader))->toHaveCount(1);
});

it('reads a colour, and refuses one that cannot be', function (): void {
    $reader = new RowReader;
    expect($reader->lab(2, ['L' => '52', 'a' => '-10.5', 'b' => '8']))->toEqual(Lab::of(52, -10.5, 8))->and(said($reader))->toBe([]);
    expect($reader->lab(3, ['L' => '140', 'a' => '0', 'b' => '0']))->toBeNull();
    expect($reader->lab(4, ['L' => '50', 'a' => 'x', 'b' => 'y']))->toBeNull();
    $said = said($reader);
    expect($said)->toHaveCount(3)->and($said[0])->toStartWith('Row 3, column L,a,b: "140 0 0".')
        ->and($said[1])->toStartWith('Row 4, column a: "x".')->and($said[2])->toStartWith('Row 4, column b: "y".');
});

it('reads a spectrum of all its bands, or none', function (): void {
    $columns = RowReader::spectrumColumns();
    expect($columns[0])->toBe('R380')->and(end($columns))->toBe('R730')->and($columns)->toHaveCount(36);
    $reader = new RowReader;
    $cells = array_fill_keys($columns, '0.5');
    expect($reader->spectrum(2, $cells)?->samples())->toBe(array_fill(0, 36, 0.5))->and(said($reader))->toBe([]);
    expect($reader->spectrum(3, ['R450' => 'n/a'] + $cells))->toBeNull();
    expect($reader->spectrum(4, ['R450' => '-2'] + $cells))->toBeNull();
    expect(said($reader))->toHaveCount(2);
});

it('cuts short what somebody pasted by mistake', function (): void {
    $reader = new RowReader;
    $reader->number(9, ['L' => str_repeat('blah ', 100)], 'L');
    expect(strlen(said($reader)[0]))->toBeLessThan(120);
});

it('tells an error in parts too', function (): void {
    expect(json_decode((string) json_encode(new RowError(7, 'number', '12b', 'Digits only.')), true))
        ->toBe(['row' => 7, 'column' => 'number', 'value' => '12b', 'right' => 'Digits only.']);
});
