<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Studio\Sweep;
use Illuminate\Console\Command;

/** Puts away what nobody can ask for any more; the scheduler calls it each night. */
final class SweepCommand extends Command
{
    protected $signature = 'prism:sweep {--fetched : only what this machine has fetched from the store of all, and nobody here has looked at for a while}';

    protected $description = 'Puts away pieces that were removed long ago, old archives, and files that belong to nothing.';

    public function handle(Sweep $sweep): int
    {
        $fetched = $sweep->fetched();
        if ($this->option('fetched')) {
            $this->line(sprintf('Put away here: %d files that lie in the store.', $fetched));

            return self::SUCCESS;
        }
        $this->line(sprintf('Put away: %d pieces, %d folders of pictures, %d archives, %d kept answers, %d pictures and plans that can be made anew.', $sweep->pieces(), $sweep->orphans(), $sweep->archives(), $sweep->kept(), $sweep->made((int) (1e9 * (float) config('prism.gigabytes_made')))));

        return self::SUCCESS;
    }
}
