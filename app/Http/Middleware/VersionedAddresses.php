<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Addresses of pictures in an answer are those of the studio's page; a script is told those that its token opens. */
final class VersionedAddresses
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $response = $next($request);
        if ($response instanceof JsonResponse) {
            $response->setJson(str_replace(['":"\/api\/', '":"/api/'], '":"\/api\/v1\/', (string) $response->getContent()));
        }

        return $response;
    }
}
