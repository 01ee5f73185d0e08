<?php

declare(strict_types=1);

namespace Prism\Colour\Words;

use Prism\Colour\Lab;

/** How light a neutral is; of a colour whether it is clean, or has white, black or grey in it. */
enum Character: string
{
    case Light = 'light';
    case Middle = 'middle';
    case Dark = 'dark';
    case Tint = 'a tint';
    case Shade = 'a shade';
    case Tone = 'a tone';
    case Clean = 'clean';

    public static function of(Lab $lab): self
    {
        $chroma = $lab->chroma();
        if ($lab->isNeutral()) {
            return match (true) {
                $lab->L >= 75.0 => self::Light,
                $lab->L >= 45.0 => self::Middle,
                default => self::Dark,
            };
        }

        return match (true) {
            $lab->L >= 78.0 && $chroma < 45.0 => self::Tint,
            $lab->L < 38.0 && $chroma < 42.0 => self::Shade,
            $chroma < 28.0 => self::Tone,
            default => self::Clean,
        };
    }
}
