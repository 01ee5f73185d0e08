<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Models\Paper;
use App\Models\User;
use App\Studio\Calibration\Engine;
use App\Studio\Pencils\Catalogue;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldBeUnique;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;
use Illuminate\Queue\SerializesModels;

/** Computes the pair libraries of a box ahead of the next search, so that the artist need not wait for them. */
final class PrepareBox implements ShouldBeUnique, ShouldQueue
{
    use Dispatchable, InteractsWithQueue, Queueable, SerializesModels;

    public int $timeout = 120;

    public int $tries = 2;

    public function __construct(private readonly User $user)
    {
    }

    public function uniqueId(): string
    {
        return (string) $this->user->id;
    }

    public function handle(Catalogue $catalogue, Engine $engine): void
    {
        $box = $catalogue->box($this->user);
        if (count($box) === 0) {
            return;
        }
        $papers = Paper::query();
        $papers->whereIn('id', $this->user->pieces()->select('paper_id'));
        foreach ($papers->get() as $paper) {
            $engine->library($paper, $this->user, $engine->searchable($paper, $this->user, $box));
        }
    }
}
