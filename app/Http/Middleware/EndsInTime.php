<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Studio\Account\SecurityLog;
use Closure;
use Illuminate\Auth\SessionGuard;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Symfony\Component\HttpFoundation\Response;

/**
 * No session lives for ever, however busy it is: a day after it was begun by the cookie of "stay signed in", which lasts a month itself
 * (config/auth.php), thirty days after a password; then one signs in again.
 */
final class EndsInTime
{
    private const BEGAN = 'signed_in_at';

    private const DAY = 86_400;

    private const DAYS = 30;

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $guard = Auth::guard('web');
        $session = $request->session();
        $began = $session->get(self::BEGAN);
        if ($guard instanceof SessionGuard && is_int($began) && $began < now()->getTimestamp() - self::DAYS * self::DAY && $guard->check()) {
            SecurityLog::note('session over', $guard->user());
            // The cookie of who stays signed in is left: as long as it is good another session is begun by it.
            $session->invalidate();
            $session->regenerateToken();
            $guard->forgetUser();
        }
        $response = $next($request);
        if ($guard instanceof SessionGuard && ! is_int($session->get(self::BEGAN)) && $guard->hasUser()) {
            $session->put(self::BEGAN, $guard->viaRemember() ? now()->getTimestamp() - (self::DAYS - 1) * self::DAY : now()->getTimestamp());
        }

        return $response;
    }
}
