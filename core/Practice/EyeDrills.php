<?php

declare(strict_types=1);

namespace Prism\Practice;

use Prism\Colour\Lab;
use Prism\Colour\ValueScale;
use Prism\Colour\Wheel;
use Prism\Colour\Words\Appearance;
use Prism\Colour\Words\Family;
use Prism\Colour\Words\FamilyKind;
use Prism\Colour\Words\Hue;

/** Questions of what one sees: value, family, lean. */
final class EyeDrills
{
    /** How far a value may be from the middle of its step, by level 1 to 5, in steps: near the edge it is anybody's guess. */
    private const OFF_MIDDLE = [0.15, 0.2, 0.25, 0.3, 0.35];

    /** How far apart in value the nearest of some colours lie, by level, L*. */
    private const APART = [10.0, 8.0, 6.0, 4.5, 3.5];

    /** Grounds that deceive, L*. */
    private const DARK_GROUND = 16.0;

    private const LIGHT_GROUND = 92.0;

    /** Colours with less chroma lean nowhere that an eye could tell, by level. */
    private const CHROMA = [26.0, 22.0, 18.0, 15.0, 12.0];

    /** Pure hues lie so near to the middle of a part of the wheel, and a lean so far from it: in parts. */
    private const LEANS = [0.9, 0.8, 0.7, 0.6, 0.5];

    private const FAMILIES = 4;

    /** Colours that are put in order, out of so many by chance. */
    private const RANKED = 5;

    private const POOL = 24;

    public function __construct(private readonly PracticeBox $box, private readonly int $level)
    {
    }

    public function value(bool $surrounded): Question
    {
        return $this->box->first(function () use ($surrounded): ?Question {
            $colour = $this->box->colour();
            $position = ValueScale::position($colour->L);
            $step = ValueScale::step($colour->L);
            if (abs($position - $step) > self::OFF_MIDDLE[$this->level - 1]) {
                return null;
            }
            $dark = $this->box->number(0, 1) === 1;
            $ground = $surrounded ? self::ground($colour, $dark) : null;
            $because = sprintf('Step %d of %d: L* %.0f.', $step, ValueScale::STEPS, $colour->L);
            if ($surrounded) {
                $because .= $dark ? ' The dark ground makes it look lighter than it is.' : ' The light ground makes it look darker than it is.';
            } elseif ($colour->chroma() > 45.0) {
                $because .= ' Strong colours look lighter than greys of their value.';
            }

            return new Question(
                $surrounded ? DrillKind::Surrounded : DrillKind::Value, 'Which value step is this, 1 dark to 9 light?', [new Patch('The patch', $colour, $ground)],
                array_map(static fn (int $of): Option => new Option((string) $of, (string) $of), range(1, ValueScale::STEPS)), [(string) $step], $because,
            );
        });
    }

    public function rank(): Question
    {
        return $this->box->first(function (): ?Question {
            $pool = [];
            for ($i = 0; $i < self::POOL; $i++) {
                $pool[] = $this->box->colour();
            }
            usort($pool, static fn (Lab $one, Lab $other): int => $other->L <=> $one->L);
            $order = [];
            foreach ($pool as $colour) {
                if ($order === [] || $order[count($order) - 1]->L - $colour->L >= self::APART[$this->level - 1]) {
                    $order[] = $colour;
                }
            }
            if (count($order) < self::RANKED) {
                return null;
            }
            // Any so many that stand one after the other.
            $order = array_slice($order, $this->box->number(0, count($order) - self::RANKED), self::RANKED);
            $colours = $this->box->shuffled($order);
            $options = array_map(static fn (Lab $colour, int $at): Option => new Option(chr(97 + $at), strtoupper(chr(97 + $at)), $colour), $colours, array_keys($colours));
            $right = array_map(static fn (Lab $colour): string => chr(97 + (int) array_search($colour, $colours, true)), $order);

            return new Question(
                DrillKind::Rank, 'Choose them by value, the lightest first.', [], $options, $right,
                'By value: '.implode(', ', array_map(static fn (Lab $colour, string $id): string => sprintf('%s step %d (L* %.0f)', strtoupper($id), ValueScale::step($colour->L), $colour->L), $order, $right)).'.',
            );
        });
    }

    public function family(): Question
    {
        return $this->box->first(function (): ?Question {
            $colour = $this->box->colour();
            $family = Family::of($colour);
            // One with an admixture lies between two, and the lower levels leave those out.
            if ($family->with !== null && $this->level < 3 || $family->kind->isNeutral() && $this->level < 2) {
                return null;
            }
            $others = array_values(array_filter(FamilyKind::cases(), static fn (FamilyKind $kind): bool => $kind !== $family->kind && $kind->isNeutral() === $family->kind->isNeutral() && ! self::couldBe($family, $kind)));
            $options = [$family->kind, ...array_slice($this->box->shuffled($others), 0, self::FAMILIES - 1)];
            if (count($options) < self::FAMILIES) {
                return null;
            }

            $options = array_map(static fn (FamilyKind $kind): Option => new Option($kind->value, $kind->value), $this->box->shuffled($options));

            return new Question(
                DrillKind::Family, 'Which family is it?', [new Patch('The patch', $colour)], $options, [$family->kind->value], ucfirst(Appearance::of($colour)->sentence()).'.',
            );
        });
    }

    public function lean(): Question
    {
        return $this->box->first(function (): ?Question {
            $colour = $this->box->colour();
            $family = Family::of($colour)->kind;
            $hue = $family->hue();
            $position = Wheel::position($colour->hueDegrees());
            $at = (int) round($position / 3.0);
            if ($hue === null || $hue !== Hue::turned($at) || $colour->chroma() < self::CHROMA[$this->level - 1] || abs($position - 3.0 * $at) < self::LEANS[$this->level - 1]) {
                return null;
            }
            $both = [Hue::turned($at + 1), Hue::turned($at - 1)];
            $lean = $position > 3.0 * $at ? $both[0] : $both[1];

            $options = array_map(static fn (Hue $side): Option => new Option($side->value, 'to '.$side->value), $this->box->shuffled($both));

            return new Question(
                DrillKind::Lean, sprintf('This is %s. To which side does it lean?', $family->value), [new Patch('The patch', $colour)], $options, [$lean->value], sprintf('%s: on the wheel it lies from pure %s towards %s.', ucfirst(Family::of($colour)->word()), $family->value, $lean->value),
            );
        });
    }

    public function designate(): Question
    {
        return $this->box->first(function (): ?Question {
            $pencils = $this->box->pencils(3);
            $coats = array_map($this->box->coat(...), $pencils);
            $order = $pencils;
            usort($order, fn (string $one, string $other): int => $this->box->coat($other)->L <=> $this->box->coat($one)->L);
            $lightness = array_map(fn (string $pencil): float => $this->box->coat($pencil)->L, $order);
            if (min($lightness[0] - $lightness[1], $lightness[1] - $lightness[2]) < self::APART[$this->level - 1]) {
                return null;
            }

            $options = array_map(fn (string $pencil, Lab $coat): Option => new Option($pencil, $this->box->name($pencil), $coat), $pencils, $coats);

            return new Question(
                DrillKind::Designate, 'Three pencils, by value alone: choose the light, then the middle, then the dark.', [],
                $options, $order,
                implode(', ', array_map(fn (string $pencil, string $role): string => sprintf('%s %s, step %d (L* %.0f)', $role, $this->box->name($pencil), ValueScale::step($this->box->coat($pencil)->L), $this->box->coat($pencil)->L), $order, ['Light', 'middle', 'dark'])).'.',
            );
        });
    }

    /** Of the opposite hue, far from its value. */
    private static function ground(Lab $colour, bool $dark): Lab
    {
        $chroma = 0.6 * $colour->chroma();
        $hue = deg2rad($colour->hueDegrees() + 180.0);

        return Lab::of($dark ? self::DARK_GROUND : self::LIGHT_GROUND, min(18.0, $chroma) * cos($hue), min(18.0, $chroma) * sin($hue));
    }

    /** Families that an eye may call it as well: its admixture, and browns beside browns. */
    private static function couldBe(Family $family, FamilyKind $other): bool
    {
        return $family->with !== null && $other->hue() === $family->with
            || $family->kind->isBrown() && $other->isBrown()
            || in_array($family->kind, [FamilyKind::Pink, FamilyKind::Flesh], true) && in_array($other, [FamilyKind::Pink, FamilyKind::Flesh, FamilyKind::Red, FamilyKind::Orange], true)
            || in_array($other, [FamilyKind::Pink, FamilyKind::Flesh], true) && in_array($family->kind, [FamilyKind::Red, FamilyKind::Orange, FamilyKind::Violet], true)
            || $family->kind->isBrown() && in_array($other, [FamilyKind::Orange, FamilyKind::Red, FamilyKind::Yellow, FamilyKind::Flesh], true)
            || $other->isBrown() && in_array($family->kind, [FamilyKind::Orange, FamilyKind::Red, FamilyKind::Yellow, FamilyKind::Flesh], true);
    }
}
