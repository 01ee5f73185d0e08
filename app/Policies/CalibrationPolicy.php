<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Calibration;
use App\Models\User;
use Illuminate\Auth\Access\Response;

/** Calibrations are their owner's alone. To anyone else they are not there: 404, not 403. */
final class CalibrationPolicy
{
    public function view(User $user, Calibration $calibration): Response
    {
        return $calibration->user_id === $user->id ? Response::allow() : Response::denyAsNotFound('There is no such calibration in your studio.');
    }
}
