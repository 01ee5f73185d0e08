<?php

declare(strict_types=1);

return [
    'driver' => env('SESSION_DRIVER', 'database'),
    'cookie' => 'prism_session',
    'same_site' => 'lax',
    'http_only' => true,
    'secure' => env('SESSION_SECURE_COOKIE', false),
];
