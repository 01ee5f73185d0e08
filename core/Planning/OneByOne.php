<?php

declare(strict_types=1);

namespace Prism\Planning;

/** Part after part, in one process. */
final class OneByOne implements Parts
{
    public function each(int $count, \Closure $do, \Closure $progress): array
    {
        $done = [];
        for ($i = 0; $i < $count; $i++) {
            $progress($i / $count);
            $done[] = $do($i);
        }

        return $done;
    }
}
