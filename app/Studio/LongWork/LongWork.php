<?php

declare(strict_types=1);

namespace App\Studio\LongWork;

use App\Models\User;
use Closure;

/** Something that takes longer than an artist wants to look at a page. */
interface LongWork
{
    /**
     * @param  array<string, mixed>  $wish  what was asked for
     * @param  Closure(string, float): void  $progress  what is being done and how far all of it is, 0-1; throws {@see WorkCancelled}
     * @return array<string, mixed> what came of it
     *
     * @throws WorkRefused if it cannot be done
     */
    public function do(User $artist, array $wish, Closure $progress): array;
}
