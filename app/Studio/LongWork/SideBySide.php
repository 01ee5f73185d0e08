<?php

declare(strict_types=1);

namespace App\Studio\LongWork;

use Closure;

/**
 * Two halves of one computation at the same time, on two processors: the other one in a copy of this process. In a web server,
 * and where no copy can be had, one after the other.
 */
final class SideBySide
{
    /**
     * @param  Closure(): list<string>  $own
     * @param  Closure(): list<string>  $other  only computes: what it changes is lost, and the connections are not its own
     * @return array{list<string>, list<string>}
     */
    public static function both(Closure $own, Closure $other): array
    {
        $path = PHP_SAPI === 'cli' && function_exists('pcntl_fork') ? tempnam(sys_get_temp_dir(), 'prism') : false;
        $copy = $path === false ? -1 : pcntl_fork();
        if ($copy === 0) {
            try {
                file_put_contents((string) $path, serialize($other()));
            } finally {
                // At once: an orderly end would close connections that the original goes on using.
                posix_kill(posix_getpid(), SIGKILL);
            }
        }
        $told = false;
        try {
            $first = $own();
        } finally {
            if ($copy > 0) {
                pcntl_waitpid($copy, $status);
                $told = @unserialize((string) file_get_contents((string) $path), ['allowed_classes' => false]);
            }
            if ($path !== false) {
                unlink($path);
            }
        }

        // What went wrong in the copy goes wrong here once more, and is heard.
        return [$first, is_array($told) ? array_values(array_map(strval(...), $told)) : $other()];
    }
}
