<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\User;
use App\Studio\Account\Replicas;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** What is only looked at may be read from a replica of the database, where there are any ({@see Replicas}). */
final class FromReplicas
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $artist = $request->user();

        // How far a work is, is known where it is written.
        return $artist instanceof User && $request->isMethodCacheable() && ! $request->is('api/works*', 'api/v1/works*') ? Replicas::looking($artist->id, static fn (): Response => $next($request)) : $next($request);
    }
}
