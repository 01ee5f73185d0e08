<?php

declare(strict_types=1);

namespace Prism\Box;

use Prism\Colour\DeltaE;
use Prism\Colour\Lab;

/** Finds pencils by what is printed on them, by a name they once had, or by colour. */
final class PencilFinder
{
    /**
     * How well a pencil answers to a word, least best: its number, its number's beginning, its name, a former name, a
     * part of the number, its hue family; null if not at all.
     *
     * @param  list<string>  $aliases
     */
    public static function answers(string $word, string $range, string $number, string $name, array $aliases, string $family = ''): ?int
    {
        $word = mb_strtolower(trim($word));
        $number = mb_strtolower($number);
        $id = mb_strtolower($range).':'.$number;
        $names = array_map(mb_strtolower(...), [$name, ...$aliases]);

        return match (true) {
            $word === '', $word === $number, $word === $id => 0,
            str_starts_with($number, $word), str_starts_with($id, $word) => 1,
            str_contains($names[0], $word) => 2,
            self::within($word, array_slice($names, 1)) => 3,
            str_contains($number, $word) => 4,
            str_contains($family, $word) => 5,
            default => null,
        };
    }

    /**
     * Nearest first.
     *
     * @param  array<string, Lab>  $colours  by pencil
     * @return array<string, float> dE00 by pencil
     */
    public static function nearest(Lab $colour, array $colours): array
    {
        $distances = array_map(
            static fn (Lab $lab): float => DeltaE::ciede2000($colour->L, $colour->a, $colour->b, $lab->L, $lab->a, $lab->b),
            $colours,
        );
        asort($distances);

        return $distances;
    }

    /** @param  list<string>  $names */
    private static function within(string $word, array $names): bool
    {
        foreach ($names as $name) {
            if (str_contains($name, $word)) {
                return true;
            }
        }

        return false;
    }
}
