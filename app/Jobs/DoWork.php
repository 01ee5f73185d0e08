<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Models\User;
use App\Models\Work;
use App\Studio\Account\Revisions;
use App\Studio\Files\NoRoom;
use App\Studio\LongWork\WorkCancelled;
use App\Studio\LongWork\WorkKind;
use App\Studio\LongWork\WorkQueue;
use App\Studio\LongWork\WorkRefused;
use App\Studio\LongWork\Works;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;
use Throwable;

/** Does the long work whose turn it is, says how far it is, and stops when the artist cancels it. */
final class DoWork implements ShouldQueue
{
    use Dispatchable, InteractsWithQueue, Queueable;

    private const TELL_EVERY_SECONDS = 0.25;

    public const TIMEOUT_SECONDS = 300;

    public int $timeout = self::TIMEOUT_SECONDS;

    public int $tries = 1;

    public function __construct(private readonly WorkQueue $of)
    {
    }

    public function handle(Works $works): void
    {
        $work = $works->next($this->of);
        if ($work === null) {
            return;
        }
        $kind = WorkKind::from($work->kind);
        $artist = User::query()->findOrFail($work->user_id);
        try {
            try {
                $result = app($kind->worker())->do($artist, $work->wish, $this->teller($work));
            } finally {
                // Before anybody hears that it is done.
                Revisions::countOn($artist->id);
            }
            $works->end($work, ['state' => 'done', 'progress' => 1.0, 'doing' => '', 'result' => json_encode($result, JSON_THROW_ON_ERROR)]);
        } catch (WorkCancelled) {
            // Its row says so already.
            $works->end($work, []);

            return;
        } catch (WorkRefused $refusal) {
            $works->end($work, ['state' => 'failed', 'problem' => mb_substr($refusal->getMessage(), 0, 300)]);

            return;
        } catch (Throwable $problem) {
            $works->end($work, ['state' => 'failed', 'problem' => NoRoom::isIn($problem) ? NoRoom::WORDS : Works::BROKEN]);
            throw $problem;
        }
        if ($kind === WorkKind::Calibration || ($kind === WorkKind::Photo && ! isset($work->wish['piece']))) {
            // Recipes rest on it from now on, or will be looked for in a new piece: pairs are mixed before they are asked for.
            PrepareBox::dispatch($artist);
        }
        if (in_array($kind, [WorkKind::Balance, WorkKind::Photo], true) && ($result['isFirst'] ?? false) === true) {
            $works->begin($artist, WorkKind::Look, ['piece' => $result['piece']]);
        }
    }

    /** @return \Closure(string, float): void */
    private function teller(Work $work): \Closure
    {
        $last = 0.0;

        return static function (string $doing, float $progress) use (&$last, $work): void {
            $now = microtime(true);
            if ($now - $last < self::TELL_EVERY_SECONDS) {
                return;
            }
            $last = $now;
            $row = Work::query()->whereKey($work->id)->where('state', 'running');
            // Asked for apart: an update that changes nothing counts no row.
            if ($row->doesntExist()) {
                throw new WorkCancelled;
            }
            $row->update(['doing' => $doing, 'progress' => max(0.0, min(1.0, $progress)), 'updated_at' => now()]);
        };
    }
}
