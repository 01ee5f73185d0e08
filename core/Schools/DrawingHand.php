<?php

declare(strict_types=1);

namespace Prism\Schools;

/** The hand that draws. It rests on what is not done yet: who draws with the right works from upper left to lower right. */
enum DrawingHand: string
{
    case Right = 'right';
    case Left = 'left';

    /** How late a place is come to, 0-2; from shares of the width and of the height. */
    public function sweep(float $across, float $down): float
    {
        return ($this === self::Right ? $across : 1.0 - $across) + $down;
    }
}
