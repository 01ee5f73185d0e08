<?php

declare(strict_types=1);

namespace Prism\Planning\Gradient;

use Prism\Colour\Lab;
use Prism\Matching\EmptyBox;
use Prism\Matching\Limits;
use Prism\Matching\Recipe;
use Prism\Matching\Search;
use Prism\Matching\Target;
use Prism\Materials\Kit;

/** One colour from pale to dark in even steps of value, each rung a recipe. */
final class RecipeLadder
{
    public const FEWEST = 3;

    public const MOST = 9;

    /** The palest rung is so far from the paper on the way to the colour. */
    private const PALE = 0.22;

    /** The darkest has this share of the colour's lightness, and of its chroma. */
    private const DARK = 0.5;

    private const DULL = 0.75;

    /** No darker than that, L*: no pencil is. */
    private const DARKEST = 22.0;

    /**
     * What the rungs should be.
     *
     * @return list<Lab> from pale to dark
     */
    public static function rungs(Lab $colour, Lab $paper, int $count): array
    {
        $count = max(self::FEWEST, min(self::MOST, $count));
        $pale = $paper->towards($colour, self::PALE);
        $dark = Lab::of(max(self::DARKEST, self::DARK * $colour->L), self::DULL * $colour->a, self::DULL * $colour->b);
        $rungs = [];
        for ($i = 0; $i < $count; $i++) {
            $L = $pale->L + $i / ($count - 1) * (min($pale->L, $dark->L) - $pale->L);
            [$light, $deep] = $L >= $colour->L ? [$pale, $colour] : [$colour, $dark];
            $share = $light->L - $deep->L < 1e-6 ? 0.0 : ($light->L - $L) / ($light->L - $deep->L);
            $rungs[] = $light->towards($deep, max(0.0, min(1.0, $share)));
        }

        return $rungs;
    }

    /**
     * @param  list<Lab>  $rungs
     * @param  bool  $same  all of the same few pencils, in other shares
     * @return list<Recipe> one for each rung
     *
     * @throws EmptyBox
     */
    public static function find(Search $search, array $rungs, Limits $limits, Kit $box, bool $same): array
    {
        $find = static fn (Lab $rung, ?Kit $only): Recipe => $search->find(Target::colour($rung), $limits, $only)[0];
        if (! $same) {
            return array_map(static fn (Lab $rung): Recipe => $find($rung, null), $rungs);
        }
        // The middle and the darkest say which: lighter ones are those laid lighter.
        $pencils = [];
        foreach ([$rungs[intdiv(count($rungs), 2)], $rungs[count($rungs) - 1]] as $rung) {
            foreach ($find($rung, null)->stack->pencils() as $pencil) {
                $pencils[(string) $pencil] = $pencil;
            }
        }
        $only = $box->only(array_values($pencils));

        return array_map(static fn (Lab $rung): Recipe => $find($rung, $only), $rungs);
    }
}
