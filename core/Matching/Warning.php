<?php

declare(strict_types=1);

namespace Prism\Matching;

/** What an artist should know before laying a recipe. The code is what files carry. */
enum Warning: string
{
    case OutOfReach = 'out_of_reach';
    case PaperFull = 'paper_full';
    case LowTooth = 'low_tooth';
    case Fades = 'fades';
    case Bloom = 'bloom';
    case ClosesEarly = 'closes_early';

    public function sentence(): string
    {
        return match ($this) {
            self::OutOfReach => 'Out of reach for this box and paper; this is the nearest.',
            self::PaperFull => 'The paper is full: nothing can be laid over this.',
            self::LowTooth => 'Little tooth left for corrections.',
            self::Fades => 'One of these pencils fades in light.',
            self::Bloom => 'Heavy dark wax: a pale bloom may rise after some days; buff it gently.',
            self::ClosesEarly => 'A burnished layer lies below others; what follows will hardly take.',
        };
    }
}
