<?php

declare(strict_types=1);

namespace Prism\Box;

use Prism\Colour\Lab;
use Prism\Colour\Words\Appearance;
use Prism\Matching\Gamut;
use Prism\Matching\Limits;
use Prism\Matching\Recipe;
use Prism\Matching\Search;
use Prism\Matching\Target;
use Prism\Materials\Kit;

/** What a box lacks, in pencils: each gap ends in one to buy or in a mix that comes near. */
final readonly class Gaps
{
    /**
     * @param  Search  $search  of the box
     * @param  NextPencils  $next  what others would add to it
     */
    public function __construct(private Search $search, private NextPencils $next)
    {
    }

    /** @return list<Gap> largest first */
    public function in(Gamut $holes, int $most): array
    {
        $gaps = [];
        foreach (array_slice(self::grouped($holes), 0, $most) as $labs) {
            $gaps[] = $this->gap($labs);
        }

        return $gaps;
    }

    /**
     * What would fill a kind of pencil that a box does not have, as in "no dark orange": of the pencils there are of that kind, the one
     * that brings most colours, or a mix of its colour.
     *
     * @param  Kit  $others  pencils that are not owned
     * @param  string  $family  as {@see BoxCover} has it, as is the kind
     */
    public function kind(Kit $others, string $family, string $kind): ?Gap
    {
        $best = null;
        $most = -1;
        foreach ($others as $pencil) {
            if ($pencil->fullCoat === null || BoxCover::place(Appearance::of($pencil->fullCoat)) !== [$family, $kind]) {
                continue;
            }
            $brings = $this->next->brings($pencil->id);
            if ($brings > $most) {
                [$best, $most] = [$pencil, $brings];
            }
        }

        return $best?->fullCoat === null ? null : new Gap(Appearance::of($best->fullCoat), 1, $best->id, 1, $this->mix($best->fullCoat));
    }

    /**
     * Colours that an artist would call the same, together.
     *
     * @return list<non-empty-list<Lab>> largest first
     */
    public static function grouped(Gamut $gamut): array
    {
        $groups = [];
        foreach ($gamut->colours() as $lab) {
            $look = Appearance::of($lab);
            $groups[$look->family->word().'|'.$look->character->value.'|'.$look->valueStep][] = $lab;
        }
        usort($groups, static fn (array $one, array $other): int => count($other) <=> count($one));

        return $groups;
    }

    /** @param  non-empty-list<Lab>  $labs */
    private function gap(array $labs): Gap
    {
        $middle = $labs[intdiv(count($labs), 2)];
        $buy = $this->next->filling(Gamut::ofColours($labs));

        return new Gap(Appearance::of($middle), count($labs), $buy['pencil'] ?? null, $buy['fills'] ?? 0, $this->mix($middle));
    }

    private function mix(Lab $colour): Recipe
    {
        return $this->search->find(Target::colour($colour), new Limits(top: 1))[0];
    }
}
