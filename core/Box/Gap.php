<?php

declare(strict_types=1);

namespace Prism\Box;

use Prism\Colour\Words\Appearance;
use Prism\Matching\Recipe;
use Prism\Materials\PencilId;

/** Colours that a box lacks and an artist would call one: the pencil that would bring most of them, and how near the box comes meanwhile. */
final readonly class Gap
{
    /**
     * @param  int  $cells  how many colours it is, {@see \Prism\Matching\Gamut}
     * @param  ?PencilId  $buy  null if no pencil that is known would bring any
     * @param  int  $brings  so many of the cells
     * @param  Recipe  $mix  of the box, for the colour in its middle
     */
    public function __construct(public Appearance $look, public int $cells, public ?PencilId $buy, public int $brings, public Recipe $mix)
    {
    }
}
