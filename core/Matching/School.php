<?php

declare(strict_types=1);

namespace Prism\Matching;

/** Which value is laid first: the studio's four schools. */
enum School: string
{
    case LightToDark = 'light-to-dark';
    case DarkToLight = 'dark-to-light';
    case MiddleFirst = 'middle-first';
    case FormFirst = 'form-first';

    public function label(): string
    {
        return match ($this) {
            self::LightToDark => 'Light to dark',
            self::DarkToLight => 'Dark to light',
            self::MiddleFirst => 'Middle first',
            self::FormFirst => 'Form first',
        };
    }

    public function sentence(): string
    {
        return match ($this) {
            self::LightToDark => 'Light to dark: the pale layers go down first, so the lights stay clean.',
            self::DarkToLight => 'Dark to light: the darks anchor, the lights blend over them.',
            self::MiddleFirst => 'Middle first: the main local colour is blocked in, then shifted both ways.',
            self::FormFirst => 'Form first: shadow form in greys, violets and complements, the pale or yellow local colour last.',
        };
    }

    /**
     * What an order of layers costs under this school, in dE00: nothing for the school's own way, up to about 2 against it.
     *
     * @param  list<LaidColour>  $layers  bottom to top
     * @param  float  $targetL  L* of the target
     */
    public function cost(array $layers, float $targetL): float
    {
        $cost = 0.0;
        $count = count($layers);
        if ($this === self::MiddleFirst) {
            return $count < 2 ? 0.0 : min(2.0, abs($layers[0]->L - $targetL) / 40.0);
        }
        if ($this === self::FormFirst) {
            if ($count < 2) {
                return 0.6;
            }
            $cost = $layers[0]->isForm() ? 0.0 : 0.9;
            for ($i = 1; $i < $count; $i++) {
                $cost += max(0.0, $layers[$i - 1]->L - $layers[$i]->L - 8.0) / 60.0;
            }

            return min(2.0, $cost);
        }
        for ($i = 1; $i < $count; $i++) {
            $darker = $layers[$i - 1]->L - $layers[$i]->L;
            $against = $this === self::LightToDark ? -$darker : $darker;
            // A light underlayer of another colour, or a thin glaze, is no change of direction.
            $weight = min($layers[$i - 1]->pressurePercent, $layers[$i]->pressurePercent) > 45.0 ? 1.0 : 0.5;
            $cost += $weight * max(0.0, $against - 8.0) / 60.0;
        }

        return min(2.0, $cost);
    }
}
