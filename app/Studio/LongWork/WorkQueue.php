<?php

declare(strict_types=1);

namespace App\Studio\LongWork;

/** Two queues with a worker each: what can wait keeps nobody from what is waited for. */
enum WorkQueue: string
{
    case Soon = 'soon';
    case Later = 'later';

    /** @return list<string> values of the kinds that wait in it */
    public function kinds(): array
    {
        return array_column(array_filter(WorkKind::cases(), fn (WorkKind $kind): bool => $kind->queue() === $this), 'value');
    }
}
