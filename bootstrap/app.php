<?php

declare(strict_types=1);

use App\Http\Controllers\HealthController;
use App\Http\Controllers\ScriptDocument;
use App\Http\Middleware\Compressed;
use App\Http\Middleware\EndsInTime;
use App\Http\Middleware\FromReplicas;
use App\Http\Middleware\KeptAnswers;
use App\Http\Middleware\MayDo;
use App\Http\Middleware\OnlyOnce;
use App\Http\Middleware\PlainInput;
use App\Http\Middleware\SecurityHeaders;
use App\Http\Middleware\SmallBodies;
use App\Http\Middleware\VersionedAddresses;
use App\Http\Problems;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\Middleware\HandleCors;
use Illuminate\Http\Request;
use Illuminate\Routing\Middleware\SubstituteBindings;
use Illuminate\Support\Facades\Route;

return Application::configure(basePath: dirname(__DIR__))
    ->withRouting(
        commands: __DIR__.'/../routes/console.php',
        then: static function (): void {
            // Without a session: that is in the database, which may be what is amiss.
            Route::get('up', HealthController::class);
            Route::middleware('web')->prefix('api')->group(__DIR__.'/../routes/page.php');
            Route::middleware(['web', 'auth', FromReplicas::class, KeptAnswers::class])->prefix('api')->group(__DIR__.'/../routes/api.php');
            // For scripts: no session, a token in its place (docs/api.md). It stays as it is while the page goes on.
            Route::get('api/v1/openapi.json', ScriptDocument::class);
            Route::middleware(['auth:sanctum', 'throttle:scripts', MayDo::class, OnlyOnce::class, FromReplicas::class, KeptAnswers::class, VersionedAddresses::class, SubstituteBindings::class])->prefix('api/v1')->name('v1.')->group(__DIR__.'/../routes/api.php');
            Route::any('api/{any}', static fn () => Problems::refused('There is nothing at this address.', status: 404))->where('any', '.*')->fallback();
            Route::middleware('web')->group(__DIR__.'/../routes/web.php');
        },
    )
    ->withMiddleware(static function (Middleware $middleware): void {
        // Same origin only: no CORS, and its package is not needed (docs/decisions/0002-compat.md).
        $middleware->remove(HandleCors::class);
        $middleware->append([SmallBodies::class, SecurityHeaders::class, Compressed::class, PlainInput::class]);
        // Only the address of the studio is answered (but in a local one); which proxies are believed says config/prism.php.
        $middleware->trustHosts(at: static fn (): array => ['^'.preg_quote((string) parse_url((string) config('app.url'), PHP_URL_HOST)).'$'], subdomains: false);
        $middleware->web(append: [EndsInTime::class]);
        // The API is JSON: an empty text there is an empty text (a bare stack), not nothing.
        $middleware->convertEmptyStringsToNull(except: [static fn (Request $request): bool => $request->is('api/*')]);
    })
    ->withExceptions(static function (Exceptions $exceptions): void {
        Problems::register($exceptions);
    })
    ->create();
