<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Paper;
use App\Models\User;
use Illuminate\Auth\Access\Response;

/** Papers that ship can be drawn on by all and changed by none; an artist's own are theirs alone. */
final class PaperPolicy
{
    public function update(User $user, Paper $paper): Response
    {
        return match ($paper->user_id) {
            $user->id => Response::allow(),
            null => Response::denyWithStatus(422, sprintf('%s ships with the studio and stays as it is. Write down a paper of your own.', $paper->name)),
            default => Response::denyAsNotFound(),
        };
    }
}
