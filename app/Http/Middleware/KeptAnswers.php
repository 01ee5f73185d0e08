<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\User;
use App\Studio\Account\Revisions;
use Closure;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response as Answer;
use Illuminate\Support\Facades\Cache;
use Symfony\Component\HttpFoundation\Response;

/**
 * Large answers that are asked for again and again, kept until the artist changes anything: every request that may write, and every work that
 * ends, counts on ({@see Revisions}), and an answer of another revision is none.
 */
final class KeptAnswers
{
    /** Which are kept, and by which revision. */
    private const KEPT = ['api/pieces/{piece}' => 'plan_revision', 'api/pieces/{piece}/plan' => 'revision'];

    /** What is sent and changes nothing. */
    private const READ_ONLY = [
        'api/pieces/{piece}/samples', 'api/pieces/{piece}/predictions', 'api/pieces/{piece}/recipes', 'api/pieces/{piece}/why', 'api/pieces/{piece}/nudges', 'api/pieces/{piece}/same-spot',
        'api/pieces/{piece}/beside', 'api/pieces/{piece}/lines', 'api/pieces/{piece}/gradient', 'api/zones/{zone}/trio', 'api/colours', 'api/colours/beside-white', 'api/pencils/preview', 'api/swatches/preview', 'api/recipes/preview',
    ];

    /** Attribute of a request: JSON that was told to it before, where nothing but how far the drawing has come may be another by now. */
    public const BEFORE = 'told-before';

    /** What slips through is told anew so soon. */
    private const SECONDS = 300;

    private const LEVEL = 5;

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $artist = $request->user();
        if (! $artist instanceof User) {
            return $next($request);
        }
        if (! $request->isMethodCacheable()) {
            $response = $next($request);
            if (! self::isReadOnly($request)) {
                // Whatever became of it: part of it may be done.
                Revisions::countOnAsSent($artist->id);
            }

            return $response;
        }

        $revision = self::KEPT[self::addressOf($request)] ?? null;

        return $revision !== null && config('prism.keep_answers') && in_array('gzip', $request->getEncodings(), true)
            ? $this->kept($request, $next, $artist, (int) $artist->getAttribute($revision))
            : $next($request);
    }

    /** @param  Closure(Request): Response  $next */
    private function kept(Request $request, Closure $next, User $artist, int $revision): Response
    {
        $key = "answer:$artist->id:".hash('xxh128', $request->getRequestUri());
        $plans = (int) $artist->getAttribute('plan_revision');
        $tag = Cache::get("$key:tag");
        $isNow = is_array($tag) && $tag['revision'] === $revision;
        if ($isNow) {
            $answer = self::answer('', $tag['etag']);
            if ($answer->isNotModified($request)) {
                return $answer;
            }
        }
        if ($isNow || (is_array($tag) && ($tag['plans'] ?? null) === $plans)) {
            $body = Cache::get("$key:body");
            $packed = is_array($body) && $body['etag'] === $tag['etag'] ? (string) base64_decode($body['packed'], true) : null;
            if ($isNow && $packed !== null) {
                return self::answer($packed, $tag['etag']);
            }
            $request->attributes->set(self::BEFORE, $packed === null ? null : (string) gzdecode($packed));
        }
        $response = $next($request);
        if (! $response instanceof JsonResponse || $response->getStatusCode() !== 200) {
            return $response;
        }
        $content = (string) $response->getContent();
        $etag = hash('xxh128', $content);
        $packed = (string) gzencode($content, self::LEVEL);
        // The body first: a tag never stands without it. As text, since a table of the database may keep it.
        Cache::put("$key:body", ['etag' => $etag, 'packed' => base64_encode($packed)], self::SECONDS);
        Cache::put("$key:tag", ['etag' => $etag, 'revision' => $revision, 'plans' => $plans], self::SECONDS);
        $answer = self::answer($packed, $etag);
        $answer->isNotModified($request);

        return $answer;
    }

    private static function answer(string $packed, string $etag): Answer
    {
        $answer = new Answer($packed, 200, ['Content-Type' => 'application/json', 'Content-Encoding' => 'gzip', 'Cache-Control' => 'private, no-cache', 'Vary' => 'Accept-Encoding']);

        return $answer->setEtag($etag, true);
    }

    /** Whether it computes something, and leaves all as it is. */
    public static function isReadOnly(Request $request): bool
    {
        return $request->isMethodCacheable() || ($request->isMethod('POST') && in_array(self::addressOf($request), self::READ_ONLY, true));
    }

    /** The same for a script as for the page. */
    private static function addressOf(Request $request): string
    {
        return str_replace('api/v1/', 'api/', $request->route()->uri());
    }
}
