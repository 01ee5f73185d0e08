<?php

declare(strict_types=1);

// Replicas that are read from, where there are any; the host of all else is DB_HOST.
$replicas = array_values(array_filter(explode(',', (string) env('DB_READ_HOSTS', ''))));

return [
    'default' => 'mariadb',
    'connections' => [
        'mariadb' => [
            'driver' => 'mariadb',
            'host' => env('DB_HOST', '127.0.0.1'),
            'port' => env('DB_PORT', '33061'),
            'database' => env('DB_DATABASE', 'prism'),
            // It is named as one connects: asking for it again would be one word more for each request.
            'use_db_after_connecting' => false,
            'username' => env('DB_USERNAME', 'prism'),
            'password' => env('DB_PASSWORD', ''),
            'charset' => 'utf8mb4',
            'collation' => 'utf8mb4_unicode_ci',
            'prefix' => '',
            'strict' => true,
            'engine' => null,
            ...$replicas === [] ? [] : ['read' => ['host' => $replicas], 'write' => ['host' => [env('DB_HOST', '127.0.0.1')]], 'sticky' => true],
        ],
    ],
];
