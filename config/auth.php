<?php

declare(strict_types=1);

return [
    // Who stays signed in does so for a month, in minutes; then the password is asked for again.
    'guards' => ['web' => ['driver' => 'session', 'provider' => 'users', 'remember' => 43_200]],
    'providers' => ['users' => ['driver' => 'eloquent', 'model' => App\Models\User::class]],
];
