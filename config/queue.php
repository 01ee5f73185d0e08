<?php

declare(strict_types=1);

return [
    'default' => env('QUEUE_CONNECTION', 'database'),
    'connections' => [
        // Longer than any job may take: one that is still being done is not taken up again beside it.
        'database' => ['driver' => 'database', 'table' => 'jobs', 'queue' => 'later', 'retry_after' => 60 + App\Jobs\DoWork::TIMEOUT_SECONDS, 'after_commit' => false],
        'redis' => ['driver' => 'redis', 'connection' => 'default', 'queue' => 'later', 'retry_after' => 60 + App\Jobs\DoWork::TIMEOUT_SECONDS, 'block_for' => null, 'after_commit' => false],
    ],
    'failed' => ['driver' => 'database-uuids', 'database' => 'mariadb', 'table' => 'failed_jobs'],
];
