<?php

declare(strict_types=1);

namespace App\Studio\Backup;

use Illuminate\Support\Facades\Process;

/** The database of the studio as a file of SQL, by MariaDB's own programs. */
final class DatabaseDump
{
    /** Who is signed in, and what is remembered for a while, is made anew. */
    private const WITHOUT = ['sessions', 'cache', 'cache_locks'];

    private const SECONDS = 3600;

    /** @param  array<string, mixed>  $connection  as config/database.php has it */
    public function __construct(private readonly array $connection)
    {
    }

    /**
     * All of one moment, while the studio goes on; the same rows make the same bytes.
     *
     * @throws BackupRefused
     */
    public function write(string $file): void
    {
        $without = array_map(fn (string $table): string => '--ignore-table-data='.$this->text('database').".$table", self::WITHOUT);
        $this->run(['mariadb-dump', ...$this->whom(), '--single-transaction', '--quick', '--hex-blob', '--no-tablespaces', '--skip-dump-date', '--order-by-primary', '--result-file='.$file, ...$without, $this->text('database')], 'The database cannot be written down: %s');
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
