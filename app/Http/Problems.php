<?php

declare(strict_types=1);

namespace App\Http;

use App\Studio\ChangedMeanwhile;
use App\Studio\Files\NoRoom;
use App\Studio\Files\Unreachable;
use App\Studio\Zones\ZoneRefused;
use Illuminate\Auth\Access\AuthorizationException;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Database\LostConnectionDetector;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Http\Exceptions\ThrottleRequestsException;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Laravel\Sanctum\Exceptions\MissingAbilityException;
use PDOException;
use Predis\CommunicationException;
use Prism\Colour\InvalidColour;
use Prism\Exchange\Archive\ArchiveRefused;
use Prism\Exchange\TableRefused;
use Prism\Layering\InvalidStep;
use Prism\Layering\NotationError;
use Prism\Layering\UnknownPencil;
use Prism\Materials\InvalidMaterial;
use Prism\Practice\PracticeRefused;
use Prism\Reference\LookRefused;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\AccessDeniedHttpException;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** How the core's refusals reach the browser: as validation errors, in their own words. */
final class Problems
{
    private const REFUSALS = [ArchiveRefused::class, InvalidColour::class, InvalidStep::class, NotationError::class, UnknownPencil::class, InvalidMaterial::class, LookRefused::class, PracticeRefused::class, ZoneRefused::class];

    private const ROWS_SHOWN = 200;

    /** When to try again while the database is away. */
    private const RETRY_SECONDS = 10;

    public static function register(Exceptions $exceptions): void
    {
        $exceptions->shouldRenderJsonWhen(static fn (Request $request): bool => $request->is('api/*') || $request->expectsJson());
        foreach (self::REFUSALS as $refusal) {
            $exceptions->dontReport($refusal);
        }
        $exceptions->render(static fn (NotFoundHttpException $missing, Request $request): ?JsonResponse => $request->is('api/*')
            ? self::refused(match (true) {
                $missing->getPrevious() instanceof ModelNotFoundException => 'There is no such thing in your studio.',
                $missing->getPrevious() instanceof AuthorizationException => $missing->getMessage(),
                // Of what the framework could not find only our own words are told.
                $missing->getPrevious() !== null, $missing->getMessage() === '' => 'There is nothing at this address.',
                default => $missing->getMessage(),
            }, status: 404)
            : null);
        $exceptions->render(static fn (ThrottleRequestsException $many, Request $request): ?JsonResponse => $request->is('api/*')
            ? self::refused(sprintf('Too many tries. Wait %d seconds, then try again.', (int) ($many->getHeaders()['Retry-After'] ?? 60)), status: 429)->withHeaders($many->getHeaders())
            : null);
        $exceptions->render(static fn (AuthenticationException $nobody, Request $request): ?JsonResponse => $request->is('api/v1/*')
            ? self::refused('This token is missing, ended or over. Make one in Studio, under You, and send it: Authorization: Bearer ...', status: 401)->withHeaders(['WWW-Authenticate' => 'Bearer'])
            : null);
        $exceptions->render(static fn (AccessDeniedHttpException $denied, Request $request): ?JsonResponse => $denied->getPrevious() instanceof MissingAbilityException
            ? self::refused(sprintf('This token may not do that: it needs "%s".', implode(', ', $denied->getPrevious()->abilities())), status: 403)
            : null);
        $exceptions->render(static fn (PDOException $lost, Request $request): ?Response => app(LostConnectionDetector::class)->causedByLostConnection($lost)
            ? self::away($request)
            : null);
        $exceptions->render(static fn (CommunicationException $lost, Request $request): Response => self::away($request));
        $exceptions->render(static fn (Unreachable $lost, Request $request): Response => self::away($request));
        $exceptions->render(static fn (\Throwable $problem, Request $request): ?JsonResponse => $request->is('api/*') && NoRoom::isIn($problem) ? self::refused(NoRoom::WORDS, status: 507) : null);
        $exceptions->render(static function (\DomainException $refusal, Request $request): ?JsonResponse {
            foreach (self::REFUSALS as $class) {
                if ($refusal instanceof $class) {
                    return self::refused($refusal->getMessage(), $refusal instanceof NotationError ? ['position' => $refusal->position] : []);
                }
            }

            return null;
        });
        $exceptions->dontReport(ChangedMeanwhile::class);
        $exceptions->render(static fn (ChangedMeanwhile $conflict, Request $request): JsonResponse => self::refused($conflict->getMessage(), status: 409));
        $exceptions->dontReport(TableRefused::class);
        $exceptions->render(static fn (TableRefused $refusal, Request $request): JsonResponse => self::refused(
            sprintf('%s in this file cannot be taken in; nothing of it was.', count($refusal->errors) === 1 ? 'One thing' : count($refusal->errors).' things'),
            ['rows' => array_slice($refusal->errors, 0, self::ROWS_SHOWN)],
        ));
    }

    /** The database, or what stands beside it, is not there. */
    private static function away(Request $request): Response
    {
        $message = 'The studio cannot be reached just now. Nothing that was saved is lost; try again in a little while.';
        $response = $request->is('api/*') || $request->expectsJson() ? self::refused($message, status: 503) : new Response($message, 503, ['Content-Type' => 'text/plain; charset=UTF-8']);
        $response->headers->set('Retry-After', (string) self::RETRY_SECONDS);

        return $response;
    }

    /** @param  array<string, mixed>  $more */
    public static function refused(string $message, array $more = [], int $status = 422): JsonResponse
    {
        return new JsonResponse(['message' => $message, ...$more], $status);
    }
}
