<?php

declare(strict_types=1);

namespace Prism\Planning;

/** What part a pencil has in a picture: used in equal shares, nothing would be the accent. */
enum Part: string
{
    case Main = 'main';
    case Support = 'support';
    case Accent = 'accent';

    /** Shares of all that is laid, by area and passes. */
    private const MAIN_FROM = 0.14;

    private const SUPPORT_FROM = 0.04;

    public static function of(float $share): self
    {
        return match (true) {
            $share >= self::MAIN_FROM => self::Main,
            $share >= self::SUPPORT_FROM => self::Support,
            default => self::Accent,
        };
    }
}
