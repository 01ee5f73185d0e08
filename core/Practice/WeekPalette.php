<?php

declare(strict_types=1);

namespace Prism\Practice;

use Prism\Colour\Lab;
use Prism\Colour\Wheel;
use Prism\Colour\Words\Family;
use Prism\Colour\Words\FamilyKind;

/** Six pencils of a box to draw one zone with, the family of the zone not among them: it is to be mixed. */
final readonly class WeekPalette
{
    public const SIZE = 6;

    /** A pencil that mixes has at least so much colour. */
    private const COLOURED = 20.0;

    /** A neighbour lies so far from the zone's hue, parts of the wheel: nearer it would be that hue, farther no neighbour. */
    private const NEIGHBOUR = [1.5, 7.0];

    /** Of so many that would do, chance takes one. */
    private const OF_THE_NEAREST = 2;

    /** @param  list<string>  $pencils  RANGE:NUMBER, lightest first */
    private function __construct(public FamilyKind $gap, public array $pencils)
    {
    }

    /**
     * A neighbour of the zone's hue to either side, what lies opposite, the palest, the darkest, and one of its value.
     *
     * @param  array<string, Lab>  $coats  heavy coats of the box, by pencil
     * @param  Lab  $middle  of the zone
     * @param  int  $seed  the same gives the same six
     *
     * @throws PracticeRefused if the box has no six such pencils
     */
    public static function of(array $coats, Lab $middle, int $seed): self
    {
        $gap = Family::of($middle)->kind;
        $left = array_filter($coats, static fn (Lab $coat): bool => ! self::fills($gap, Family::of($coat)->kind) && ! in_array(Family::of($coat)->kind, [FamilyKind::White, FamilyKind::Black], true));
        if (count($left) < self::SIZE) {
            throw new PracticeRefused(sprintf('This takes at least %d pencils that are not %s; your box has %d. Put more in the box first.', self::SIZE, $gap->value, count($left)));
        }
        $hue = Wheel::position($middle->hueDegrees());
        $chosen = [];
        $take = static function (\Closure $far) use (&$left, &$chosen, $seed): void {
            $fars = array_filter(array_map($far, $left), static fn (?float $by): bool => $by !== null);
            if ($fars === []) {
                return;
            }
            asort($fars);
            $nearest = array_slice(array_keys($fars), 0, self::OF_THE_NEAREST);
            $pencil = (string) $nearest[($seed + count($chosen)) % count($nearest)];
            $chosen[] = $pencil;
            unset($left[$pencil]);
        };
        foreach ([1.0, -1.0] as $side) {
            $take(static function (Lab $coat) use ($hue, $side): ?float {
                // Parts of the wheel from the zone's hue on to that side.
                $by = fmod($side * (Wheel::position($coat->hueDegrees()) - $hue) + 36.0, 18.0);

                return $coat->chroma() >= self::COLOURED && $by >= self::NEIGHBOUR[0] && $by <= self::NEIGHBOUR[1] ? $by : null;
            });
        }
        $take(static fn (Lab $coat): ?float => $coat->chroma() >= self::COLOURED ? Wheel::distance(Wheel::position($coat->hueDegrees()), Wheel::complement($hue)) : null);
        $take(static fn (Lab $coat): float => -$coat->L);
        $take(static fn (Lab $coat): float => $coat->L);
        while (count($chosen) < self::SIZE) {
            $take(static fn (Lab $coat): float => abs($coat->L - $middle->L));
        }
        usort($chosen, static fn (string $one, string $other): int => $coats[$other]->L <=> $coats[$one]->L);

        return new self($gap, $chosen);
    }

    /** Whether a pencil of a family would be the colour that is to be mixed. Black and white mix nothing, and are not among the six either. */
    private static function fills(FamilyKind $gap, FamilyKind $family): bool
    {
        return $family === $gap || ($gap->isBrown() && $family->isBrown()) || ($gap->isNeutral() && $family->isNeutral());
    }
}
