<?php

declare(strict_types=1);

namespace Prism\Planning\Advice;

use Prism\Colour\Lab;
use Prism\Colour\ValueScale;
use Prism\Colour\Wheel;
use Prism\Colour\Words\Family;
use Prism\Materials\Kit;
use Prism\Materials\Pencil;
use Prism\Planning\Adjust\Aim;
use Prism\Planning\Finish;
use Prism\Planning\Parts;
use Prism\Planning\PictureZone;
use Prism\Reference\Light\ZoneLight;
use Prism\Reference\Zones\Distance;
use Prism\Reference\Zones\TargetRole;
use Prism\Reference\Zones\ZoneReader;

/**
 * What brings the whole picture together beside its colours: near warm and far cool, edges that draw the eye or let it go,
 * shadows that things stand on, neighbours that make one another sing, and the finish of each surface.
 */
final readonly class ZoneAdvice
{
    /** What lies behind may be this much warmer than what lies before it, along orange. */
    private const WARMER = 3.0;

    /** A colour that can sing, CIELAB chroma. */
    private const SINGS = 22.0;

    /** Parts of the wheel from its complement within which a neighbour makes a colour sing. */
    private const NEAR_COMPLEMENT = 2.5;

    /** A pale subject, and how much darker its ground should be, L*. */
    private const PALE = 78.0;

    private const GROUND_DARKER = 14.0;

    /** What is smaller is no ground but another part of the same thing, as a share of the picture. */
    private const GROUND_SHARE = 0.08;

    /** A ground that shouts, CIELAB chroma. */
    private const LOUD = 30.0;

    /** A black, a white or a grey is no temperature, CIELAB chroma. */
    private const COLOURED = 12.0;

    private const PARTS = 18;

    /**
     * @param  ?Aim  $aim  what it comes to as a layer more, where it can be laid
     * @param  ?bool  $crisp  what it comes to for the edge of the zone
     */
    private function __construct(public string $zone, public AdviceKind $kind, public string $sentence, public ?Aim $aim = null, public ?bool $crisp = null)
    {
    }

    /**
     * @param  list<PictureZone>  $zones
     * @param  Kit  $pencils  that the plan uses: what is advised is drawn with them
     * @return list<self> by zone, in their order
     */
    public static function of(array $zones, Kit $pencils): array
    {
        $byLabel = [];
        foreach ($zones as $i => $zone) {
            if ($zone->label > 0 && $zone->targets !== []) {
                $byLabel[$zone->label] = [$zone, $i + 1];
            }
        }
        $advice = [];
        foreach ($byLabel as [$zone]) {
            $beside = array_values(array_intersect_key($byLabel, array_flip($zone->touching)));
            foreach ([self::temperature($zone, $beside, $pencils), self::edge($zone), self::shadow($zone, $beside), self::sing($zone, $beside, $pencils), self::ground($zone, $beside)] as $one) {
                if ($one !== null) {
                    $advice[] = $one;
                }
            }
            $advice[] = new self($zone->id, AdviceKind::Finish, Finish::sentence($zone->surface, $zone->schools));
        }

        return $advice;
    }

    /** @param  list<array{PictureZone, int}>  $beside */
    private static function temperature(PictureZone $zone, array $beside, Kit $pencils): ?self
    {
        if ($zone->distance !== Distance::Far) {
            return null;
        }
        $own = ZoneReader::warmthOf(self::main($zone));
        foreach ($beside as [$other, $number]) {
            if ($other->distance === Distance::Near && $own > ZoneReader::warmthOf(self::main($other)) + self::WARMER) {
                $cool = self::best($pencils, static fn (Lab $coat): float => $coat->chroma() < self::COLOURED ? -INF : -ZoneReader::warmthOf($coat) - 0.5 * abs($coat->L - self::main($zone)->L));

                return new self($zone->id, AdviceKind::Temperature, sprintf('It lies behind %d and is warmer: cool it%s, so that it goes back.', $number, $cool === null ? '' : ' with a light layer of '.self::named($cool)), Aim::cooler($zone->id));
            }
        }

        return null;
    }

    private static function edge(PictureZone $zone): ?self
    {
        return match (true) {
            $zone->importance === 3 && $zone->distance !== Distance::Far => new self($zone->id, AdviceKind::Edge, $zone->crisp ? 'It draws the eye: give its edges a last sharp line.' : 'It draws the eye but its edge is soft: sharpen it where it is lit, leave it soft in shadow.', crisp: $zone->crisp ? null : true),
            $zone->distance === Distance::Far || $zone->importance === 1 => new self($zone->id, AdviceKind::Edge, $zone->crisp ? 'It is quiet: let its edge go soft, lighter pressure at the end of each stroke.' : 'It is quiet: keep its edge soft.', crisp: $zone->crisp ? false : null),
            default => null,
        };
    }

    /** @param  list<array{PictureZone, int}>  $beside */
    private static function shadow(PictureZone $zone, array $beside): ?self
    {
        if ($zone->light !== ZoneLight::CastShadow) {
            return null;
        }
        $from = array_column(array_filter($beside, static fn (array $other): bool => $other[0]->light !== ZoneLight::CastShadow), 1);

        return new self($zone->id, AdviceKind::Shadow, sprintf('A cast shadow%s: darkest and sharpest where it begins, paler, softer and cooler away from there; the ground shows through it.', $from === [] ? '' : ' at '.implode(', ', array_slice($from, 0, 3))));
    }

    /** @param  list<array{PictureZone, int}>  $beside */
    private static function sing(PictureZone $zone, array $beside, Kit $pencils): ?self
    {
        $own = self::main($zone);
        if ($zone->importance !== 3 || $zone->distance === Distance::Far || $own->chroma() < self::SINGS) {
            return null;
        }
        $complement = Wheel::complement(Wheel::position($own->hueDegrees()));
        foreach ($beside as [$other, $number]) {
            $colour = self::main($other);
            if ($colour->chroma() > self::SINGS / 2 && Wheel::distance(Wheel::position($colour->hueDegrees()), $complement) <= self::NEAR_COMPLEMENT) {
                return new self($zone->id, AdviceKind::Sing, sprintf('It sings already: %d beside it is its complement.', $number));
            }
        }
        $pencil = self::best($pencils, static fn (Lab $coat): float => $coat->chroma() < self::SINGS / 2 ? -INF : -Wheel::distance(Wheel::position($coat->hueDegrees()), $complement));
        if ($pencil === null || $beside === [] || Wheel::distance(Wheel::position(($pencil->fullCoat ?? $own)->hueDegrees()), $complement) > self::PARTS / 5) {
            return new self($zone->id, AdviceKind::Sing, sprintf('To make it sing, lay a touch of %s beside it or under its shadow.', Family::at($complement)->word()), $beside === [] ? null : Aim::towards($beside[0][0]->id, $complement));
        }

        return new self($zone->id, AdviceKind::Sing, sprintf('To make it sing, lay a touch of %s beside it, in %d, or under its shadow.', self::named($pencil), $beside[0][1]), Aim::towards($beside[0][0]->id, $complement));
    }

    /** @param  list<array{PictureZone, int}>  $beside */
    private static function ground(PictureZone $zone, array $beside): ?self
    {
        $own = self::main($zone);
        if ($own->L < self::PALE || $zone->distance === Distance::Far) {
            return null;
        }
        foreach ($beside as [$other, $number]) {
            $ground = self::main($other);
            if ($other->share >= self::GROUND_SHARE && $other->distance->depth() > $zone->distance->depth() && ($ground->L > $own->L - self::GROUND_DARKER || $ground->chroma() > self::LOUD)) {
                $darker = $ground->L > $own->L - self::GROUND_DARKER;

                return new self($zone->id, AdviceKind::Ground, sprintf('It should read as pale: keep %d behind it %s.', $number, $darker ? 'a step darker' : 'quieter'), $darker ? Aim::lightness($other->id, -ValueScale::stepSize()) : Aim::quieter($other->id));
            }
        }

        return null;
    }

    private static function main(PictureZone $zone): Lab
    {
        foreach ($zone->targets as $target) {
            if ($target->role === TargetRole::Middle) {
                return $target->drawn;
            }
        }

        return $zone->targets[0]->drawn;
    }

    /** @param  \Closure(Lab): float  $worth */
    private static function best(Kit $pencils, \Closure $worth): ?Pencil
    {
        $best = null;
        $most = -INF;
        foreach ($pencils as $pencil) {
            $own = $pencil->fullCoat === null ? -INF : $worth($pencil->fullCoat);
            if ($own > $most) {
                $most = $own;
                $best = $pencil;
            }
        }

        return $best;
    }

    private static function named(Pencil $pencil): string
    {
        return $pencil->id->range.' '.$pencil->id->number;
    }
}
