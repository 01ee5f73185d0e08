<?php

declare(strict_types=1);

namespace Prism\Matching\Advice;

/** What an artist should know before laying a recipe. The code is what files carry. */
enum Warning: string
{
    // Worst first.
    case OutOfReach = 'out_of_reach';
    case FarOff = 'far_off';
    case NotDarker = 'not_darker';
    case ReserveCovered = 'reserve_covered';
    case PaperFull = 'paper_full';
    case TurnsGreen = 'turns_green';
    case Muddy = 'muddy';
    case ComesUp = 'comes_up';
    case FormTooStrong = 'form_too_strong';
    case ValueJump = 'value_jump';
    case Resists = 'resists';
    case PaleWillNotCover = 'pale_will_not_cover';
    case ClosesEarly = 'closes_early';
    case LowTooth = 'low_tooth';
    case Fades = 'fades';
    case Bloom = 'bloom';

    /** So many stand on a card; what is less harmful is left out. */
    public const SHOWN = 2;

    public function sentence(): string
    {
        return match ($this) {
            self::OutOfReach => 'Out of reach for this box and paper; this is the nearest. Shift what lies beside it as far, or see in Pencils what would reach it.',
            self::FarOff => 'This comes out far from the colour it is for. Take one of the recipes found for it.',
            self::NotDarker => 'Not darker than its pigments: none of these pencils is as dark as this. Take a darker one, or lay the complement under it.',
            self::ReserveCovered => 'The paper is this colour already, and pencil on it does not come off. Leave it bare.',
            self::PaperFull => 'The paper is full: nothing can be laid over this. Lay it lighter, in fewer layers, or on rougher paper.',
            self::LowTooth => 'Little tooth left for corrections. Lay the last layer only when all else is right.',
            self::TurnsGreen => 'These slide into green together; put a warm colour between, or swap one of them.',
            self::Muddy => 'This goes muddy: the colours cancel each other. Use fewer, or nearer neighbours.',
            self::ComesUp => 'The dark underlayer comes up through the pale layers. Lay it lighter, or a paler one.',
            self::FormTooStrong => 'The form is too strong under this yellow, and comes up through it. Lay it lighter; under yellow too weak is better.',
            self::ValueJump => 'A very pale and a very dark pencil meet here, hard to control; add a middle value.',
            self::Resists => 'What lies below is pale and waxy and will resist; lay the form first.',
            self::PaleWillNotCover => 'The pale layer will hardly show over this dark; use opaque white, or lift first.',
            self::ClosesEarly => 'A burnished layer lies below others; what follows will hardly take. Keep the heavy one for the end.',
            self::Bloom => 'Heavy dark wax: a pale bloom may rise after some days; buff it gently.',
            self::Fades => 'One of these pencils fades in light. Ask for lightfast ones only, or keep the drawing out of the sun.',
        };
    }

    /**
     * Each once, worst first.
     *
     * @param  list<self>  $warnings
     * @return list<self>
     */
    public static function worstFirst(array $warnings): array
    {
        return array_values(array_filter(self::cases(), static fn (self $case): bool => in_array($case, $warnings, true)));
    }
}
