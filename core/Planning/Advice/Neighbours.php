<?php

declare(strict_types=1);

namespace Prism\Planning\Advice;

use Prism\Colour\Lab;
use Prism\Colour\ValueScale;
use Prism\Planning\PictureZone;
use Prism\Reference\Zones\TargetRole;

/**
 * Touching zones that will merge: where two parts of one colour overlap, one of them must be pushed, in value first.
 */
final class Neighbours
{
    /** Nearer to one another than this, in dE00, two touching zones read as one. */
    private const TOO_ALIKE = 6.0;

    /** What parts two zones for the eye: this much L*. */
    private const APART_L = 8.0;

    /**
     * @param  list<PictureZone>  $zones
     * @param  array<string, Lab>  $looks  by target: what its recipe gives; without one, what is asked for
     * @param  float  $lightest  L* of the paper: nothing is pushed beyond it
     * @return list<Pair> nearest first
     */
    public static function tooAlike(array $zones, array $looks = [], float $lightest = 100.0): array
    {
        $byLabel = [];
        foreach ($zones as $zone) {
            if ($zone->label > 0 && $zone->targets !== []) {
                $byLabel[$zone->label] = $zone;
            }
        }
        $pairs = [];
        foreach ($byLabel as $label => $zone) {
            foreach ($zone->touching as $other) {
                if ($other > $label && isset($byLabel[$other])) {
                    $pair = self::pair($zone, $byLabel[$other], $looks, $lightest);
                    if ($pair !== null) {
                        $pairs[] = $pair;
                    }
                }
            }
        }
        usort($pairs, static fn (Pair $a, Pair $b): int => $a->dE00 <=> $b->dE00);

        return $pairs;
    }

    /** @param  array<string, Lab>  $looks */
    private static function pair(PictureZone $one, PictureZone $other, array $looks, float $lightest): ?Pair
    {
        $first = self::main($one, $looks);
        $second = self::main($other, $looks);
        $dE00 = $first->differenceTo($second);
        if ($dE00 >= self::TOO_ALIKE) {
            return null;
        }
        // What lies further back, or draws the eye less, gives way; the darker of two goes darker.
        $pushesSecond = [$other->distance->depth(), -$other->importance] >= [$one->distance->depth(), -$one->importance];
        [$pushed, $own, $against] = $pushesSecond ? [$other, $second, $first] : [$one, $first, $second];
        $darker = $own->L <= $against->L;
        $between = abs($own->L - $against->L);
        $by = max(0.0, self::APART_L - $between);
        if ($darker ? $own->L - $by < 0.0 : $own->L + $by > $lightest) {
            // Past the other, then.
            $darker = ! $darker;
            $by = self::APART_L + $between;
        }

        return new Pair($one, $other, $dE00, $pushed, $darker, $by / ValueScale::stepSize());
    }

    /** @param  array<string, Lab>  $looks */
    private static function main(PictureZone $zone, array $looks): Lab
    {
        $main = $zone->targets[0];
        foreach ($zone->targets as $target) {
            if ($target->role === TargetRole::Middle) {
                $main = $target;
            }
        }

        return $looks[$main->id] ?? $main->drawn;
    }
}
