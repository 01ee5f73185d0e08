<?php

declare(strict_types=1);

namespace Prism\Planning\Palette;

use Prism\Matching\EmptyBox;
use Prism\Matching\Limits;
use Prism\Matching\Recipe;
use Prism\Matching\Search;
use Prism\Matching\Sketch;
use Prism\Matching\Target;
use Prism\Materials\Kit;
use Prism\Materials\PencilId;
use Prism\Planning\Build\Apart;
use Prism\Planning\Lightener;
use Prism\Planning\OneByOne;
use Prism\Planning\Parts;

/**
 * Chooses the few pencils that serve all targets of a picture together, for every size of a curve in one run.
 *
 * Each target brings its many stacks ({@see TargetStacks}); what a set of pencils is worth is the weighted sum over the
 * targets of the cheapest stack it can lay. Pencils are added one by one, the most useful first; at each size wanted,
 * pencils are exchanged as long as that helps.
 */
final class PaletteFinder
{
    /** Cost of a target that a set cannot serve at all, dE00. */
    private const UNSERVED = 60.0;

    private const EXCHANGE_ROUNDS = 2;

    /** What misses by more than {@see PaletteRecipes::MISSES} counts more the further it is, by its square: a zone that fails is seen. */
    private const FAR = 0.1;

    /** What sharing counts in a zone's build: less where a palette would else come out farther than a smaller one. */
    private const SHARING = [1.0, 0.5, 0.2, 0.0];

    /** In smaller palettes there is no room for lighteners. */
    public const LIGHTENERS_FROM = 8;

    /** Share of the work that is finding the stacks of each target. */
    private const GATHERING = 0.6;

    /** Share after which the pencils of every size are chosen, and their stacks are left to be settled. */
    private const CHOOSING = 0.75;

    /** @var list<list<array{list<int>, float, Sketch}>> by target: pencils, cost, stack; cheapest first */
    private array $stacks = [];

    /** @var list<array<int, list<int>>> by target and pencil: which of the stacks use it */
    private array $using = [];

    /** @var list<float> by target */
    private array $weights = [];

    /** @var array<array-key, Limits> by target */
    private array $limits = [];

    /** @param  array<string, Search>  $grounds  by target, for those that stand on a ground of their own: of the same pencils */
    public function __construct(private readonly Search $search, private readonly Kit $kit, private readonly array $grounds = [])
    {
    }

    /**
     * @param  array<array-key, TargetStacks>  $gathered  for targets whose stacks are known already
     * @param  ?\Closure(float): void  $progress  how far it is, 0-1; may throw to stop
     * @return array<int, Palette> by size, of no more pencils than there are
     *
     * @throws EmptyBox
     */
    public function curve(PaletteWish $wish, array $gathered = [], ?\Closure $progress = null, Parts $parts = new OneByOne): array
    {
        $this->limits = $wish->limitsByTarget();
        $progress ??= static function (): void {
        };
        $ids = $this->kit->ids();
        $index = array_flip($ids);
        $out = array_map(strval(...), $wish->banned);
        $free = $this->kit->where(static fn ($pencil): bool => ! in_array((string) $pencil->id, $out, true));
        $this->gather($wish->targets, $wish->weights, $free, $gathered, static fn (float $share) => $progress(self::GATHERING * $share));
        $chosen = [];
        foreach ($wish->pinned as $pencil) {
            if (isset($index[(string) $pencil])) {
                $chosen[$index[(string) $pencil]] = true;
            }
        }
        $fixed = $chosen;
        $open = array_map(static fn (string $id): int => $index[$id], $free->ids());
        $sets = [];
        $sizes = $wish->sizes;
        sort($sizes);
        foreach ($sizes as $size) {
            while (count($chosen) < min($size, count($open) + count($fixed))) {
                $best = $this->mostUseful($chosen, $open);
                if ($best === null) {
                    break;
                }
                $chosen[$best] = true;
            }
            $chosen = $this->withLighteners($this->exchanged($chosen, $fixed, $open), $fixed, $open, $size);
            $sets[$size] = $chosen;
            $progress(self::GATHERING + (self::CHOOSING - self::GATHERING) * count($sets) / count($sizes));
        }
        $recipes = new PaletteRecipes($this->search, $this->kit, $this->grounds, $wish, $this->limits, $this->weights);
        $each = $recipes->recipes($this->stacks, $sets, $parts, static fn (float $share) => $progress(self::CHOOSING + (1.0 - self::CHOOSING) * $share));
        $each = $recipes->onCommonBases($each, $parts);
        $palettes = [];
        $before = null;
        foreach ($sets as $size => $chosen) {
            $alone = array_map(static fn (array $of): ?Recipe => $of[$size][0] ?? null, $each);
            foreach (self::SHARING as $sharing) {
                $taken = $recipes->built($each, $size, $sharing);
                $palette = $this->palette($chosen, $taken, $alone, $recipes->apart($each, $size, $taken));
                if ($before === null || $palette->meanDifference <= $before->meanDifference) {
                    break;
                }
            }
            $palettes[$size] = $before = $before !== null && $palette->meanDifference > $before->meanDifference ? $this->grown($before, $chosen, $size) : $palette;
        }

        return $palettes;
    }

    /**
     * @param  array<string, Target>  $targets
     * @param  array<string, float>  $weights
     * @param  array<array-key, TargetStacks>  $gathered
     * @param  \Closure(float): void  $progress
     */
    private function gather(array $targets, array $weights, Kit $free, array $gathered, \Closure $progress): void
    {
        $this->stacks = $this->using = $this->weights = [];
        foreach ($targets as $id => $target) {
            $stacks = $using = [];
            foreach (($gathered[$id] ?? TargetStacks::of($this->grounds[$id] ?? $this->search, $target, $this->limits[$id], $free))->stacks as $i => $priced) {
                $pencils = $priced->sketch->pencils();
                $stacks[] = [$pencils, $priced->cost, $priced->sketch];
                foreach ($pencils as $pencil) {
                    $using[$pencil][] = $i;
                }
            }
            $this->stacks[] = $stacks;
            $this->using[] = $using;
            $this->weights[] = $weights[$id] ?? 1.0;
            $progress(count($this->weights) / count($targets));
        }
    }

    /**
     * @param  array<int, true>  $chosen
     * @param  list<int>  $open
     */
    private function mostUseful(array $chosen, array $open): ?int
    {
        $served = $this->served($chosen);
        $best = null;
        $least = INF;
        foreach ($open as $pencil) {
            if (isset($chosen[$pencil])) {
                continue;
            }
            $cost = $this->with($chosen, $served, $pencil);
            if ($cost < $least) {
                $least = $cost;
                $best = $pencil;
            }
        }

        return $best;
    }

    /**
     * @param  array<int, true>  $chosen
     * @param  array<int, true>  $fixed
     * @param  list<int>  $open
     * @return array<int, true>
     */
    private function exchanged(array $chosen, array $fixed, array $open): array
    {
        for ($round = 0; $round < self::EXCHANGE_ROUNDS; $round++) {
            $before = $this->worth($this->served($chosen));
            $changed = false;
            foreach (array_keys(array_diff_key($chosen, $fixed)) as $out) {
                $rest = $chosen;
                unset($rest[$out]);
                $in = $this->mostUseful($rest, $open);
                if ($in === null || $in === $out) {
                    continue;
                }
                $after = $this->with($rest, $this->served($rest), $in);
                if ($after < $before - 1e-9) {
                    $chosen = $rest + [$in => true];
                    $before = $after;
                    $changed = true;
                }
            }
            if (! $changed) {
                break;
            }
        }

        return $chosen;
    }

    /**
     * A warm and a cool lightener are kept from some size on: passages are softened with them, and one alone makes a drawing flat.
     *
     * @param  array<int, true>  $chosen
     * @param  array<int, true>  $fixed
     * @param  list<int>  $open
     * @return array<int, true>
     */
    private function withLighteners(array $chosen, array $fixed, array $open, int $size): array
    {
        if ($size < self::LIGHTENERS_FROM) {
            return $chosen;
        }
        $kinds = [];
        foreach ($this->kit as $id => $pencil) {
            $kinds[$id] = Lightener::of($pencil);
        }
        $ids = $this->kit->ids();
        foreach (Lightener::cases() as $kind) {
            $of = array_values(array_filter($open, static fn (int $index): bool => $kinds[$ids[$index]] === $kind));
            if ($of === [] || array_filter(array_keys($chosen), static fn (int $index): bool => $kinds[$ids[$index]] === $kind) !== []) {
                continue;
            }
            $rest = $chosen;
            if (count($chosen) >= $size) {
                $losses = array_diff_key($chosen, $fixed, array_flip(array_filter(array_keys($chosen), static fn (int $index): bool => $kinds[$ids[$index]] !== null)));
                if ($losses === []) {
                    continue;
                }
                $least = null;
                foreach (array_keys($losses) as $index) {
                    $without = $chosen;
                    unset($without[$index]);
                    $worth = $this->worth($this->served($without));
                    if ($least === null || $worth < $least[0]) {
                        $least = [$worth, $without];
                    }
                }
                $rest = $least[1];
            }
            $best = $this->mostUseful($rest, $of);
            if ($best !== null) {
                $chosen = $rest + [$best => true];
            }
        }

        return $chosen;
    }

    /**
     * The cheapest cost of each target.
     *
     * @param  array<int, true>  $chosen
     * @return list<float>
     */
    private function served(array $chosen): array
    {
        return array_map(static fn (array $stacks): float => PaletteRecipes::cheapest($stacks, $chosen, 1)[0][1] ?? self::UNSERVED, $this->stacks);
    }

    /**
     * What the set would cost with one pencil more.
     *
     * @param  array<int, true>  $chosen
     * @param  list<float>  $served
     */
    private function with(array $chosen, array $served, int $pencil): float
    {
        $chosen[$pencil] = true;
        foreach ($this->stacks as $target => $stacks) {
            foreach ($this->using[$target][$pencil] ?? [] as $i) {
                [$pencils, $cost] = $stacks[$i];
                if ($cost >= $served[$target]) {
                    break;
                }
                foreach ($pencils as $needed) {
                    if (! isset($chosen[$needed])) {
                        continue 2;
                    }
                }
                $served[$target] = $cost;

                break;
            }
        }

        return $this->worth($served);
    }

    /** @param  list<float>  $served */
    private function worth(array $served): float
    {
        $sum = 0.0;
        foreach ($served as $target => $cost) {
            $sum += $this->weights[$target] * ($cost + self::FAR * max(0.0, $cost - PaletteRecipes::MISSES) ** 2);
        }

        return $sum;
    }

    /**
     * A palette and its recipes with pencils of another, up to a size: more pencils never come out farther.
     *
     * @param  array<int, true>  $chosen  of the other
     */
    private function grown(Palette $palette, array $chosen, int $size): Palette
    {
        $index = array_flip($this->kit->ids());
        $grown = array_fill_keys(array_map(static fn (PencilId $pencil): int => $index[(string) $pencil], $palette->pencils), true);
        // Its lighteners first: without them a drawing goes flat.
        $lighteners = array_filter(array_keys($chosen), fn (int $pencil): bool => Lightener::of($this->kit->get(PencilId::of($this->kit->ids()[$pencil]))) !== null);
        foreach ([...$lighteners, ...array_keys($chosen)] as $pencil) {
            if (count($grown) < $size) {
                $grown[$pencil] = true;
            }
        }
        ksort($grown);
        $ids = $this->kit->ids();

        return new Palette(array_map(static fn (int $at): PencilId => PencilId::of($ids[$at]), array_keys($grown)), $palette->recipes, $palette->meanDifference, $palette->separate, $this->losses($grown), $palette->apart);
    }

    /**
     * @param  array<int, true>  $chosen
     * @param  list<?Recipe>  $found  by target
     * @param  list<?Recipe>  $alone  by target, the best for each alone
     * @param  array<string, Apart>  $apart  by target
     */
    private function palette(array $chosen, array $found, array $alone, array $apart): Palette
    {
        $ids = array_keys($this->limits);
        $recipes = [];
        foreach ($found as $at => $recipe) {
            if ($recipe !== null) {
                $recipes[$ids[$at]] = $recipe;
            }
        }
        $pencils = $this->kit->ids();
        ksort($chosen);

        return new Palette(
            array_map(static fn (int $index): PencilId => PencilId::of($pencils[$index]), array_keys($chosen)),
            $recipes,
            $this->mean($found),
            $this->mean($alone),
            $this->losses($chosen),
            $apart,
        );
    }

    /**
     * Mean dE00, weighted as the targets are.
     *
     * @param  list<?Recipe>  $recipes  by target
     */
    private function mean(array $recipes): float
    {
        $sum = $weight = 0.0;
        foreach ($recipes as $at => $recipe) {
            if ($recipe !== null) {
                $sum += $this->weights[$at] * $recipe->difference->dE00;
                $weight += $this->weights[$at];
            }
        }

        return $weight > 0.0 ? $sum / $weight : 0.0;
    }

    /**
     * @param  array<int, true>  $chosen
     * @return array<string, float>
     */
    private function losses(array $chosen): array
    {
        $ids = $this->kit->ids();
        $all = max(1e-9, array_sum($this->weights));
        $with = $this->worth($this->served($chosen));
        $losses = [];
        foreach (array_keys($chosen) as $pencil) {
            $rest = $chosen;
            unset($rest[$pencil]);
            $losses[$ids[$pencil]] = ($this->worth($this->served($rest)) - $with) / $all;
        }

        return $losses;
    }
}
