<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Studio\Backup\BackupRefused;
use App\Studio\Backup\Backups;
use Illuminate\Console\Command;

/** Brings a backup back, and the studio up to what it is now. */
final class RestoreCommand extends Command
{
    protected $signature = 'prism:restore {backup : the folder of one backup}';

    protected $description = 'Brings a backup back into an empty database and an empty storage folder, and compares them with it.';

    public function handle(Backups $backups): int
    {
        $backup = $this->argument('backup');
        try {
            ['files' => $files, 'madeAt' => $madeAt] = $backups->restore(is_string($backup) ? $backup : '');
        } catch (BackupRefused $refusal) {
            $this->error($refusal->getMessage());

            return self::FAILURE;
        }
        $this->line(sprintf('Brought back what was kept at %s: the database and %d files, the same byte by byte.', $madeAt, $files));

        return $this->call('migrate', ['--force' => true]);
    }
}
