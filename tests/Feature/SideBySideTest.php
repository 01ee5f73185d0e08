<?php

declare(strict_types=1);

use App\Models\User;
use App\Studio\LongWork\SideBySide;
use App\Studio\Photos\KeptFiles;
use Illuminate\Support\Facades\File;

it('does many parts two at a time, and gives all in their order', function (): void {
    $slow = static function (int $i): string {
        $began = hrtime(true);
        usleep(30_000);

        return implode("\0", ["part $i", getmypid(), $began, hrtime(true)]);
    };
    $told = [];
    $done = array_map(static fn (string $part): array => explode("\0", $part), (new SideBySide)->each(21, $slow, static function (float $share) use (&$told): void {
        $told[] = $share;
    }));
    // While one process was at a part the other was at another, for most of them.
    $beside = array_filter($done, static fn (array $one): bool => array_filter($done, static fn (array $other): bool => $other[1] !== $one[1] && (int) $other[2] < (int) $one[3] && (int) $one[2] < (int) $other[3]) !== []);
    expect(count($beside))->toBeGreaterThan(11)
        ->and(array_unique(array_column($done, 1)))->toHaveCount(2)
        ->and(array_column($done, 0))->toBe(array_map(static fn (int $i): string => "part $i", range(0, 20)))
        ->and(count($told))->toBeGreaterThan(7)->toBeLessThan(15)->and($told)->toBe(array_values(array_unique($told)))->and(max($told))->toBeLessThan(1.0)
        // The connection of this process is still its own.
        ->and(User::query()->count())->toBe(0);
});

it('leaves more to whoever has the lighter parts', function (): void {
    $here = getmypid();
    // This process is slow: the copy takes what it does not come to.
    $slowHere = static function () use ($here): string {
        usleep(getmypid() === $here ? 100_000 : 5_000);

        return (string) getmypid();
    };
    $by = array_count_values((new SideBySide)->each(20, $slowHere, static function (): void {
    }));
    expect($by)->toHaveCount(2)->and($by[$here])->toBeLessThan(6);
});

it('stops both where it is stopped', function (): void {
    $path = (string) tempnam(sys_get_temp_dir(), 'parts');
    $part = static function (int $i) use ($path): string {
        usleep(20_000);
        file_put_contents($path, '.', FILE_APPEND);

        return '';
    };
    expect(fn () => (new SideBySide)->each(60, $part, static fn (float $share) => $share > 0.1 ? throw new DomainException('Stopped.') : null))->toThrow(DomainException::class, 'Stopped.')
        ->and(strlen((string) file_get_contents($path)))->toBeGreaterThan(2)->toBeLessThan(15);
    unlink($path);
});

it('does a few without a copy, and none at once', function (): void {
    $here = getmypid();
    $pid = static function (): string {
        usleep(40_000);

        return (string) getmypid();
    };
    $quiet = static function (): void {
    };
    expect((new SideBySide)->each(3, $pid, $quiet))->toBe(array_fill(0, 3, (string) $here))
        ->and(array_unique((new SideBySide)->each(9, $pid, $quiet)))->toHaveCount(2)
        ->and((new SideBySide)->each(0, $pid, $quiet))->toBe([]);
});

it('hears of what goes wrong in either process, and leaves nothing behind', function (): void {
    $files = static fn (): int => count(glob(sys_get_temp_dir().'/prism??????') ?: []);
    $before = $files();
    $wrong = static fn (int $at): Closure => static function (int $i) use ($at): string {
        usleep(10_000);

        return $i === $at ? throw new DomainException('This part went wrong.') : 'right';
    };
    $quiet = static function (): void {
    };
    expect(fn () => (new SideBySide)->each(12, $wrong(4), $quiet))->toThrow(DomainException::class)
        ->and(fn () => (new SideBySide)->each(12, $wrong(5), $quiet))->toThrow(DomainException::class)
        ->and($files())->toBe($before)
        ->and(pcntl_waitpid(-1, $status, WNOHANG))->toBe(-1);
});

it('makes what two ask for at once only once', function (): void {
    $folder = config('prism.storage').'/kept';
    File::deleteDirectory($folder);
    File::ensureDirectoryExists($folder);
    $ask = static fn (): string => KeptFiles::of($folder, 'slow', 'a1', 3, static function () use ($folder): string {
        file_put_contents("$folder/made", '.', FILE_APPEND);
        usleep(300_000);

        return 'bytes';
    });
    expect((new SideBySide)->each(20, $ask, static function (): void {
    }))->toBe(array_fill(0, 20, 'bytes'))->and(File::get("$folder/made"))->toBe('.');
    File::deleteDirectory($folder);
});
