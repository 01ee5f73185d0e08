<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Packs what is large and JSON, and sends none that the browser has already. */
final class Compressed
{
    /** Less fits into a packet or two as it is. */
    private const FROM_BYTES = 4096;

    private const LEVEL = 5;

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $response = $next($request);
        $content = $response instanceof JsonResponse ? (string) $response->getContent() : '';
        if (strlen($content) < self::FROM_BYTES) {
            return $response;
        }
        if ($request->isMethodCacheable() && $response->getStatusCode() === 200) {
            $response->setEtag(hash('xxh128', $content), true);
            $response->headers->set('Cache-Control', 'private, no-cache');
            if ($response->isNotModified($request)) {
                return $response;
            }
        }
        if (in_array('gzip', $request->getEncodings(), true)) {
            $response->setContent((string) gzencode($content, self::LEVEL));
            $response->headers->set('Content-Encoding', 'gzip');
            $response->setVary('Accept-Encoding', false);
        }

        return $response;
    }
}
