<?php

declare(strict_types=1);

use App\Models\User;
use App\Studio\LongWork\SideBySide;

it('does two halves at the same time, and gives both', function (): void {
    $half = static fn (string $name): Closure => static function () use ($name): array {
        usleep(300_000);

        return [$name, "\0".$name];
    };
    $before = hrtime(true);
    expect(SideBySide::both($half('one'), $half('other')))->toBe([['one', "\0one"], ['other', "\0other"]])
        ->and((hrtime(true) - $before) / 1e9)->toBeLessThan(0.55)
        // The connection of this process is still its own.
        ->and(User::query()->count())->toBe(0);
});

it('hears of what goes wrong in either half, and leaves nothing behind', function (): void {
    $files = static fn (): int => count(glob(sys_get_temp_dir().'/prism??????') ?: []);
    $before = $files();
    $wrong = static fn (): array => throw new DomainException('This half went wrong.');
    $right = static fn (): array => ['right'];
    expect(fn () => SideBySide::both($wrong, $right))->toThrow(DomainException::class)
        ->and(fn () => SideBySide::both($right, $wrong))->toThrow(DomainException::class)
        ->and($files())->toBe($before)
        ->and(pcntl_waitpid(-1, $status, WNOHANG))->toBe(-1);
});
