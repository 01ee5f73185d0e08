<?php

declare(strict_types=1);

namespace Prism\Matching;

/** What an artist should know before laying a recipe. The code is what files carry. */
enum Warning: string
{
    case OutOfReach = 'out_of_reach';
    case NotDarker = 'not_darker';
    case ReserveCovered = 'reserve_covered';
    case PaperFull = 'paper_full';
    case LowTooth = 'low_tooth';
    case TurnsGreen = 'turns_green';
    case Muddy = 'muddy';
    case ValueJump = 'value_jump';
    case Resists = 'resists';
    case PaleWillNotCover = 'pale_will_not_cover';
    case ClosesEarly = 'closes_early';
    case Bloom = 'bloom';
    case Fades = 'fades';

    public function sentence(): string
    {
        return match ($this) {
            self::OutOfReach => 'Out of reach for this box and paper; this is the nearest. Shift what lies beside it as far, or see in Pencils what would reach it.',
            self::NotDarker => 'Not darker than its pigments: none of these pencils is as dark as this. Take a darker one, or lay the complement under it.',
            self::ReserveCovered => 'The paper is this colour already, and pencil on it does not come off. Leave it bare.',
            self::PaperFull => 'The paper is full: nothing can be laid over this. Lay it lighter, in fewer layers, or on rougher paper.',
            self::LowTooth => 'Little tooth left for corrections. Lay the last layer only when all else is right.',
            self::TurnsGreen => 'These slide into green together; put a warm colour between, or swap one of them.',
            self::Muddy => 'This goes muddy: the colours cancel each other. Use fewer, or nearer neighbours.',
            self::ValueJump => 'A very pale and a very dark pencil meet here, hard to control; add a middle value.',
            self::Resists => 'What lies below is pale and waxy and will resist; lay the form first.',
            self::PaleWillNotCover => 'The pale layer will hardly show over this dark; use opaque white, or lift first.',
            self::ClosesEarly => 'A burnished layer lies below others; what follows will hardly take. Keep the heavy one for the end.',
            self::Bloom => 'Heavy dark wax: a pale bloom may rise after some days; buff it gently.',
            self::Fades => 'One of these pencils fades in light. Ask for lightfast ones only, or keep the drawing out of the sun.',
        };
    }
}
