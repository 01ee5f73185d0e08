<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Http\Problems;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * Refuses, before anything reckons with it, what no operation takes: a number that none here can be (1e999), and a list in the query
 * of an address.
 */
final class PlainInput
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        foreach ($request->is('api/*') ? $request->query->all() : [] as $name => $value) {
            if (is_array($value)) {
                return Problems::refused(sprintf('"%s" is one text, not a list.', $name));
            }
        }
        $endless = null;
        $input = $request->isJson() ? $request->json()->all() : [];
        array_walk_recursive($input, static function (mixed $value, int|string $key) use (&$endless): void {
            $endless ??= is_float($value) && ! is_finite($value) ? (string) $key : null;
        });

        return $endless === null ? $next($request) : Problems::refused(sprintf('"%s" is a larger number than there can be here.', $endless));
    }
}
