<?php

declare(strict_types=1);

namespace Prism\Planning\Build;

use Prism\Matching\Limits;
use Prism\Matching\Recipe;
use Prism\Matching\Search;
use Prism\Matching\Sketch;
use Prism\Matching\Target;
use Prism\Materials\PencilId;

/** A thin base that all colours of a zone may stand on: what each would be over a coat of it. */
final readonly class CommonBase
{
    /** As it is first tried: percent and coats; both are refined for each colour. */
    private const PERCENT = 40;

    private const COATS = 1;

    /** Of a colour's recipes so many are tried over it. */
    private const TRIED = 2;

    /** @param  array<string, int>  $index  of each pencil among those that are searched */
    public function __construct(private Search $search, private array $index)
    {
    }

    /**
     * The pencil that goes first in most of a zone.
     *
     * @param  list<?Recipe>  $recipes  of its colours; null for one without
     * @param  list<float>  $weights  what each counts
     * @return ?PencilId null if less than two of them have anything laid
     */
    public static function among(array $recipes, array $weights): ?PencilId
    {
        $first = $sum = [];
        $laid = 0;
        foreach ($recipes as $at => $recipe) {
            $pencil = $recipe === null ? null : self::firstOf($recipe);
            if ($pencil !== null) {
                $laid++;
                $first[(string) $pencil] = $pencil;
                $sum[(string) $pencil] = ($sum[(string) $pencil] ?? 0.0) + $weights[$at];
            }
        }
        if ($laid < 2) {
            return null;
        }
        arsort($sum);

        return $first[array_key_first($sum)];
    }

    /** What is laid first; null where the paper stays bare. */
    public static function firstOf(Recipe $recipe): ?PencilId
    {
        return $recipe->stack->steps[0]->pencil ?? null;
    }

    /**
     * @param  list<Recipe>  $recipes  of the colour, best first
     * @return list<Recipe> the best of them that begin with the base; none if one of them does already, or nothing is to be laid
     */
    public function under(PencilId $base, Target $target, Limits $limits, array $recipes): array
    {
        foreach ($recipes as $recipe) {
            $first = self::firstOf($recipe);
            if ($first === null || (string) $first === (string) $base) {
                return [];
            }
        }
        $based = $limits->over((string) $base);
        $found = [];
        foreach (array_slice($recipes, 0, self::TRIED) as $recipe) {
            $members = [[$this->index[(string) $base], self::PERCENT, self::COATS]];
            foreach ($recipe->stack->steps as $step) {
                if ($step->pencil !== null) {
                    $members[] = [$this->index[(string) $step->pencil], (int) $step->pressurePercent, $step->passes];
                }
            }
            $settled = $this->search->settle($target, $based, Sketch::of($members));
            if (($settled->sketch->members[0][0] ?? null) === $this->index[(string) $base]) {
                $found[] = $this->search->recipe($target, $based, $settled);
            }
        }

        return $found;
    }
}
