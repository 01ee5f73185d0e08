<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Studio\DemoDrawing;
use App\Studio\DemoPiece;
use App\Studio\DemoRecipes;
use App\Studio\DemoStudio;
use App\Studio\LongWork\WorkQueue;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldBeUnique;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;

/** Has a piece of the demo drawn, while nobody waits for it: the demo opens without. */
final class DrawDemo implements ShouldBeUnique, ShouldQueue
{
    use Dispatchable, InteractsWithQueue, Queueable;

    public int $timeout = DoWork::TIMEOUT_SECONDS;

    public int $tries = 1;

    public function handle(DemoStudio $studio, DemoDrawing $drawing, DemoRecipes $recipes): void
    {
        $artist = $studio->original();
        $piece = $artist->pieces()->where('title', DemoPiece::titleOf(DemoPiece::DRAWN))->first();
        if ($piece !== null) {
            $drawing->draw($artist, $piece);
            $recipes->ofDrawn($artist, $piece->refresh());
        }
        DrawStudies::dispatch()->onQueue(WorkQueue::Later->value);
    }
}
