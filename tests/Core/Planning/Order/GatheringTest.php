<?php

declare(strict_types=1);

namespace Tests\Core\Planning\Order;

use Prism\Planning\Order\Gathering;
use Prism\Planning\Order\Precedence;

/** Steps are numbered; those with the same remainder by ten are of one tool. */
function gathered(array $turns, array $rules): array
{
    $steps = array_merge(...$turns);

    return Gathering::of(
        $turns,
        array_map(static fn (array $rule): Precedence => new Precedence($rule[0], $rule[1], ''), $rules),
        static fn (array $turn, int $step): bool => $step % 10 === $turn[0] % 10,
        array_combine($steps, array_map(static fn (int $step): array => [$step], $steps)),
    );
}

it('takes a tool up once where nothing has to be laid between, and lets others make room', function (): void {
    expect(gathered([[1], [2], [11]], []))->toBe([[1, 11], [2]])
        // Neither of the two can move alone: 2 waits for the first, the second waits for 3.
        ->and(gathered([[1], [2], [3], [11]], [[1, 2], [3, 11]]))->toBe([[3], [1, 11], [2]]);
});

it('takes a tool up again where something has to be laid between', function (): void {
    expect(gathered([[1], [2], [11]], [[1, 2], [2, 11]]))->toBe([[1], [2], [11]])
        ->and(gathered([[1], [2], [3], [11]], [[1, 2], [2, 3], [3, 11]]))->toBe([[1], [2], [3], [11]]);
});

it('dissolves a turn whose steps can each go to another', function (): void {
    // 11 must come before 2 and 21 after 3: together they stand in the way, apart they do not.
    expect(gathered([[1, 4], [11, 21], [2], [3], [31]], [[1, 11], [11, 2], [2, 3], [3, 31], [4, 21]]))->toHaveCount(4);
});

it('keeps in one turn the order of what must come before', function (): void {
    expect(gathered([[12], [3], [2]], [[12, 2]]))->toBe([[12, 2], [3]]);
});
