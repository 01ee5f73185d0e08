<?php

declare(strict_types=1);

use App\Jobs\DoWork;
use App\Jobs\PrepareBox;
use App\Models\Paper;
use App\Models\User;
use App\Models\Work;
use App\Models\ZoneTarget;
use App\Studio\Calibration\Calibrations;
use App\Studio\Calibration\Engine;
use App\Studio\LongWork\ArchiveWork;
use App\Studio\LongWork\AuditWork;
use App\Studio\LongWork\BalanceWork;
use App\Studio\LongWork\CalibrationWork;
use App\Studio\LongWork\DemoPieceWork;
use App\Studio\LongWork\FillingWork;
use App\Studio\LongWork\LongWork;
use App\Studio\LongWork\LookWork;
use App\Studio\LongWork\PhotoWork;
use App\Studio\LongWork\PlanningWork;
use App\Studio\LongWork\ReadingWork;
use App\Studio\LongWork\ReservesWork;
use App\Studio\LongWork\RestoreWork;
use App\Studio\LongWork\ReviewWork;
use App\Studio\LongWork\SearchAgainWork;
use App\Studio\LongWork\SimulatedDrawingWork;
use App\Studio\LongWork\WorkCancelled;
use App\Studio\LongWork\WorkKind;
use App\Studio\LongWork\WorkQueue;
use App\Studio\LongWork\WorkRefused;
use App\Studio\LongWork\Works;
use App\Studio\Pencils\Catalogue;
use App\Studio\Planning\PlanSheet;
use App\Studio\Planning\ZoneRecipes;
use App\Studio\Swatches\SwatchBook;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Prism\Box\BoxCover;
use Prism\Colour\Lab;
use Prism\Layering\Stack;
use Prism\Matching\Gamut;

use function Tests\Feature\artist;
use function Tests\Feature\pieceOf;
use function Tests\Feature\spotIn;

// What long work finds is what the core finds, and what it cannot do it says.

beforeEach(function (): void {
    $this->user = artist();
    $this->paper = Paper::query()->where('slug', 'harbour-cartridge')->firstOrFail();
    $this->silent = static function (): void {
    };
});

it('has a worker for every kind', function (): void {
    expect(array_map(static fn (WorkKind $kind): string => $kind->worker(), WorkKind::cases()))
        ->toBe([CalibrationWork::class, AuditWork::class, FillingWork::class, SearchAgainWork::class, LookWork::class, PlanningWork::class, BalanceWork::class, ReservesWork::class, DemoPieceWork::class, PhotoWork::class, ReadingWork::class, ReviewWork::class, SimulatedDrawingWork::class, ArchiveWork::class, RestoreWork::class]);
});

it('goes on while it says the same again, and stops once it is cancelled', function (): void {
    $told = static fn (string $state): Closure => function (User $artist, array $wish, Closure $progress) use ($state): array {
        foreach (range(1, 3) as $_) {
            usleep(260_000);
            Work::query()->update(['state' => $state]);
            $progress('Choosing', 0.6);
        }

        return ['piece' => '1', 'pencils' => 3];
    };
    foreach (['running' => 'done', 'cancelled' => 'cancelled'] as $meanwhile => $ends) {
        $this->app->bind(PlanningWork::class, static fn (): LongWork => new class($told($meanwhile)) implements LongWork
        {
            public function __construct(private readonly Closure $does)
            {
            }

            public function do(User $artist, array $wish, Closure $progress): array
            {
                return ($this->does)($artist, $wish, $progress);
            }
        });
        expect(app(Works::class)->begin($this->user, WorkKind::Planning, ['piece' => 'x'])->refresh()->state)->toBe($ends);
    }
});

it('does of each artist one thing in turn, the oldest first', function (): void {
    Queue::fake();
    $other = artist();
    $ask = static fn (User $artist, string $piece): string => app(Works::class)->begin($artist, WorkKind::Planning, ['piece' => $piece])->id;
    [$a, $b, $c] = [$ask($this->user, '1'), $ask($this->user, '2'), $ask($this->user, '3')];
    $d = $ask($other, '4');
    $next = static fn (): ?string => app(Works::class)->next(WorkQueue::Soon)?->id;
    expect([$next(), $next(), $next(), $next(), $next()])->toBe([$a, $d, $b, $c, null])->and(app(Works::class)->next(WorkQueue::Later))->toBeNull();
});

it('says how many are done before what waits', function (): void {
    Queue::fake();
    $other = artist();
    $ask = fn (User $artist, string $piece): Work => app(Works::class)->begin($artist, WorkKind::Planning, ['piece' => $piece]);
    [$first, $second, $others] = [$ask($this->user, '1'), $ask($this->user, '2'), $ask($other, '3')];
    $before = fn (Work $work): int => $this->actingAs($work->user_id === $other->id ? $other : $this->user)->getJson("/api/works/$work->id")->json('before');
    expect([$before($first), $before($second), $before($others)])->toBe([0, 2, 1]);
    // What runs comes first too; and who has something running is behind who has not.
    app(Works::class)->next(WorkQueue::Soon);
    expect([$before($first), $before($second), $before($others)])->toBe([0, 2, 1]);
    app(Works::class)->end($first->refresh(), ['state' => 'done']);
    expect([$before($second), $before($others)])->toBe([0, 1]);
});

it('leaves nothing running whose worker is gone, and lets go on what is being done', function (): void {
    $gone = $this->user->works()->create(['kind' => 'planning', 'wish' => ['piece' => 'x'], 'state' => 'running']);
    $done = $this->user->works()->create(['kind' => 'planning', 'wish' => ['piece' => 'y'], 'state' => 'running']);
    // Another connection, as a worker has it.
    $worker = DB::connectUsing('worker', config('database.connections.mariadb'));
    $worker->selectOne('select get_lock(?, 0) as held', ["prism-work-$done->id"]);
    $this->actingAs($this->user);
    $this->getJson("/api/works/$gone->id")->assertJsonPath('state', 'running');
    $this->travel(5)->seconds();
    $this->getJson("/api/works/$done->id")->assertJsonPath('state', 'running');
    $this->getJson("/api/works/$gone->id")->assertJsonPath('state', 'failed')->assertJsonPath('problem', Works::BROKEN);
    $this->getJson('/api/works?kind=planning&piece=y')->assertJsonPath('work.state', 'running');
    // With its connection goes the lock, however the worker ended.
    $worker->disconnect();
    $this->getJson('/api/works?kind=planning&piece=y')->assertJsonPath('work.state', 'failed');
    Queue::fake();
    expect(app(Works::class)->begin($this->user, WorkKind::Planning, ['piece' => 'y'])->id)->not->toBe($done->id);
});

it('puts into the queue again what has lost its place there', function (): void {
    Queue::fake();
    $work = app(Works::class)->begin($this->user, WorkKind::Planning, ['piece' => 'x']);
    $this->travel(5)->seconds();
    Queue::fake();
    $this->actingAs($this->user)->getJson("/api/works/$work->id")->assertJsonPath('state', 'waiting');
    Queue::assertPushedOn('soon', DoWork::class);
});

it('puts work in the queue again that a clock that was set back has left in time to come', function (): void {
    config(['queue.default' => 'database']);
    $this->travel(2)->hours();
    $work = app(Works::class)->begin($this->user, WorkKind::Audit, []);
    $this->travelBack();
    $queued = static fn (): int => Queue::pendingSize('later');
    expect($work->refresh()->state)->toBe('waiting')->and($queued())->toBe(0);
    $this->actingAs($this->user)->getJson("/api/works/$work->id")->assertOk()->assertJsonPath('state', 'waiting');
    expect($queued())->toBe(1);
    // Once: it is there now.
    $this->getJson("/api/works/$work->id")->assertOk();
    expect($queued())->toBe(1);
    DB::table('jobs')->delete();
});

it('takes up no job beside itself, and what can wait keeps nobody waiting', function (): void {
    expect(config('queue.connections.database.retry_after'))->toBeGreaterThan(DoWork::TIMEOUT_SECONDS)
        ->and(WorkKind::Audit->queue())->toBe(WorkQueue::Later)->and(WorkKind::Planning->queue())->toBe(WorkQueue::Soon);
});

it('keeps a note of a job that broke', function (): void {
    app('queue.failer')->log('database', 'default', '{"uuid":"0a1b"}', new RuntimeException('broke'));
    expect(app('queue.failer')->find('0a1b')->exception)->toContain('broke');
});

describe('the audit', function (): void {
    beforeEach(function (): void {
        $this->found = app(AuditWork::class)->do($this->user, ['paper' => 'harbour-cartridge'], $this->silent);
    });

    it('counts the colours that the box\'s own pairs make', function (): void {
        $box = app(Catalogue::class)->box($this->user);
        $has = Gamut::of(app(Engine::class)->library($this->paper, $this->user, $box));
        expect($this->found['reached'])->toBe($has->count())->and($this->found['box'])->toBe(15)->and($this->found['compared'])->toBe(15 + 64);
    });

    it('draws as many dots and rings as it counts, and the same on the ladder', function (): void {
        $reached = count(array_filter($this->found['cells'], static fn (array $cell): bool => $cell[3] === 1));
        $holes = count($this->found['cells']) - $reached;
        expect($reached)->toBe($this->found['reached'])->and($reached + $holes)->toBe($this->found['reachable'])
            ->and(array_sum(array_column($this->found['ladder'], 'reached')))->toBe($reached)->and(array_sum(array_column($this->found['ladder'], 'missing')))->toBe($holes)
            ->and(array_column($this->found['ladder'], 'step'))->toBe(range(9, 1));
    });

    it('names holes largest first, no larger in all than there are', function (): void {
        $cells = array_column($this->found['holes'], 'cells');
        $sorted = $cells;
        rsort($sorted);
        expect($cells)->toBe($sorted)->and(array_sum($cells))->toBeLessThanOrEqual($this->found['reachable'] - $this->found['reached'])->and(count($cells))->toBeLessThanOrEqual(8);
    });

    it('tells light and dark as the core does', function (): void {
        $coats = [];
        foreach (app(Catalogue::class)->box($this->user) as $id => $pencil) {
            $coats[$id] = $pencil->fullCoat;
        }
        $rows = array_map(static fn (array $row): array => [...$row, 'missing' => array_column($row['missing'], 'kind')], $this->found['cover']);
        expect($rows)->toBe(BoxCover::of($coats)->rows);
    });

    it('ends each hole and each kind that is missing in a pencil to buy, not owned, and a mix of the box', function (): void {
        $box = app(Catalogue::class)->box($this->user)->ids();
        $gaps = [...$this->found['holes'], ...array_column(array_merge(...array_column($this->found['cover'], 'missing')), 'gap')];
        expect(count($gaps))->toBeGreaterThan(8);
        foreach ($gaps as $gap) {
            expect($gap['buy'])->not->toBeIn($box)->and($gap['brings'])->toBeLessThanOrEqual($gap['cells'])
                ->and(array_diff(array_map(strval(...), Stack::parse($gap['mix']['stack'])->pencils()), $box))->toBe([])->and($gap['mix']['words'])->not->toBe('');
        }
    });

    it('chooses the best few out of the box alone', function (): void {
        $box = app(Catalogue::class)->box($this->user)->ids();
        foreach ($this->found['curve'] as $point) {
            expect(array_diff($point['pencils'], $box))->toBe([])->and(count($point['pencils']))->toBeLessThanOrEqual($point['size']);
        }
        expect(array_column($this->found['curve'], 'size'))->toBe([6, 8, 12, 15]);
    });

    it('rests on the calibration in force', function (): void {
        expect($this->found['calibration'])->toBeNull();
        app(SwatchBook::class)->write($this->user, $this->paper, Stack::parse('QW:6858@60'), Lab::of(60, 5, -38), 'typed');
        $made = app(Calibrations::class)->calibrate($this->user);
        expect(app(AuditWork::class)->do($this->user, ['paper' => 'harbour-cartridge'], $this->silent)['calibration']['id'])->toBe($made->id);
    });
});

it('counts own targets in the audit once there are some', function (): void {
    $piece = pieceOf($this->user);
    foreach ([[62, 20, 45], [50, -45, 10], [30, 8, 10], [55, -10, -30]] as [$L, $a, $b]) {
        spotIn($piece, 'a', [$L, $a, $b]);
    }
    $found = app(AuditWork::class)->do($this->user, ['paper' => 'harbour-cartridge'], $this->silent);
    expect($found['targets'])->toBe(4)->and($found['ownCurve'])->not->toBe([])->and($found['nextForPieces'])->not->toBe([])
        ->and($found['nextForPieces'][0]['gained'])->toBeGreaterThan(0.0);
});

it('stops where it stands when it is told to', function (string $work, array $wish): void {
    $piece = pieceOf($this->user);
    $target = spotIn($piece, 'a', [50, 0, 0], 'QW:3769@90');
    foreach (['QW:6858@30', 'QW:6858@60', 'QW:5892@60'] as $stack) {
        app(SwatchBook::class)->write($this->user, $this->paper, Stack::parse($stack), Lab::of(60, 5, -38), 'typed');
    }
    $told = 0;
    $cancel = static function () use (&$told): void {
        if (++$told > 1) {
            throw new WorkCancelled;
        }
    };
    expect(fn () => app($work)->do($this->user, [...$wish, 'targets' => [$target->id, spotIn($piece, 'b', [60, 0, 0], 'QW:3769@50')->id]], $cancel))->toThrow(WorkCancelled::class);
    expect($target->recipe()->first()->stack)->toBe('QW:3769@90')->and($this->user->calibrations()->exists())->toBeFalse();
})->with([[AuditWork::class, ['paper' => 'harbour-cartridge']], [CalibrationWork::class, []], [SearchAgainWork::class, []]]);

it('draws on no sheet that is not there', function (): void {
    $chart = $this->user->charts()->create(['paper_id' => $this->paper->id, 'kind' => 'stacks', 'page' => 'a4', 'title' => 'x', 'stacks' => ['', 'QW:6858@60']]);
    expect(fn () => app(FillingWork::class)->do($this->user, ['chart' => $chart->id, 'sheet' => 2], $this->silent))->toThrow(WorkRefused::class, 'no such sheet');
});

it('searches again for what the artist has not chosen meanwhile', function (): void {
    $piece = pieceOf($this->user);
    [$a, $b] = [spotIn($piece, 'a', [50, 0, 0], 'QW:3769@90'), spotIn($piece, 'b', [60, 20, 0], 'QW:3769@50')];
    app(SearchAgainWork::class)->do($this->user, ['targets' => [$a->id, $b->id]], function () use ($b): void {
        $b->recipe()->update(['stack' => 'QW:6858@30', 'by_hand' => true]);
        ZoneTarget::query()->whereKey($b->id)->increment('version');
    });
    expect($a->recipe()->value('stack'))->not->toBe('QW:3769@90')->and($b->recipe()->value('stack'))->toBe('QW:6858@30');
});

it('searches nothing out of an empty box', function (): void {
    expect(fn () => app(SearchAgainWork::class)->do(artist(withBox: false), ['targets' => []], $this->silent))->toThrow(WorkRefused::class, 'Your box is empty');
});

it('has the box mixed anew once a calibration is in force', function (): void {
    foreach (['QW:6858@30', 'QW:6858@60', 'QW:5892@60'] as $stack) {
        app(SwatchBook::class)->write($this->user, $this->paper, Stack::parse($stack), Lab::of(60, 5, -38), 'typed');
    }
    $work = $this->user->works()->create(['kind' => 'calibration', 'wish' => []]);
    Queue::fake();
    app()->call([new DoWork(WorkQueue::Later), 'handle']);
    Queue::assertPushed(PrepareBox::class, 1);
    expect($work->refresh()->state)->toBe('done')->and($work->progress)->toBe(1.0);
    // A second worker that gets the same job leaves it alone.
    app()->call([new DoWork(WorkQueue::Later), 'handle']);
    Queue::assertPushed(PrepareBox::class, 1);
});

it('names the calibration and the doubt in the plan, and on its sheet', function (): void {
    app(SwatchBook::class)->write($this->user, $this->paper, Stack::parse('QW:6858@60'), Lab::of(60, 5, -38), 'typed');
    app(Calibrations::class)->calibrate($this->user);
    $piece = pieceOf($this->user);
    spotIn($piece, 'a', [60, 5, -38], 'QW:5892@40 > QW:6858@60');
    $plan = $this->actingAs($this->user)->getJson("/api/pieces/{$piece->id}/plan")->assertOk()->json();
    expect($plan['calibration']['number'])->toBe(1)->and($plan['steps'])->toHaveCount(2)->and($plan['steps'][1]['sigma'])->toBeGreaterThan($plan['steps'][0]['sigma']);
    expect(app(PlanSheet::class)->pdf($piece->refresh(), app(ZoneRecipes::class)->plan($piece)))->toStartWith('%PDF');
});
