<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Piece;
use App\Models\User;
use Illuminate\Auth\Access\Response;

/** A piece is its owner's alone. To anyone else it is not there: 404, not 403. */
final class PiecePolicy
{
    public function view(User $user, Piece $piece): Response
    {
        return $piece->user_id === $user->id ? Response::allow() : Response::denyAsNotFound('There is no such piece in your studio.');
    }

    public function update(User $user, Piece $piece): Response
    {
        return $this->view($user, $piece);
    }

    public function delete(User $user, Piece $piece): Response
    {
        return $this->view($user, $piece);
    }
}
