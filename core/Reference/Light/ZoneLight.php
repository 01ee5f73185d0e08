<?php

declare(strict_types=1);

namespace Prism\Reference\Light;

/** How the light falls on a zone. */
enum ZoneLight: string
{
    case Lit = 'lit';
    case HalfLit = 'half-lit';
    case Shadow = 'shadow';
    case CastShadow = 'cast-shadow';

    public function label(): string
    {
        return match ($this) {
            self::Lit => 'light side',
            self::HalfLit => 'half light',
            self::Shadow => 'shadow side',
            self::CastShadow => 'cast shadow',
        };
    }

    /** Whether the light does not reach it: turned away, or another thing stands before it. */
    public function isShadow(): bool
    {
        return $this === self::Shadow || $this === self::CastShadow;
    }
}
