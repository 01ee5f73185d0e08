<?php

declare(strict_types=1);

namespace App\Studio\Backup;

use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Process;

/** The database of the studio as a file of SQL, by MariaDB's own programs. */
final class DatabaseDump
{
    /** Who is signed in, and what is remembered for a while, is made anew. */
    private const WITHOUT = ['sessions', 'cache', 'cache_locks'];

    private const SECONDS = 3600;

    /** In so many bytes it says where the log stood. */
    private const HEAD = 65_536;

    /** @param  array<string, mixed>  $connection  as config/database.php has it */
    public function __construct(private readonly array $connection)
    {
    }

    /**
     * All of one moment, while the studio goes on; the same rows make the same bytes.
     *
     * @param  bool  $told  what wrote it is told in it, as in backups that were made before 2026-12: on another server the same rows are other bytes then
     * @return ?array{file: string, position: int} where the binary log stood at that moment; null where there is none
     *
     * @throws BackupRefused
     */
    public function write(string $file, bool $told = false): ?array
    {
        $isLogged = (int) (DB::selectOne('select @@log_bin as logged')->logged ?? 0) === 1;
        $without = array_map(fn (string $table): string => '--ignore-table-data='.$this->text('database').".$table", self::WITHOUT);
        $this->run(['mariadb-dump', ...$this->whom(), '--single-transaction', '--quick', '--hex-blob', '--no-tablespaces', '--skip-dump-date', '--order-by-primary', ...$told ? [] : ['--skip-comments'], ...$isLogged && ! $told ? ['--master-data=2'] : [], '--result-file='.$file, ...$without, $this->text('database')], 'The database cannot be written down: %s');

        return $isLogged && ! $told ? $this->position($file) : null;
    }

    /**
     * Takes out of a dump where the log stood: it is no part of what is kept.
     *
     * @return array{file: string, position: int}
     *
     * @throws BackupRefused
     */
    private function position(string $file): array
    {
        $head = (string) file_get_contents($file, false, null, 0, self::HEAD);
        if (preg_match('/^-- CHANGE MASTER TO MASTER_LOG_FILE=\'([^\']+)\', MASTER_LOG_POS=(\d+);/m', $head, $found) !== 1) {
            throw new BackupRefused('The database writes a binary log, but does not tell where it stands. Let its user see it: grant binlog monitor on *.* to prism@127.0.0.1');
        }
        $this->run(['sed', '-i', '-e', '/^-- CHANGE MASTER TO /d', '-e', '/^-- SET GLOBAL gtid_slave_pos=/d', $file], 'The database cannot be written down: %s');

        return ['file' => $found[1], 'position' => (int) $found[2]];
    }

    /**
     * Puts it in place of what is there.
     *
     * @throws BackupRefused
     */
    public function load(string $file): void
    {
        $this->run(['sh', '-c', 'exec "$@" <"$0"', $file, 'mariadb', ...$this->whom(), $this->text('database')], 'The database cannot be brought back: %s');
    }

    /** @return list<string> */
    private function whom(): array
    {
        return ['--no-defaults', '--host='.$this->text('host'), '--port='.$this->text('port'), '--user='.$this->text('username'), '--default-character-set=utf8mb4'];
    }

    /**
     * The password goes by the environment: arguments are seen by all on the machine.
     *
     * @param  list<string>  $command
     *
     * @throws BackupRefused
     */
    private function run(array $command, string $refusal): void
    {
        $result = Process::timeout(self::SECONDS)->env(['MYSQL_PWD' => $this->text('password')])->run($command);
        if ($result->failed()) {
            throw new BackupRefused(sprintf($refusal, trim($result->errorOutput()) ?: 'MariaDB’s programs are missing; install mariadb-client.'));
        }
    }

    private function text(string $key): string
    {
        $value = $this->connection[$key] ?? '';

        return is_scalar($value) ? (string) $value : '';
    }
}
