<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Http\Problems;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Only archives are large: whatever else is sent is refused before it is read, above what a photo may have. */
final class SmallBodies
{
    private const MOST_BYTES = 42 * 1024 * 1024;

    private const LARGE = ['api/archives', 'api/v1/archives'];

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        return (int) $request->headers->get('Content-Length', '0') > self::MOST_BYTES && ! $request->is(...self::LARGE)
            ? Problems::refused('This is more than 42 MB, more than a photo has. Save a smaller copy.', status: 413)
            : $next($request);
    }
}
