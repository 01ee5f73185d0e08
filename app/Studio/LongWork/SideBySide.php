<?php

declare(strict_types=1);

namespace App\Studio\LongWork;

use Closure;
use Prism\Planning\Parts;

/**
 * A computation of many parts on two processors: in this process and in a copy of it, each of which takes the next part as soon as
 * it is free. In a web server, and where no copy can be had, one part after the other.
 */
final class SideBySide implements Parts
{
    /** Fewer parts than this are done before a second process is under way. */
    private const WORTH_SPLITTING = 8;

    /** Of a part the connections are not its own. */
    public function each(int $count, Closure $do, Closure $progress): array
    {
        $path = $count >= self::WORTH_SPLITTING && PHP_SAPI === 'cli' && function_exists('pcntl_fork') ? tempnam(sys_get_temp_dir(), 'prism') : false;
        $places = self::places($count);
        $copy = $path === false ? -1 : pcntl_fork();
        $quiet = static function (): void {
        };
        if ($copy === 0) {
            try {
                file_put_contents((string) $path, serialize(self::taken($places, $count, $do, $quiet)));
            } finally {
                // At once: an orderly end would close connections that the original goes on using.
                posix_kill(posix_getpid(), SIGKILL);
            }
        }
        $done = [];
        try {
            $done = self::taken($places, $count, $do, $progress);
        } finally {
            // Where it was stopped, nothing is left for the copy to go on with.
            stream_get_contents($places);
            if ($copy > 0) {
                pcntl_waitpid($copy, $status);
                $others = @unserialize((string) file_get_contents((string) $path), ['allowed_classes' => false]);
                $done += is_array($others) ? array_map(strval(...), $others) : [];
            }
            if ($path !== false) {
                unlink($path);
            }
        }
        $all = [];
        for ($i = 0; $i < $count; $i++) {
            // What went wrong in the copy goes wrong here once more, and is heard.
            $all[] = $done[$i] ?? $do($i);
        }

        return $all;
    }

    /** @return resource of which each place can be read once, by whoever reads first */
    private static function places(int $count)
    {
        [$in, $out] = stream_socket_pair(STREAM_PF_UNIX, STREAM_SOCK_STREAM, 0) ?: throw new \RuntimeException('The parts of this work could not be handed out; try again.');
        stream_set_read_buffer($out, 0);
        if ($count > 0) {
            fwrite($in, pack('v*', ...range(0, $count - 1)));
        }
        fclose($in);

        return $out;
    }

    /**
     * @param  resource  $places
     * @param  Closure(int): string  $do
     * @param  Closure(float): void  $progress
     * @return array<int, string> by place
     */
    private static function taken($places, int $count, Closure $do, Closure $progress): array
    {
        $done = [];
        while (strlen($next = (string) fread($places, 2)) === 2) {
            $place = ord($next[0]) + 256 * ord($next[1]);
            $progress($place / $count);
            $done[$place] = $do($place);
        }

        return $done;
    }
}
