<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * Headers that keep the studio to itself: nothing is loaded from elsewhere, and no script runs that was not shipped.
 *
 * Styles carry a nonce, made for each page and handed to styled-components by a meta tag; see resources/views/app.blade.php.
 */
final class SecurityHeaders
{
    public function handle(Request $request, Closure $next): Response
    {
        $nonce = base64_encode(random_bytes(16));
        $request->attributes->set('csp-nonce', $nonce);
        /** @var Response $response */
        $response = $next($request);
        $response->headers->add([
            'Content-Security-Policy' => implode('; ', [
                "default-src 'none'",
                "script-src 'self'",
                "style-src 'self' 'nonce-{$nonce}'",
                "img-src 'self' blob: data:",
                "font-src 'self'",
                "connect-src 'self'",
                "manifest-src 'self'",
                "form-action 'self'",
                "base-uri 'none'",
                "frame-ancestors 'none'",
            ]),
            'X-Content-Type-Options' => 'nosniff',
            'X-Frame-Options' => 'DENY',
            // What a link shows tells even less.
            'Referrer-Policy' => $response->headers->get('Referrer-Policy', 'same-origin'),
            'Permissions-Policy' => 'camera=(), microphone=(), geolocation=()',
            'Cross-Origin-Opener-Policy' => 'same-origin',
        ]);

        return $response;
    }
}
