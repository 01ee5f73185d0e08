<?php

declare(strict_types=1);

namespace App\Providers;

use App\Http\Bindings;
use App\Http\QuietSessions;
use App\Http\Requests\NotCommon;
use App\Http\Requests\PasswordBytes;
use App\Jobs\DoWork;
use App\Models\Token;
use App\Studio\Account\Replicas;
use App\Studio\Account\Revisions;
use App\Studio\Account\Room;
use App\Studio\Account\SecurityLog;
use App\Studio\Archive\Archives;
use App\Studio\Archive\PieceArchive;
use App\Studio\Archive\PieceRestore;
use App\Studio\Archive\Restores;
use App\Studio\Archive\StudioArchive;
use App\Studio\Archive\StudioRestore;
use App\Studio\Backup\Backups;
use App\Studio\Backup\DatabaseDump;
use App\Studio\Calibration\Calibrations;
use App\Studio\Calibration\Engine;
use App\Studio\Drawing\DrawingPhotos;
use App\Studio\Files\Depot;
use App\Studio\LongWork\WarmUp;
use App\Studio\LongWork\WorkWaits;
use App\Studio\Pencils\Catalogue;
use App\Studio\Photos\PhotoReader;
use App\Studio\Photos\PhotoStore;
use App\Studio\Photos\PictureReadings;
use App\Studio\Photos\Uploads;
use App\Studio\Swatches\ChartPictures;
use App\Studio\Swatches\SimulatedReader;
use App\Studio\Swatches\SwatchReader;
use App\Studio\Sweep;
use Illuminate\Cache\RateLimiting\Limit;
use Illuminate\Contracts\Foundation\Application;
use Illuminate\Database\Events\ConnectionEstablished;
use Illuminate\Database\Events\TransactionCommitted;
use Illuminate\Http\Middleware\TrustProxies;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use Illuminate\Queue\Events\WorkerStarting;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\Facades\Session;
use Illuminate\Support\ServiceProvider;
use Illuminate\Validation\Rules\Password;
use Laravel\Sanctum\Sanctum;
use PDO;

final class AppServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        $storage = static fn (): string => (string) config('prism.storage');
        $this->app->scoped(Catalogue::class);
        $this->app->singleton(SwatchReader::class, SimulatedReader::class);
        $this->app->scoped(Engine::class, static fn (Application $app): Engine => new Engine($app->make(Calibrations::class), $app->make('cache.store'), $storage().'/engine'));
        $this->app->bind(Depot::class, static fn (Application $app): Depot => new Depot($storage(), config('prism.store') === null ? null : $app->make('filesystem')->disk((string) config('prism.store'))));
        $this->app->singleton(PhotoStore::class, static fn (Application $app): PhotoStore => new PhotoStore($app->make(Depot::class)));
        $this->app->singleton(PictureReadings::class, static fn (Application $app): PictureReadings => new PictureReadings($app->make(PhotoStore::class), $storage().'/readings'));
        $this->app->singleton(ChartPictures::class, static fn (Application $app): ChartPictures => new ChartPictures($app->make(Depot::class)));
        $this->app->singleton(DrawingPhotos::class, static fn (Application $app): DrawingPhotos => new DrawingPhotos($app->make(Depot::class), $app->make(PhotoReader::class)));
        $this->app->singleton(Uploads::class, static fn (Application $app): Uploads => new Uploads($app->make(Depot::class), $app->make(PhotoReader::class)));
        $this->app->bind(Archives::class, static fn (Application $app): Archives => new Archives($app->make(Depot::class), $app->make(PieceArchive::class), $app->make(StudioArchive::class)));
        $this->app->bind(Restores::class, static fn (Application $app): Restores => new Restores($app->make(Depot::class), $app->make(PieceRestore::class), $app->make(StudioRestore::class)));
        $this->app->bind(Sweep::class, static fn (Application $app): Sweep => new Sweep($app->make(Depot::class), $app->make(PhotoStore::class), $app->make(DrawingPhotos::class)));
        $this->app->bind(Room::class, static fn (Application $app): Room => new Room($app->make(Depot::class), $app->make(ChartPictures::class), (int) (1e9 * (float) config('prism.gigabytes_of_one')), (int) (1e9 * (float) config('prism.gigabytes_spare'))));
        $this->app->bind(Backups::class, static fn (Application $app): Backups => new Backups($app->make(Depot::class), (string) config('prism.backups'), new DatabaseDump((array) config('database.connections.'.(string) config('database.default')))));
        $this->app->singleton(PhotoReader::class, static fn (): PhotoReader => new PhotoReader((int) config('prism.photo.max_megapixels'), (int) config('prism.photo.working_edge'), (int) config('prism.photo.large_edge')));
    }

    public function boot(): void
    {
        // Web servers keep their connection from one request to the next: making one takes a tenth of a short request. What a request left
        // open is rolled back when it ends. Workers hold locks by theirs, and have one for as long as they live anyway.
        if (in_array(PHP_SAPI, ['fpm-fcgi', 'cli-server'], true)) {
            config(['database.connections.mariadb.options' => [PDO::ATTR_PERSISTENT => true]]);
        }
        JsonResource::withoutWrapping();
        Bindings::register();
        Session::extend('database', static fn (Application $app): QuietSessions => new QuietSessions(DB::connection(config('session.connection')), config('session.table', 'sessions'), (int) config('session.lifetime'), $app));
        Sanctum::usePersonalAccessTokenModel(Token::class);
        TrustProxies::at((array) config('prism.proxies'));
        Event::listen(static fn (WorkWaits $waits) => DoWork::dispatch($waits->queue)->onQueue($waits->queue->value)->afterCommit());
        Event::listen(static fn (ConnectionEstablished $made) => Replicas::readWhereWritten($made->connection));
        Event::subscribe(SecurityLog::class);
        Event::listen(TransactionCommitted::class, static fn () => Revisions::committed());
        if ((bool) config('prism.warm_up')) {
            Event::listen(WorkerStarting::class, WarmUp::class);
        }
        // Of a longer one only the first 72 bytes would count.
        Password::defaults(static fn (): Password => Password::min(10)->rules([new PasswordBytes, new NotCommon]));
        RateLimiter::for('sign-in', static fn (Request $request): array => [
            Limit::perMinute(5)->by($request->string('email')->lower().'|'.$request->ip()),
            Limit::perMinute(30)->by((string) $request->ip()),
            // A code of six figures, three of which are right, is not guessed by many together either.
            ...$request->filled('code') ? [Limit::perHour(40)->by('code|'.($request->user()?->getAuthIdentifier() ?? $request->string('email')->lower()))] : [],
        ]);
        RateLimiter::for('accounts', static fn (Request $request): Limit => Limit::perMinute(10)->by((string) $request->ip()));
        // A password is guessed no faster than that; habits may be clicked through.
        RateLimiter::for('account', static function (Request $request): Limit {
            $artist = (string) ($request->user()?->getAuthIdentifier() ?? $request->ip());

            return $request->has('current_password') ? Limit::perMinute(10)->by("password|$artist") : Limit::perMinute(120)->by("habits|$artist");
        });
        RateLimiter::for('scripts', static fn (Request $request): Limit => Limit::perMinute(300)->by((string) ($request->user()?->getAuthIdentifier() ?? $request->ip())));
        RateLimiter::for('shared', static fn (Request $request): Limit => Limit::perMinute(60)->by((string) $request->ip()));
        RateLimiter::for('demo', static fn (Request $request): Limit => Limit::perMinute(120)->by((string) $request->ip()));
        // What takes seconds of a processor: as much as one who works fast asks for, not more.
        RateLimiter::for('heavy', static fn (Request $request): Limit => Limit::perMinute(120)->by((string) ($request->user()?->getAuthIdentifier() ?? $request->ip())));
        RateLimiter::for('uploads', static fn (Request $request): Limit => Limit::perMinute(20)->by((string) ($request->user()?->getAuthIdentifier() ?? $request->ip())));
    }
}
