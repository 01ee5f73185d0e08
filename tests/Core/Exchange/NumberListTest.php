<?php

declare(strict_types=1);

use Prism\Exchange\NumberList;
use Prism\Exchange\RowError;
use Prism\Exchange\TableRefused;

// Numbers of pencils as they are written down.

it('reads numbers as they stand: stretches, lists, one a line, with names where there are any', function (string $text, array $numbers, array $names = []): void {
    $list = NumberList::read($text);
    expect(array_column($list->entries, 'number'))->toBe($numbers)->and(array_filter(array_column($list->entries, 'name', 'number')))->toBe($names);
})->with([
    'all kinds' => ['101-103, 130 rose, 133', ['101', '102', '103', '130', '133'], ['130' => 'rose']],
    'one a line' => ["7\n12 Deep Harbour Blue\r\n\n 9 ", ['7', '12', '9'], ['12' => 'Deep Harbour Blue']],
    'zeros before' => ['008-011', ['008', '009', '010', '011']],
    'with letters' => ['K8 - K10; B3', ['K8', 'K9', 'K10', 'B3']],
    'a dash of a text' => ['1–3', ['1', '2', '3']],
    'in words' => ['1 to 3', ['1', '2', '3']],
    'spaces alone between them' => ["12 13 101-103\n7", ['12', '13', '101', '102', '103', '7']],
    'no stretch' => ['3 14-day blue', ['3'], ['3' => '14-day blue']],
]);

it('says in which line what cannot be read, and what would be right', function (string $text, int $row, string $right): void {
    $errors = [];
    try {
        NumberList::read($text);
    } catch (TableRefused $refused) {
        $errors = $refused->errors;
    }
    expect(array_map(static fn (RowError $error): array => [$error->row, $error->right], $errors))->toBe([[$row, $right]]);
})->with([
    'nothing' => [" \n, ;", 1, 'Write the numbers of your pencils, such as 101-124, 130 Rose, 133.'],
    'a name alone' => ["101\nrose", 2, 'Write a number, a stretch such as 101-124, or a number and a name such as 130 Rose.'],
    'backwards' => ['124-101', 1, 'A stretch goes from the smaller number to the larger, such as 101-124.'],
    'endless' => ['1-999999', 1, 'A stretch has at most 1000 numbers.'],
    'longer than a number' => ['1-99999999999999999999', 1, 'A stretch has at most 1000 numbers.'],
    'twice' => ["101-103\n102", 2, 'Number 102 stands in line 1 already; write each once.'],
    'a long name' => ['101 '.str_repeat('n', 200), 1, sprintf('Write a name of at most %d letters.', Prism\Materials\Pencil::NAME_LETTERS)],
]);
