<?php

declare(strict_types=1);

namespace Prism\Box;

use Prism\Colour\Lab;
use Prism\Colour\Words\Family;
use Prism\Colour\Words\FamilyKind;

/**
 * Lays pencils out as a rainbow: family after family round the wheel, each from its one neighbour to the other, light beside dark of one
 * hue; then the browns by what they lean to, the greys from warm to cool, black and white. Or each family from light to dark.
 */
final class Rainbow
{
    /** What comes after what. Pinks lie between violet and red, flesh between red and orange. */
    private const FAMILIES = [
        FamilyKind::Pink, FamilyKind::Red, FamilyKind::Flesh, FamilyKind::Orange, FamilyKind::Yellow, FamilyKind::Green, FamilyKind::Blue, FamilyKind::Violet,
        FamilyKind::Brown, FamilyKind::WarmGrey, FamilyKind::Grey, FamilyKind::CoolGrey, FamilyKind::Black, FamilyKind::White,
    ];

    /** Hues of pink and red run over the end of the circle: all but violets are counted from here on, degrees of hab. */
    private const FROM = 325.0;

    /** What lies so near in hue, degrees, is one hue: it goes from light to dark, the next one back from dark to light. */
    private const ONE_HUE = 12.0;

    /**
     * @param  array<string, Lab>  $colours  by pencil
     * @param  bool  $byValue  each family from light to dark
     * @return list<string> the same keys in their order
     */
    public static function order(array $colours, bool $byValue = false): array
    {
        $families = [];
        foreach ($colours as $key => $lab) {
            $kind = Family::of($lab)->kind;
            $families[($kind->isBrown() ? FamilyKind::Brown : $kind)->value][$key] = $lab;
        }
        $row = [];
        foreach (self::FAMILIES as $kind) {
            $family = $families[$kind->value] ?? [];
            array_push($row, ...array_map(strval(...), $byValue || $kind->isNeutral() ? self::byValue($family) : self::byHue($family, $kind === FamilyKind::Violet ? 0.0 : self::FROM)));
        }

        return $row;
    }

    /**
     * @param  array<string, Lab>  $family
     * @return list<int|string>
     */
    private static function byValue(array $family): array
    {
        uasort($family, static fn (Lab $one, Lab $other): int => $other->L <=> $one->L);

        return array_keys($family);
    }

    /**
     * @param  array<string, Lab>  $family
     * @param  float  $counted  from which hab on, degrees
     * @return list<int|string>
     */
    private static function byHue(array $family, float $counted): array
    {
        $place = array_map(static fn (Lab $lab): float => fmod($lab->hueDegrees() + 360.0 - $counted, 360.0), $family);
        asort($place);
        $hues = [];
        $from = -INF;
        foreach ($place as $key => $degrees) {
            if ($degrees - $from > self::ONE_HUE) {
                $hues[] = [];
                $from = $degrees;
            }
            $hues[array_key_last($hues)][$key] = $family[$key];
        }
        $row = [];
        foreach ($hues as $n => $hue) {
            $keys = self::byValue($hue);
            array_push($row, ...($n % 2 === 0 ? $keys : array_reverse($keys)));
        }

        return $row;
    }
}
