<?php

declare(strict_types=1);

namespace Prism\Reference\Zones;

/** How far back a zone lies: what is near is drawn warmer, crisper and in more contrast. */
enum Distance: string
{
    case Near = 'near';
    case Between = 'between';
    case Far = 'far';

    /** 0 is near: what is deeper lies behind. */
    public function depth(): int
    {
        return match ($this) {
            self::Near => 0,
            self::Between => 1,
            self::Far => 2,
        };
    }
}
