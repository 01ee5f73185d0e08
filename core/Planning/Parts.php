<?php

declare(strict_types=1);

namespace Prism\Planning;

/** How the parts of a long work are done: one after the other, or on as many processors as there are. */
interface Parts
{
    /**
     * @param  int  $count  at most some ten thousand
     * @param  \Closure(int): string  $do  one part, by its place; only computes: what it changes may be lost
     * @param  \Closure(float): void  $progress  how far it is, 0-1; may throw to stop
     * @return list<string> by place
     */
    public function each(int $count, \Closure $do, \Closure $progress): array;
}
