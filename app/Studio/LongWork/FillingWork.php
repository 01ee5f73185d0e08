<?php

declare(strict_types=1);

namespace App\Studio\LongWork;

use App\Models\User;
use Closure;

final class FillingWork implements LongWork
{
    public function do(User $artist, array $wish, Closure $progress): array
    {
        throw new WorkRefused('not yet');
    }
}
