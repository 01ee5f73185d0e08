<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\User;
use App\Models\Work;
use Illuminate\Auth\Access\Response;

/** Work is seen and cancelled by the one who asked for it. */
final class WorkPolicy
{
    public function view(User $user, Work $work): Response
    {
        return $work->user_id === $user->id ? Response::allow() : Response::denyAsNotFound('There is no such work in your studio.');
    }
}
