<?php

declare(strict_types=1);

namespace Prism\Box;

use Prism\Colour\DeltaE;
use Prism\Colour\Lab;

/** Finds pencils by what is printed on them, by a name they once had, or by colour. */
final class PencilFinder
{
    /**
     * What of a pencil answers to a word; null if nothing does.
     *
     * @param  list<string>  $aliases
     */
    public static function answers(string $word, string $range, string $number, string $name, array $aliases, string $family = ''): ?FoundBy
    {
        $word = mb_strtolower(trim($word));
        $number = mb_strtolower($number);
        $id = mb_strtolower($range).':'.$number;

        return match (true) {
            $word === '', $word === $number, $word === $id => FoundBy::Number,
            str_starts_with($number, $word), str_starts_with($id, $word) => FoundBy::Beginning,
            str_contains(mb_strtolower($name), $word) => FoundBy::Name,
            self::formerName($word, $aliases) !== null => FoundBy::FormerName,
            str_contains($number, $word) => FoundBy::PartOfNumber,
            str_contains($family, $word) => FoundBy::Family,
            default => null,
        };
    }

    /**
     * The first former name that a word is part of.
     *
     * @param  list<string>  $aliases
     */
    public static function formerName(string $word, array $aliases): ?string
    {
        $word = mb_strtolower(trim($word));
        foreach ($aliases as $alias) {
            if (str_contains(mb_strtolower($alias), $word)) {
                return $alias;
            }
        }

        return null;
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
}
