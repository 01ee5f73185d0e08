<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Http\Problems;
use App\Models\SentKey;
use App\Models\User;
use Closure;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Arr;
use Symfony\Component\HttpFoundation\Response;

/**
 * A write that names a key of its own making (`Idempotency-Key`) is done once: whoever did not hear the answer asks again with the same key, and is
 * told what it was. What was refused may be sent again under the same key. If the studio failed or its process ended in the middle, nobody knows
 * whether it was done: that is said, and nothing is done twice.
 */
final class OnlyOnce
{
    public const HEADER = 'Idempotency-Key';

    private const KEY = '/^[\x21-\x7e]{1,80}$/';

    /** No request takes longer. */
    private const AT_WORK_MINUTES = 5;

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $key = $request->headers->get(self::HEADER);
        $artist = $request->user();
        if ($key === null || ! $artist instanceof User || KeptAnswers::isReadOnly($request)) {
            return $next($request);
        }
        if (preg_match(self::KEY, $key) !== 1) {
            return Problems::refused('An Idempotency-Key has 1 to 80 letters, digits or signs and no blank.');
        }
        $digest = self::digest($request);
        SentKey::query()->where('user_id', $artist->id)->where('key', $key)->where('created_at', '<', now()->subHours(SentKey::KEPT_HOURS))->delete();
        try {
            $sent = SentKey::query()->create(['user_id' => $artist->id, 'key' => $key, 'digest' => $digest]);
        } catch (UniqueConstraintViolationException) {
            return self::again(SentKey::query()->where('user_id', $artist->id)->where('key', $key)->first(), $digest);
        }
        $response = $next($request);
        if ($response->isClientError()) {
            $sent->delete();
        } else {
            $sent->update(['status' => $response->getStatusCode(), 'body' => $response->isServerError() ? null : $response->getContent()]);
        }

        return $response;
    }

    private static function again(?SentKey $sent, string $digest): Response
    {
        return match (true) {
            $sent === null => Problems::refused('What was sent under this Idempotency-Key was refused just now. Send it again.', status: 409),
            $sent->digest !== $digest => Problems::refused('Something else was sent under this Idempotency-Key. Make a new key for each change.'),
            $sent->status !== null && $sent->status < 500 => new JsonResponse((string) $sent->body, $sent->status, ['Idempotency-Replayed' => 'true'], json: $sent->body !== null && $sent->body !== ''),
            $sent->status === null && $sent->created_at->gt(now()->subMinutes(self::AT_WORK_MINUTES)) => Problems::refused('What was sent under this Idempotency-Key is still being done. Ask again in a moment.', status: 409),
            default => Problems::refused('It is not known whether what was sent under this Idempotency-Key was done. Look, and send it under a new key if it was not.', status: 409),
        };
    }

    /** Of all that makes it this request and no other; of a file, of what is in it. */
    private static function digest(Request $request): string
    {
        $files = array_map(static fn (mixed $file): string => $file instanceof UploadedFile ? (string) hash_file('xxh128', $file->getPathname()) : '', Arr::dot($request->allFiles()));

        return hash('xxh128', (string) json_encode([$request->method(), $request->getRequestUri(), $request->input(), $files], JSON_INVALID_UTF8_SUBSTITUTE));
    }
}
