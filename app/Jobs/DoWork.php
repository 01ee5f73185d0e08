<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Models\User;
use App\Models\Work;
use App\Studio\LongWork\WorkCancelled;
use App\Studio\LongWork\WorkKind;
use App\Studio\LongWork\WorkRefused;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;
use Throwable;

/** Does a long work, says how far it is, and stops when the artist cancels it. */
final class DoWork implements ShouldQueue
{
    use Dispatchable, InteractsWithQueue, Queueable;

    private const TELL_EVERY_SECONDS = 0.25;

    public int $timeout = 300;

    public int $tries = 1;

    public function __construct(private readonly string $work)
    {
    }

    /**
     * Asks for a long work. What is waiting or running already is not asked for twice: of most kinds one at a time, of those
     * about a piece one for each piece.
     *
     * @param  array<string, mixed>  $wish
     */
    public static function begin(User $artist, WorkKind $kind, array $wish): Work
    {
        $open = Work::query();
        $open->where('user_id', $artist->id)->where('kind', $kind->value)->whereIn('state', ['waiting', 'running']);
        if ($kind->isAboutPiece()) {
            $open->where('wish->piece', $wish['piece'] ?? '');
        }
        $work = $open->first();
        if ($work === null) {
            $work = $artist->works()->create(['kind' => $kind->value, 'wish' => $wish]);
            self::dispatch($work->id);
        }

        return $work;
    }

    public function handle(): void
    {
        $waiting = Work::query()->whereKey($this->work);
        if ($waiting->where('state', 'waiting')->update(['state' => 'running']) === 0) {
            return;
        }
        $work = Work::query()->findOrFail($this->work);
        $kind = WorkKind::from($work->kind);
        $artist = User::query()->findOrFail($work->user_id);
        $worker = app($kind->worker());
        try {
            $result = $worker->do($artist, $work->wish, $this->teller());
            $this->end('running', ['state' => 'done', 'progress' => 1.0, 'doing' => '', 'result' => json_encode($result, JSON_THROW_ON_ERROR)]);
            if ($kind === WorkKind::Calibration) {
                // Recipes rest on it from now on: their pairs are mixed anew before they are asked for.
                PrepareBox::dispatch($artist);
            }
            if ($kind === WorkKind::Balance && ($result['isFirst'] ?? false) === true) {
                self::begin($artist, WorkKind::Look, ['piece' => $result['piece']]);
            }
        } catch (WorkCancelled) {
            // Its row says so already.
        } catch (WorkRefused $refusal) {
            $this->end('running', ['state' => 'failed', 'problem' => mb_substr($refusal->getMessage(), 0, 300)]);
        }
    }

    /** The worker died, or ran out of time. */
    public function failed(?Throwable $problem): void
    {
        $this->end('running', ['state' => 'failed', 'problem' => 'This went wrong in the studio. Nothing was changed; try again.']);
    }

    /** @return \Closure(string, float): void */
    private function teller(): \Closure
    {
        $last = 0.0;

        return function (string $doing, float $progress) use (&$last): void {
            $now = microtime(true);
            if ($now - $last < self::TELL_EVERY_SECONDS) {
                return;
            }
            $last = $now;
            $row = Work::query()->whereKey($this->work)->where('state', 'running');
            // Asked for apart: an update that changes nothing counts no row.
            if ($row->doesntExist()) {
                throw new WorkCancelled;
            }
            $row->update(['doing' => $doing, 'progress' => max(0.0, min(1.0, $progress)), 'updated_at' => now()]);
        };
    }

    /** @param  array<string, mixed>  $columns */
    private function end(string $from, array $columns): void
    {
        $row = Work::query()->whereKey($this->work);
        $row->where('state', $from)->update($columns);
    }
}
