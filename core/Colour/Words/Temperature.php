<?php

declare(strict_types=1);

namespace Prism\Colour\Words;

enum Temperature: string
{
    case Warm = 'warm';
    case Cool = 'cool';
    case Neutral = 'neutral';
}
