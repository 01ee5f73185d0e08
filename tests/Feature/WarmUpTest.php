<?php

declare(strict_types=1);

use App\Models\Piece;
use App\Studio\Calibration\Calibrations;
use App\Studio\Calibration\Engine;
use App\Studio\LongWork\WarmUp;
use Illuminate\Queue\Events\WorkerStarting;
use Illuminate\Queue\WorkerOptions;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\Facades\Exceptions;

use function Tests\Feature\artist;
use function Tests\Feature\pieceOf;

it('finds a palette by each finish before anybody asks, and changes nothing', function (): void {
    pieceOf(artist());
    $before = Piece::query()->get()->toArray();
    expect(app(WarmUp::class)->find())->toBe(27)->and(Piece::query()->get()->toArray())->toBe($before);
});

it('has nothing to do where there is no piece, or no pencil', function (): void {
    expect(app(WarmUp::class)->find())->toBe(0);
    pieceOf(artist(withBox: false));
    expect(app(WarmUp::class)->find())->toBe(0);
});

it('is done when a worker starts, which starts even where it fails', function (): void {
    expect(Event::hasListeners(WorkerStarting::class))->toBeTrue();
    pieceOf(artist());
    // Nothing can be kept here.
    $this->app->scoped(Engine::class, static fn ($app): Engine => new Engine($app->make(Calibrations::class), $app->make('cache.store'), '/dev/null/engine'));
    $heard = Exceptions::fake();
    $this->app->make('events')->dispatch(new WorkerStarting('database', 'default', new WorkerOptions));
    $heard->assertReportedCount(1);
});
