<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Http\Problems;
use App\Models\User;
use App\Studio\Account\Room;
use App\Studio\Files\NoRoom;
use App\Studio\Sweep;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Takes no more pictures of an artist whose room is used up, nor of anybody where the disk is. */
final class HasRoom
{
    public function __construct(private readonly Room $room)
    {
    }

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $artist = $request->user();
        if ($artist instanceof User && $this->room->used($artist) >= $this->room->most()) {
            return Problems::refused(sprintf('The pictures of your studio take all of its %s GB. Save pieces that are done in an archive and remove them; their room is free when they are put away for good, %d days later.', round($this->room->most() / 1e9, 1), Sweep::KEPT_DAYS));
        }

        if ($this->room->isDiskFull()) {
            return Problems::refused(NoRoom::WORDS, status: 507);
        }

        return $next($request);
    }
}
