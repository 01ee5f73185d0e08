<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Chart;
use App\Models\User;
use Illuminate\Auth\Access\Response;

/** Charts are their owner's alone. To anyone else they are not there: 404, not 403. */
final class ChartPolicy
{
    public function view(User $user, Chart $chart): Response
    {
        return $chart->user_id === $user->id ? Response::allow() : Response::denyAsNotFound('There is no such chart in your studio.');
    }
}
