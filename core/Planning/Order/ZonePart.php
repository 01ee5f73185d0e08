<?php

declare(strict_types=1);

namespace Prism\Planning\Order;

use Prism\Reference\Zones\TargetRole;

/** Where in a zone a turn goes to. */
enum ZonePart: string
{
    case All = 'all';
    case LightsSpared = 'lights spared';
    case LightAndMiddle = 'light and middle';
    case MiddleAndDark = 'middle and dark';
    case LightAndDark = 'light and dark';
    case Light = 'light';
    case Middle = 'middle';
    case Dark = 'dark';
    case Accent = 'accent';
    case Shimmer = 'shimmer';
    case Reflected = 'reflected light';
    case Lines = 'lines';

    private const VALUES = [TargetRole::Light, TargetRole::Middle, TargetRole::Dark];

    /** A colour that is no value of the form lies at a place of its own. */
    public static function ownOf(TargetRole $role): ?self
    {
        return match ($role) {
            TargetRole::Accent => self::Accent,
            TargetRole::Shimmer => self::Shimmer,
            TargetRole::Reflected => self::Reflected,
            TargetRole::Line => self::Lines,
            TargetRole::Light, TargetRole::Middle, TargetRole::Dark => null,
        };
    }

    /**
     * Some values of a form together.
     *
     * @param  non-empty-list<TargetRole>  $laid  values that are laid now: light, middle, dark
     * @param  non-empty-list<TargetRole>  $all  values that the zone has
     * @param  list<TargetRole>  $bare  values of the zone that stay paper
     */
    public static function of(array $laid, array $all, array $bare = []): self
    {
        $has = static fn (array $roles, TargetRole $role): bool => in_array($role, $roles, true);
        $missing = array_filter(self::VALUES, static fn (TargetRole $role): bool => $has($all, $role) && ! $has($laid, $role));
        if ($missing === []) {
            return self::All;
        }
        if (array_filter($missing, static fn (TargetRole $role): bool => ! $has($bare, $role)) === [] && array_values($missing) === [TargetRole::Light]) {
            return self::LightsSpared;
        }
        [$light, $middle, $dark] = array_map(static fn (TargetRole $role): bool => $has($laid, $role), self::VALUES);

        return match (true) {
            $light && $middle => self::LightAndMiddle,
            $middle && $dark => self::MiddleAndDark,
            $light && $dark => self::LightAndDark,
            $light => self::Light,
            $middle => self::Middle,
            default => self::Dark,
        };
    }
}
