<?php

declare(strict_types=1);

namespace Prism\Planning\Palette;

use Prism\Colour\Wheel;
use Prism\Materials\Pencil;

/** Which pencils of a palette make one another sing, laid side by side, and dull one another, laid over one another. */
final class Complements
{
    /** Greyer ones have no complement, chroma. */
    private const COLOURED = 12.0;

    /** Colours further apart on the wheel of eighteen are complements. */
    private const OPPOSITE = 7.5;

    /**
     * @param  list<Pencil>  $pencils
     * @return list<array{Pencil, Pencil}> the most opposite first, each pencil once
     */
    public static function among(array $pencils): array
    {
        $coloured = array_values(array_filter($pencils, static fn (Pencil $pencil): bool => ($pencil->fullCoat?->chroma() ?? 0.0) > self::COLOURED));
        $pairs = [];
        foreach ($coloured as $i => $one) {
            foreach (array_slice($coloured, $i + 1) as $other) {
                $apart = Wheel::distance(Wheel::position($one->fullCoat?->hueDegrees() ?? 0.0), Wheel::position($other->fullCoat?->hueDegrees() ?? 0.0));
                if ($apart >= self::OPPOSITE) {
                    $pairs[] = [$apart, $one, $other];
                }
            }
        }
        usort($pairs, static fn (array $a, array $b): int => $b[0] <=> $a[0]);
        $used = $kept = [];
        foreach ($pairs as [, $one, $other]) {
            if (! isset($used[(string) $one->id]) && ! isset($used[(string) $other->id])) {
                $kept[] = [$one, $other];
                $used[(string) $one->id] = $used[(string) $other->id] = true;
            }
        }

        return $kept;
    }
}
