<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Studio\Files\Depot;
use App\Studio\Sweep;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** For a studio that grows beyond one machine: what artists made goes from the folder of this one into the store of all. */
final class StoreCommand extends Command
{
    protected $signature = 'prism:store';

    protected $description = 'Takes what lies in this machine’s folder into the store that PRISM_STORE names.';

    public function handle(Depot $depot): int
    {
        if (! $depot->isShared()) {
            $this->error('No store is named. Name a disk of config/filesystems.php in PRISM_STORE, as in PRISM_STORE=bucket.');

            return self::FAILURE;
        }
        $here = new Depot($depot->place(''));
        $sent = 0;
        foreach (Depot::KINDS as $kind) {
            foreach ($here->files($kind) as $file) {
                $as = self::name($file);
                if (! Str::is([...Sweep::MADE, '*.kept', '.*'], basename($file)) && ! $depot->has($as)) {
                    $depot->take($here->place($file), $as);
                    $sent++;
                }
            }
        }
        $this->line(sprintf('%d files are in the store now that were not.', $sent));

        return self::SUCCESS;
    }

    /** Of a studio that kept one picture of each reference without a number: under its number. */
    private static function name(string $file): string
    {
        if (preg_match('#^pieces/([^/]+)/([^/]+)$#', $file, $found) !== 1) {
            return $file;
        }
        $picture = DB::table('reference_pictures')->where('id', $found[1])->value('picture');

        return $picture === null ? $file : "pieces/$found[1]/$picture/$found[2]";
    }
}
