<?php

declare(strict_types=1);

namespace Prism\Box;

use Prism\Colour\Lab;
use Prism\Colour\Words\Appearance;
use Prism\Colour\Words\FamilyKind;
use Prism\Colour\Words\Hue;

/**
 * Does a box have, for each family, a light and a dark; browns that lean red, lean yellow and a dark one; a warm and a
 * cool grey? Told from the heavy coat of each pencil.
 */
final readonly class BoxCover
{
    private const LIGHT_FROM_STEP = 7;

    private const DARK_UP_TO_STEP = 4;

    /** Yellow that is dark is no longer yellow: it is asked for no lower than this. */
    private const DARK_YELLOW_STEP = 6;

    /**
     * @param  list<array{family: string, counts: array<string, int>, missing: list<string>}>  $rows
     */
    private function __construct(public array $rows)
    {
    }

    /** @param  array<string, Lab>  $colours  heavy coats by pencil */
    public static function of(array $colours): self
    {
        $counts = [];
        foreach (Hue::cases() as $hue) {
            $counts[$hue->value] = ['light' => 0, 'middle' => 0, 'dark' => 0];
        }
        $counts['brown'] = ['red-leaning' => 0, 'yellow-leaning' => 0, 'dark' => 0, 'middle' => 0];
        $counts['grey'] = ['warm' => 0, 'cool' => 0, 'neutral' => 0];
        $counts['ends'] = ['white' => 0, 'black' => 0];
        foreach ($colours as $lab) {
            [$family, $kind] = self::place(Appearance::of($lab));
            $counts[$family][$kind]++;
        }
        // What is dark of an orange or a yellow is brown, and asked for there.
        $asked = ['orange' => ['light', 'middle'], 'yellow' => ['light'], 'brown' => ['red-leaning', 'yellow-leaning', 'dark'], 'grey' => ['warm', 'cool'], 'ends' => ['white', 'black']];
        $rows = [];
        foreach ($counts as $family => $kinds) {
            $missing = array_values(array_filter($asked[$family] ?? ['light', 'dark'], static fn (string $kind): bool => $kinds[$kind] === 0));
            $rows[] = ['family' => $family, 'counts' => $kinds, 'missing' => $missing];
        }

        return new self($rows);
    }

    /** @return array{string, string} family and kind, as the rows have them */
    public static function place(Appearance $look): array
    {
        $family = $look->family;
        if ($family->kind->isNeutral()) {
            return match ($family->kind) {
                FamilyKind::White, FamilyKind::Black => ['ends', $family->kind->value],
                default => ['grey', $look->temperature->value],
            };
        }
        if ($family->kind->isBrown()) {
            return ['brown', match (true) {
                $family->kind === FamilyKind::DarkBrown => 'dark',
                $family->with === Hue::Red => 'red-leaning',
                $family->with === Hue::Yellow => 'yellow-leaning',
                default => 'middle',
            }];
        }
        $hue = $family->kind->hue() ?? Hue::nearest($look->wheelPosition);

        return [$hue->value, match (true) {
            $look->valueStep >= ($hue === Hue::Yellow ? self::LIGHT_FROM_STEP + 1 : self::LIGHT_FROM_STEP) => 'light',
            $look->valueStep <= ($hue === Hue::Yellow ? self::DARK_YELLOW_STEP : self::DARK_UP_TO_STEP) => 'dark',
            default => 'middle',
        }];
    }
}
