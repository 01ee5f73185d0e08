<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Studio\Backup\BackupRefused;
use App\Studio\Backup\Backups;
use Illuminate\Console\Command;

/** Writes down all that the studio keeps; the scheduler calls it each night where a folder is set for it. */
final class BackupCommand extends Command
{
    protected $signature = 'prism:backup';

    protected $description = 'Backs up the database and its files into the folder of PRISM_BACKUPS, and puts old backups away.';

    public function handle(Backups $backups): int
    {
        try {
            $made = $backups->make();
            $this->line(sprintf('Backed up to %s. Put away: %d older.', $made, $backups->prune()));
        } catch (BackupRefused $refusal) {
            $this->error($refusal->getMessage());

            return self::FAILURE;
        }

        return self::SUCCESS;
    }
}
