<?php

declare(strict_types=1);

return [
    // Named, not found: what was found is kept in a file that an older clone still has.
    Laravel\Sanctum\SanctumServiceProvider::class,
    App\Providers\AppServiceProvider::class,
];
