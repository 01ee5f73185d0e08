<?php

declare(strict_types=1);

namespace App\Studio\LongWork;

use App\Models\User;
use App\Models\Work;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;

/**
 * Long works: asked for, taken up one after the other, and never left standing.
 *
 * Whoever does a work holds a lock of its name in the database (GET_LOCK): it is gone the moment its connection is, however the worker
 * ended. So a work that is running and whose lock is free is running no more.
 */
final class Works
{
    public const BROKEN = 'This went wrong in the studio. Nothing was changed; try again.';

    /** A work has its lock, and a waiting one its place in the queue, so soon after its row is written. */
    private const SETTLED_SECONDS = 3;

    /**
     * Asks for a long work. What is waiting or running already is not asked for twice; see {@see WorkKind::isOneOfMany()}.
     *
     * @param  array<string, mixed>  $wish
     */
    public function begin(User $artist, WorkKind $kind, array $wish): Work
    {
        [$work, $isNew] = DB::transaction(function () use ($artist, $kind, $wish): array {
            // Who asks twice at the same time is heard one after the other.
            $row = User::query()->whereKey($artist->id);
            $row->lockForUpdate()->value('id');
            $open = Work::query();
            $open->where('user_id', $artist->id)->where('kind', $kind->value)->whereIn('state', ['waiting', 'running']);
            if ($kind->isAboutPiece()) {
                $open->where('wish->piece', $wish['piece'] ?? '');
            }
            $work = $kind->isOneOfMany() ? null : $open->first();
            $work = $work === null ? null : $this->tended($work);

            return $work !== null && in_array($work->state, ['waiting', 'running'], true) ? [$work, false] : [$artist->works()->create(['kind' => $kind->value, 'wish' => $wish]), true];
        });
        if ($isNew) {
            event(new WorkWaits($kind->queue()));
        }

        return $work;
    }

    /**
     * The next that is to be done, running from now on: of the artist for whom least is being done, and of each the oldest first.
     * Whoever takes it ends it by {@see self::end()}.
     */
    public function next(WorkQueue $queue): ?Work
    {
        return DB::transaction(function () use ($queue): ?Work {
            $turn = Work::query()->find(self::line($queue, true)[0] ?? null);
            if ($turn !== null) {
                DB::selectOne('select get_lock(?, 0) as held', [self::lock($turn)], false);
                $turn->update(['state' => 'running']);
            }

            return $turn;
        });
    }

    /** @param  array<string, mixed>  $columns  of a running work; one that was cancelled stays so */
    public function end(Work $work, array $columns): void
    {
        $row = Work::query()->whereKey($work->id);
        $row->where('state', 'running')->update($columns);
        DB::selectOne('select release_lock(?) as released', [self::lock($work)], false);
    }

    /** As it really stands: failed where its worker is gone, in the queue again where its place in it was lost. */
    public function tended(Work $work): Work
    {
        // What was changed in time to come was so before the clock was set back.
        if ($work->updated_at === null || $work->updated_at->between(now()->subSeconds(self::SETTLED_SECONDS), now()->addSecond())) {
            return $work;
        }
        if ($work->state === 'running' && DB::selectOne('select is_free_lock(?) as free', [self::lock($work)], false)?->free === 1) {
            $this->end($work, ['state' => 'failed', 'problem' => self::BROKEN]);
            $work->refresh();
        }
        $kind = WorkKind::tryFrom($work->kind);
        if ($work->state === 'waiting' && $kind !== null && Queue::pendingSize($kind->queue()->value) === 0) {
            event(new WorkWaits($kind->queue()));
        }

        return $work;
    }

    /** How many are done, or are to be done, before one that waits. */
    public function before(Work $work): int
    {
        $queue = WorkKind::tryFrom($work->kind)?->queue();
        $place = $queue === null || $work->state !== 'waiting' ? false : array_search($work->id, self::line($queue, false), true);
        if ($queue === null || $place === false) {
            return 0;
        }
        $running = Work::query()->where('state', 'running')->whereIn('kind', $queue->kinds());

        return $place + $running->count();
    }

    /** @return list<string> keys of what waits in a queue, in the order in which it is done as things are */
    private static function line(WorkQueue $queue, bool $lock): array
    {
        $waiting = Work::query();
        $waiting->where('state', 'waiting')->whereIn('kind', $queue->kinds())->orderBy('id');
        $running = Work::query()->where('state', 'running')->pluck('user_id')->countBy();
        $line = $before = [];
        foreach (($lock ? $waiting->lockForUpdate() : $waiting)->get(['id', 'user_id']) as $work) {
            $line[] = [($running[$work->user_id] ?? 0) + ($before[$work->user_id] ?? 0), $work->id];
            $before[$work->user_id] = ($before[$work->user_id] ?? 0) + 1;
        }
        sort($line);

        return array_column($line, 1);
    }

    private static function lock(Work $work): string
    {
        return "prism-work-$work->id";
    }
}
