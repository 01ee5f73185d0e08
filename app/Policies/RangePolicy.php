<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Range;
use App\Models\User;
use Illuminate\Auth\Access\Response;

/** Ranges that ship can be looked at by all and changed by none; an artist's own are theirs alone. */
final class RangePolicy
{
    public function update(User $user, Range $range): Response
    {
        return match ($range->user_id) {
            $user->id => Response::allow(),
            null => Response::denyWithStatus(422, sprintf('Range %s ships with the studio and stays as it is. What you find out about its pencils belongs in the swatch book.', $range->code)),
            default => Response::denyAsNotFound(),
        };
    }
}
