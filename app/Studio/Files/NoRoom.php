<?php

declare(strict_types=1);

namespace App\Studio\Files;

use Illuminate\Database\QueryException;
use RuntimeException;
use Throwable;

/** The studio's disk is full. */
final class NoRoom extends RuntimeException
{
    public const WORDS = 'There is no room left on the studio\'s disk, so this was not done. All that was saved is there; whoever runs the studio has to make room, then try again.';

    public function __construct(?Throwable $previous = null)
    {
        parent::__construct(self::WORDS, 0, $previous);
    }

    /** Whether something failed because of it, whoever wrote. */
    public static function isIn(Throwable $problem): bool
    {
        for ($of = $problem; $of !== null; $of = $of->getPrevious()) {
            // The message of a query has in it what was to be written; what the database said of it is the one before.
            if ($of instanceof self || (! $of instanceof QueryException && self::isMeant($of->getMessage()))) {
                return true;
            }
        }

        return false;
    }

    /** @param  string  $message  of PHP, or of a library */
    public static function isMeant(string $message): bool
    {
        return preg_match('/no space left|out of free disk space|disk quota exceeded|disk full|the table .+ is full/i', $message) === 1;
    }
}
