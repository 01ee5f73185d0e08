<?php

declare(strict_types=1);

namespace App\Studio\LongWork;

/** A long work waits for a worker of its queue. */
final readonly class WorkWaits
{
    public function __construct(public WorkQueue $queue)
    {
    }
}
