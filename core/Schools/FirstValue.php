<?php

declare(strict_types=1);

namespace Prism\Schools;

/** Which value is laid first. */
enum FirstValue: string
{
    case LightToDark = 'light-to-dark';
    case BothEnds = 'both-ends';
    case DarkToLight = 'dark-to-light';
    case MiddleFirst = 'middle-first';
    case FormFirst = 'form-first';

    public function label(): string
    {
        return match ($this) {
            self::LightToDark => 'Light to dark',
            self::BothEnds => 'Both ends first',
            self::DarkToLight => 'Dark to light',
            self::MiddleFirst => 'Middle first',
            self::FormFirst => 'Form first',
        };
    }

    public function sentence(): string
    {
        return match ($this) {
            self::LightToDark => 'Light to dark: the pale layers go down first, so the lights stay clean.',
            self::BothEnds => 'Both ends: the lightest and the darkest are set first, and all else is judged between them.',
            self::DarkToLight => 'Dark to light: the darks anchor, the lights blend over them.',
            self::MiddleFirst => 'Middle first: the main local colour is blocked in, then shifted both ways.',
            self::FormFirst => 'Form first: shadow form in greys, violets and complements, the pale or yellow local colour last.',
        };
    }
}
