<?php

declare(strict_types=1);

namespace Prism\Planning\Palette;

use Prism\Matching\Limits;
use Prism\Matching\Recipe;
use Prism\Matching\Search;
use Prism\Matching\Search\Candidate;
use Prism\Matching\Sketch;
use Prism\Matching\Target;
use Prism\Materials\Kit;
use Prism\Planning\Build\Apart;
use Prism\Planning\Build\CommonBase;
use Prism\Planning\Build\SharedPoints;
use Prism\Planning\Build\ZoneBuild;
use Prism\Planning\LocalColour;
use Prism\Planning\Parcel;
use Prism\Planning\Parts;

/** What each colour of a picture is laid with when the pencils are chosen: the best of its stacks, built with those of its zone. */
final readonly class PaletteRecipes
{
    /** Stacks of which the pressures are refined for each target of a palette: what looks best before is not always best after. */
    private const SETTLED = 6;

    /** Recipes that are kept of each colour: the best, and others with which its zone may be built of fewer turns. */
    private const SPARE = 8;

    /** Where what was settled so misses by more, dE00, the set is explored for that target alone; so many of what is found are taken up. */
    public const MISSES = 3.5;

    private const EXPLORED = 3;

    /**
     * @param  array<string, Search>  $grounds  by target, for those that stand on a ground of their own
     * @param  array<array-key, Limits>  $limits  by target
     * @param  list<float>  $weights  by target
     */
    public function __construct(private Search $search, private Kit $kit, private array $grounds, private PaletteWish $wish, private array $limits, private array $weights)
    {
    }

    /**
     * @param  list<array{list<int>, float, Sketch}>  $stacks
     * @param  array<int, true>  $chosen
     * @return list<array{list<int>, float, Sketch}> so many, or fewer if there are no more
     */
    public static function cheapest(array $stacks, array $chosen, int $count): array
    {
        $found = [];
        foreach ($stacks as $stack) {
            foreach ($stack[0] as $pencil) {
                if (! isset($chosen[$pencil])) {
                    continue 2;
                }
            }
            $found[] = $stack;
            if (count($found) === $count) {
                break;
            }
        }

        return $found;
    }

    /**
     * The recipe of each target from each set: the best few stacks that a set can lay, with their pressures refined, and of these the
     * best, which may have been refined for another set.
     *
     * @param  list<list<array{list<int>, float, Sketch}>>  $stacks  by target: pencils, cost, stack; cheapest first
     * @param  array<int, array<int, true>>  $sets  by size
     * @param  \Closure(float): void  $progress
     * @return list<array<int, non-empty-list<Recipe>>> by target and size, the best and another; none where a set can lay no stack
     */
    public function recipes(array $stacks, array $sets, Parts $parts, \Closure $progress): array
    {
        $targets = array_values($this->wish->targets);
        $explores = $this->wish->explores;
        $limits = array_values($this->limits);
        $all = count($this->kit);
        $searches = array_map(fn (string $id): Search => $this->grounds[$id] ?? $this->search, array_map(strval(...), array_keys($this->limits)));
        $part = function (int $at) use ($targets, $limits, $stacks, $sets, $explores, $all, $searches): string {
            $near = $recipes = [];
            foreach ($sets as $chosen) {
                foreach (self::cheapest($stacks[$at], $chosen, self::SETTLED) as [, , $sketch]) {
                    $near[$sketch->key()] ??= $sketch;
                }
            }
            $search = $searches[$at];
            $settled = array_map(static fn (Sketch $sketch): Candidate => $search->settle($targets[$at], $limits[$at], $sketch), array_values($near));
            // The whole box has been looked through for each already.
            foreach ($explores ? array_filter($sets, static fn (array $chosen): bool => count($chosen) < $all) : [] as $chosen) {
                $best = self::laidBy($chosen, self::ranked($settled))[0] ?? null;
                if ($best !== null && $targets[$at]->miss($best->look->colour->L, $best->look->colour->a, $best->look->colour->b) > self::MISSES) {
                    array_push($settled, ...$search->explored($targets[$at], $limits[$at], array_keys($chosen), self::EXPLORED, true));
                }
            }
            $settled = self::ranked($settled);
            $made = [];
            foreach ($sets as $size => $chosen) {
                foreach (self::laidBy($chosen, $settled) as $candidate) {
                    if (count($recipes[$size] ?? []) < self::SPARE) {
                        $recipe = $made[spl_object_id($candidate)] ??= $search->recipe($targets[$at], $limits[$at], $candidate);
                        if (! isset($recipes[$size]) || (string) $recipes[$size][0]->stack !== (string) $recipe->stack) {
                            $recipes[$size][] = $recipe;
                        }
                        if ($candidate->sketch->members === []) {
                            // What stays paper is coloured for nobody's sake.
                            break;
                        }
                    }
                }
            }

            return Parcel::pack($recipes);
        };

        return array_map(Parcel::unpack(...), $parts->each(count($targets), $part, $progress));
    }

    /**
     * With what each colour would be over the base of most of its zone.
     *
     * @param  list<array<int, non-empty-list<Recipe>>>  $each  by target and size
     * @return list<array<int, non-empty-list<Recipe>>>
     */
    public function onCommonBases(array $each, Parts $parts): array
    {
        $targets = array_values($this->wish->targets);
        $limits = array_values($this->limits);
        $bases = [];
        foreach ($this->zones() as $of) {
            foreach (array_unique(array_merge(...array_map(static fn (int $at): array => array_keys($each[$at]), $of))) as $size) {
                $base = CommonBase::among(array_map(static fn (int $at): ?Recipe => $each[$at][$size][0] ?? null, $of), array_map(fn (int $at): float => $this->weights[$at], $of));
                foreach ($of as $at) {
                    if ($base !== null && $limits[$at]->maxLayers > 1 && LocalColour::isShared($targets[$at]->colour, $targets[$this->heaviest($of)]->colour)) {
                        $bases[$at][$size] = $base;
                    }
                }
            }
        }
        $common = array_map(fn (int|string $id): CommonBase => new CommonBase($this->grounds[$id] ?? $this->search, array_flip($this->kit->ids())), array_keys($this->limits));
        $over = static function (int $at) use ($common, $bases, $each, $targets, $limits): string {
            $found = [];
            foreach ($bases[$at] ?? [] as $size => $base) {
                if (isset($each[$at][$size])) {
                    $key = $base.' '.implode(' ', array_map(static fn (Recipe $recipe): string => (string) $recipe->stack, $each[$at][$size]));
                    $found[$size] = $made[$key] ??= $common[$at]->under($base, $targets[$at], $limits[$at], $each[$at][$size]);
                }
            }

            return Parcel::pack($found);
        };
        foreach ($parts->each(count($each), $over, static function (): void {
        }) as $at => $found) {
            foreach (Parcel::unpack($found) as $size => $recipes) {
                array_push($each[$at][$size], ...$recipes);
            }
        }

        return $each;
    }

    /**
     * One recipe for each: those with which its zone is built as a whole.
     *
     * @param  list<array<int, non-empty-list<Recipe>>>  $found  by target and size
     * @return list<?Recipe> by target; null where the set can lay no stack
     */
    public function built(array $found, int $size, float $sharing): array
    {
        $ids = array_keys($this->limits);
        $one = array_fill(0, count($ids), null);
        foreach ($this->zones() as $all) {
            $of = array_values(array_filter($all, static fn (int $at): bool => isset($found[$at][$size])));
            if ($of === []) {
                continue;
            }
            $taken = ZoneBuild::of(
                array_map(static fn (int $at): array => $found[$at][$size], $of),
                array_map(fn (int $at): float => $this->weights[$at], $of),
                fn (int $a, int $b): bool => $this->wish->parts($ids[$of[$a]], $ids[$of[$b]]),
                $sharing,
            );
            foreach ($of as $i => $at) {
                $one[$at] = $found[$at][$size][$taken[$i]];
            }
        }
        // Lines of all zones go by few points.
        $lines = array_keys(array_filter(array_values($this->limits), static fn (Limits $limits, int $at): bool => $limits->maxLayers === 1 && isset($found[$at][$size]), ARRAY_FILTER_USE_BOTH));
        if ($sharing > 0.0 && count($lines) > 1) {
            foreach (SharedPoints::of(array_map(static fn (int $at): array => $found[$at][$size], $lines)) as $i => $taken) {
                $one[$lines[$i]] = $found[$lines[$i]][$size][$taken];
            }
        }

        return array_values($one);
    }

    /**
     * Why colours stand beside the base of their zone.
     *
     * @param  list<array<int, non-empty-list<Recipe>>>  $each  by target and size
     * @param  list<?Recipe>  $taken  by target
     * @return array<string, Apart> by target
     */
    public function apart(array $each, int $size, array $taken): array
    {
        $ids = array_keys($this->limits);
        $apart = [];
        foreach ($this->zones() as $of) {
            $base = CommonBase::among(array_map(static fn (int $at): ?Recipe => $taken[$at], $of), array_map(fn (int $at): float => $this->weights[$at], $of));
            $main = $this->wish->targets[$ids[$this->heaviest($of)]]->colour;
            foreach ($of as $at) {
                $first = $taken[$at] === null ? null : CommonBase::firstOf($taken[$at]);
                if ($base === null || $first === null || (string) $first === (string) $base) {
                    continue;
                }
                $over = array_filter($each[$at][$size] ?? [], static fn (Recipe $recipe): bool => (string) CommonBase::firstOf($recipe) === (string) $base);
                $apart[$ids[$at]] = new Apart($base, ! LocalColour::isShared($this->wish->targets[$ids[$at]]->colour, $main),
                    $over === [] ? null : min(array_map(static fn (Recipe $recipe): float => $recipe->difference->dE00, $over)) - $taken[$at]->difference->dE00);
            }
        }

        return $apart;
    }

    /**
     * What the paper is already stays paper, whatever a stack would cost.
     *
     * @param  list<Candidate>  $settled
     * @return list<Candidate> cheapest first
     */
    private static function ranked(array $settled): array
    {
        $rank = static fn (Candidate $one): array => [$one->sketch->members === [] ? 0 : 1, $one->cost];
        usort($settled, static fn (Candidate $a, Candidate $b): int => $rank($a) <=> $rank($b));

        return $settled;
    }

    /**
     * @param  array<int, true>  $chosen
     * @param  list<Candidate>  $settled
     * @return list<Candidate> those of which the set has all pencils
     */
    private static function laidBy(array $chosen, array $settled): array
    {
        return array_values(array_filter($settled, static fn (Candidate $one): bool => array_diff_key(array_flip($one->sketch->pencils()), $chosen) === []));
    }

    /** @return list<non-empty-list<int>> the targets of each zone */
    private function zones(): array
    {
        $zones = [];
        foreach (array_keys($this->limits) as $at => $id) {
            $zones[$this->wish->zones[$id] ?? "alone $id"][] = $at;
        }

        return array_values($zones);
    }

    /** @param  non-empty-list<int>  $of  targets */
    private function heaviest(array $of): int
    {
        usort($of, fn (int $a, int $b): int => $this->weights[$b] <=> $this->weights[$a]);

        return $of[0];
    }
}
