<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Swatch;
use App\Models\User;
use Illuminate\Auth\Access\Response;

/** Swatches are their owner's alone. To anyone else they are not there: 404, not 403. */
final class SwatchPolicy
{
    public function view(User $user, Swatch $swatch): Response
    {
        return $swatch->user_id === $user->id ? Response::allow() : Response::denyAsNotFound('There is no such swatch in your studio.');
    }
}
