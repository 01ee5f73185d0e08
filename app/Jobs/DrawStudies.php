<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Studio\DemoStudies;
use App\Studio\DemoStudio;
use App\Studio\LongWork\WorkQueue;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;

/** Has one study of the demo drawn, and asks for the next: whatever waits meanwhile comes between. */
final class DrawStudies implements ShouldQueue
{
    use Dispatchable, InteractsWithQueue, Queueable;

    public int $timeout = DoWork::TIMEOUT_SECONDS;

    public int $tries = 1;

    public function handle(DemoStudio $studio, DemoStudies $studies): void
    {
        if ($studies->drawNext($studio->original())) {
            self::dispatch()->onQueue(WorkQueue::Later->value);
        }
    }
}
