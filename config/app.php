<?php

declare(strict_types=1);

return [
    'name' => 'Knotty Prism',
    'timezone' => 'UTC',
    'url' => env('APP_URL', 'http://127.0.0.1:8020'),
];
