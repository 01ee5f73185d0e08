<?php

declare(strict_types=1);

namespace Prism\Reference\Lines;

/** How an area is coloured: its colours, what it is the outline of, and whether it shines. */
final readonly class AreaPaint
{
    /** @param  int  $body  number of the area whose form it is a part of: the bands of a jug are one jug; its own if it is a form of its own */
    public function __construct(public AreaColours $colours, public AreaForm $form, public bool $shines, public int $body)
    {
    }
}
