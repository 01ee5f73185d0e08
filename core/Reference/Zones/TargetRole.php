<?php

declare(strict_types=1);

namespace Prism\Reference\Zones;

/** What a colour is in its zone. */
enum TargetRole: string
{
    case Light = 'light';
    case Middle = 'middle';
    case Dark = 'dark';
    /** Small and far from the rest: a glint, a crack. */
    case Accent = 'accent';
    /** Another hue scattered through the zone: violet in brown, blue in black. */
    case Shimmer = 'shimmer';
    /** Light thrown back into the shadow side from what lies beside it. */
    case Reflected = 'reflected';
    /** Seams, strands, veins, edges of facets: thin, and darker or lighter than both sides. */
    case Line = 'line';

    public function label(): string
    {
        return match ($this) {
            self::Light => 'light',
            self::Middle => 'middle',
            self::Dark => 'dark',
            self::Accent => 'accent',
            self::Shimmer => 'shimmer',
            self::Reflected => 'reflected light',
            self::Line => 'lines',
        };
    }

    /** Whether it is one of the values by which a form is shaded. */
    public function isOfForm(): bool
    {
        return in_array($this, [self::Light, self::Middle, self::Dark], true);
    }
}
