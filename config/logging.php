<?php

declare(strict_types=1);

// The channels of the framework, and one for who comes in and who does not.
return [
    'channels' => [
        'security' => ['driver' => 'single', 'path' => storage_path('logs/security.log'), 'level' => 'info', 'permission' => 0o600],
    ],
];
