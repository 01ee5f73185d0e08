<?php

declare(strict_types=1);

namespace App\Studio\Files;

use Illuminate\Support\Str;
use RuntimeException;

/** Files that are written whole or not at all: beside, then moved into place, so that who reads meanwhile never sees half of one. */
final class WholeFile
{
    /**
     * @throws NoRoom
     * @throws RuntimeException if it cannot be written for another reason
     */
    public static function put(string $path, string $bytes): void
    {
        self::settled($path, static fn (string $beside): bool => file_put_contents($beside, $bytes) === strlen($bytes));
    }

    /**
     * @throws NoRoom
     * @throws RuntimeException if it cannot be written for another reason
     */
    public static function copy(string $from, string $path): void
    {
        self::settled($path, static fn (string $beside): bool => copy($from, $beside) && filesize($beside) === filesize($from));
    }

    /**
     * What can be made anew: where there is no room it is not kept.
     *
     * @throws RuntimeException if it cannot be written for another reason
     */
    public static function keep(string $path, string $bytes): void
    {
        try {
            self::put($path, $bytes);
        } catch (NoRoom) {
            // Then it is made anew when it is asked for again.
        }
    }

    /** @param  \Closure(string): bool  $write */
    private static function settled(string $path, \Closure $write): void
    {
        $beside = sprintf('%s/.%s.new', dirname($path), Str::random(16));
        $why = '';
        set_error_handler(static function (int $level, string $message) use (&$why): bool {
            $why = $message;

            return true;
        });
        try {
            $isWhole = $write($beside) && rename($beside, $path);
        } finally {
            restore_error_handler();
        }
        if ($isWhole) {
            return;
        }
        @unlink($beside);
        throw NoRoom::isMeant($why) ? new NoRoom : new RuntimeException(sprintf('%s cannot be written: %s', basename($path), $why));
    }
}
