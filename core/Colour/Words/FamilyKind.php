<?php

declare(strict_types=1);

namespace Prism\Colour\Words;

/** What a colour is called before its admixture is told. */
enum FamilyKind: string
{
    case White = 'white';
    case Black = 'black';
    case Grey = 'grey';
    case WarmGrey = 'warm grey';
    case CoolGrey = 'cool grey';
    case DarkBrown = 'dark brown';
    case Brown = 'brown';
    case Pink = 'pink';
    case Flesh = 'flesh';
    case Red = 'red';
    case Orange = 'orange';
    case Yellow = 'yellow';
    case Green = 'green';
    case Blue = 'blue';
    case Violet = 'violet';

    public static function ofHue(Hue $hue): self
    {
        return self::from($hue->value);
    }

    /** Null for what is called by no hue. */
    public function hue(): ?Hue
    {
        return Hue::tryFrom($this->value);
    }

    /** White, black and the greys. */
    public function isNeutral(): bool
    {
        return in_array($this, [self::White, self::Black, self::Grey, self::WarmGrey, self::CoolGrey], true);
    }

    public function isBrown(): bool
    {
        return $this === self::Brown || $this === self::DarkBrown;
    }

    /** Whether the name says already how light or dark it is. */
    public function tellsValue(): bool
    {
        return in_array($this, [self::White, self::Black, self::DarkBrown], true);
    }
}
