<?php

declare(strict_types=1);

namespace App\Studio\Account;

use Closure;
use Illuminate\Database\Connection;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;

/**
 * Where the database has replicas that are read from (DB_READ_HOSTS), they are a moment behind. So all is read where it is written, but for what an
 * artist looks at who has changed nothing for longer than a replica may be behind; work that ended for them counts as a change.
 */
final class Replicas
{
    /** Whether a connection has any. */
    public static function areThere(Connection $connection): bool
    {
        return config('database.connections.'.$connection->getName().'.read') !== null;
    }

    /** From now on a connection reads where it writes. */
    public static function readWhereWritten(Connection $connection): void
    {
        if (self::areThere($connection)) {
            $connection->recordsHaveBeenModified();
        }
    }

    /** Something of an artist has changed. */
    public static function changed(int $artist): void
    {
        if (self::areThere(DB::connection())) {
            Cache::put("changed:$artist", true, (int) config('prism.replica_seconds'));
        }
    }

    /**
     * What an artist looks at, from a replica where it is there for sure.
     *
     * @template T
     *
     * @param  Closure(): T  $look
     * @return T
     */
    public static function looking(int $artist, Closure $look): mixed
    {
        $connection = DB::connection();
        if (! self::areThere($connection) || Cache::has("changed:$artist")) {
            return $look();
        }
        $connection->forgetRecordModificationState();
        try {
            return $look();
        } finally {
            self::readWhereWritten($connection);
        }
    }
}
