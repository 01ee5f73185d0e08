<?php

declare(strict_types=1);

namespace Prism\Practice;

use Prism\Colour\Lab;
use Prism\Colour\ValueScale;
use Prism\Colour\Words\Difference;

/** Questions of the artist's own photos: values seen through half-closed eyes, and which pencils a zone takes. */
final class PhotoDrills
{
    private const ZONES = 5;

    /** How far apart in value the nearest of some zones lie, by level 1 to 5, L*. */
    private const APART = [8.0, 7.0, 6.0, 5.0, 4.0];

    /** No two places that are asked of lie nearer, shares of the photo. */
    private const BESIDE = 0.07;

    private const ROLES = ['light', 'middle', 'dark'];

    /** Pencils to choose the three from. */
    private const PENCILS = 6;

    private const OUT_OF = 24;

    /** A pencil that misses by more, alone, is none that one would take, dE00. */
    private const MOST_MISS = 13.0;

    /** The right pencil comes nearer than what is none of the three by so much, by level, dE00; and than the other two by so much at least. */
    private const NEARER = [5.5, 4.5, 3.5, 2.8, 2.0];

    private const AMONG_THE_THREE = 1.3;

    /** How a pencil may be laid to come near a colour. */
    private const LAID = ['@25', '@40', '@50x2', '@65x3', '@80x3'];

    public function __construct(private readonly PracticeBox $box, private readonly int $level)
    {
    }

    public function squint(): Question
    {
        $pictures = [];
        foreach ($this->box->zones() as $zone) {
            $pictures[$zone->picture][] = $zone;
        }
        $pictures = array_values(array_filter($pictures, static fn (array $zones): bool => count($zones) >= self::ZONES));
        if ($pictures === []) {
            throw new PracticeRefused(sprintf('This takes a photo of yours with at least %d zones. Read one in Look first.', self::ZONES));
        }

        return $this->box->first(function () use ($pictures): ?Question {
            $zones = $this->box->shuffled($pictures[$this->box->number(0, count($pictures) - 1)]);
            $chosen = [];
            foreach ($zones as $zone) {
                $fits = array_filter($chosen, fn (SeenZone $other): bool => abs(self::value($other) - self::value($zone)) < self::APART[$this->level - 1] || hypot($other->x - $zone->x, $other->y - $zone->y) < self::BESIDE) === [];
                if ($fits && count($chosen) < self::ZONES) {
                    $chosen[] = $zone;
                }
            }
            if (count($chosen) < self::ZONES) {
                return null;
            }
            $options = array_map(static fn (SeenZone $zone, int $at): Option => new Option(chr(97 + $at), strtoupper(chr(97 + $at)), $zone->colours['middle']), $chosen, array_keys($chosen));
            $order = $chosen;
            usort($order, static fn (SeenZone $one, SeenZone $other): int => self::value($other) <=> self::value($one));
            $right = array_map(static fn (SeenZone $zone): string => chr(97 + (int) array_search($zone, $chosen, true)), $order);

            return new Question(
                DrillKind::Squint, 'Half close your eyes. Put these five places of your photo in order by value, the lightest first.', [], $options, $right,
                'By value: '.implode(', ', array_map(static fn (SeenZone $zone, string $id): string => sprintf('%s step %d (L* %.0f)', strtoupper($id), ValueScale::step(self::value($zone)), self::value($zone)), $order, $right)).'.',
                $chosen[0]->picture, array_map(static fn (SeenZone $zone): array => [$zone->x, $zone->y], $chosen),
            );
        }, 'None of your photos has five zones whose values are told apart without doubt. Choose another drill, or read another photo in Look.');
    }

    public function zone(): Question
    {
        $zones = $this->box->zones();
        if ($zones === []) {
            throw new PracticeRefused('This takes a photo of yours whose zones have light, middle and dark. Read one in Look first.');
        }

        return $this->box->first(function () use ($zones): ?Question {
            $zone = $zones[$this->box->number(0, count($zones) - 1)];
            // Of a part of the box: another part brings other pencils for the same zone.
            $pencils = array_slice($this->box->pencils(self::PENCILS, all: true), 0, self::OUT_OF);
            $misses = array_fill_keys(self::ROLES, []);
            $right = [];
            foreach (self::ROLES as $role) {
                foreach ($pencils as $pencil) {
                    $misses[$role][$pencil] = $this->miss($pencil, $zone->colours[$role]);
                }
                asort($misses[$role]);
                $right[$role] = (string) array_key_first($misses[$role]);
                if ($misses[$role][$right[$role]] > self::MOST_MISS) {
                    return null;
                }
            }
            $offered = array_values($right);
            foreach ($pencils as $pencil) {
                if (count($offered) < self::PENCILS && ! in_array($pencil, $right, true) && $this->isApart($pencil, $right, $misses)) {
                    $offered[] = $pencil;
                }
            }
            foreach (self::ROLES as $role) {
                foreach (array_diff(self::ROLES, [$role]) as $other) {
                    if ($right[$role] === $right[$other] || $misses[$role][$right[$other]] - $misses[$role][$right[$role]] < self::AMONG_THE_THREE) {
                        return null;
                    }
                }
            }
            if (count($offered) < self::PENCILS) {
                return null;
            }
            $options = array_map(fn (string $pencil): Option => new Option($pencil, $this->box->name($pencil), $this->box->coat($pencil)), $this->box->shuffled($offered));

            return new Question(
                DrillKind::Zone, 'One pencil each: which for the light of this zone, then for its middle, then its dark?',
                array_map(static fn (string $role): Patch => new Patch(ucfirst($role), $zone->colours[$role]), self::ROLES), $options, array_values($right),
                implode('; ', array_map(fn (string $role): string => sprintf('%s %s, %s', $role === 'light' ? 'Light' : $role, $this->box->name($right[$role]), $this->words($right[$role], $zone->colours[$role])), self::ROLES)).'. None of the others comes as near.',
                $zone->picture, [[$zone->x, $zone->y]],
            );
        }, 'None of the zones of your photos has three pencils of your box that this can be asked of without doubt. Choose another drill, or read another photo in Look.');
    }

    /**
     * @param  array<string, string>  $right  by role
     * @param  array<string, array<string, float>>  $misses  by role and pencil, dE00
     */
    private function isApart(string $pencil, array $right, array $misses): bool
    {
        foreach (self::ROLES as $role) {
            if ($misses[$role][$pencil] - $misses[$role][$right[$role]] < self::NEARER[$this->level - 1]) {
                return false;
            }
        }

        return true;
    }

    /** How near a pencil alone comes to a colour, dE00. */
    private function miss(string $pencil, Lab $colour): float
    {
        return min(array_map(fn (string $laid): float => $this->box->look($pencil.$laid)->differenceTo($colour), self::LAID));
    }

    private function words(string $pencil, Lab $colour): string
    {
        $looks = array_map(fn (string $laid): Lab => $this->box->look($pencil.$laid), self::LAID);
        usort($looks, static fn (Lab $one, Lab $other): int => $one->differenceTo($colour) <=> $other->differenceTo($colour));

        return Difference::between($looks[0], $colour)->words;
    }

    private static function value(SeenZone $zone): float
    {
        return $zone->colours['middle']->L;
    }
}
