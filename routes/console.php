<?php

declare(strict_types=1);

use Illuminate\Support\Facades\Schedule;

// Commands live in app/Console/Commands and are found there. By night, and never twice at a time.
Schedule::command('model:prune')->dailyAt('03:40')->withoutOverlapping();
Schedule::command('prism:backup')->dailyAt('02:40')->withoutOverlapping()->when(static fn (): bool => config('prism.backups') !== '');
Schedule::command('prism:sweep')->dailyAt('03:50')->withoutOverlapping();
