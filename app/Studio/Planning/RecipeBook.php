<?php

declare(strict_types=1);

namespace App\Studio\Planning;

use App\Models\Piece;
use App\Models\Recipe as RecipeRow;
use App\Models\ZoneTarget;
use App\Studio\Calibration\Engine;
use App\Studio\Pencils\Catalogue;
use App\Studio\Zones\Targets;
use Prism\Layering\Stack;
use Prism\Matching\Recipe;
use Prism\Matching\Target;

/** The recipes that an artist has kept, or chosen by hand in a piece: offered again where they fit. */
final class RecipeBook
{
    /** A recipe fits if it comes this near, by the miss of the target, dE00. */
    private const FITS = 3.0;

    /** The latest so many are looked through. */
    private const LOOKED_THROUGH = 300;

    public function __construct(private readonly Engine $engine, private readonly Catalogue $catalogue)
    {
    }

    /**
     * Of other colours than the one at hand, made of pencils in the box, nearest first.
     *
     * @return list<array{recipe: Recipe, from: string}>
     */
    public function fitting(Piece $piece, Target $target, int $most): array
    {
        $box = $this->catalogue->box($piece->user);
        $model = $this->engine->predictor($piece->paper, $piece->user, $box)->model;
        $known = $this->engine->searchable($piece->paper, $piece->user, $box);
        $fitting = [];
        $looked = 0;
        foreach ($this->stacks($piece) as [$notation, $from]) {
            if ($looked++ >= self::LOOKED_THROUGH) {
                break;
            }
            $stack = Stack::parse($notation);
            if (isset($fitting[$notation]) || count($stack) === 0 || array_filter($stack->pencils(), static fn ($pencil): bool => ! $known->has($pencil)) !== []) {
                continue;
            }
            $colour = $model->draw($stack)->lab();
            $miss = $target->miss($colour->L, $colour->a, $colour->b);
            if ($miss <= self::FITS) {
                $fitting[$notation] = [$miss, $stack, $from()];
            }
        }
        usort($fitting, static fn (array $a, array $b): int => $a[0] <=> $b[0]);

        // Doubt and warnings are worked out for those that are shown only: a search asks for this each time.
        $maker = $this->engine->recipes($piece->paper, $piece->user, $box);

        return array_map(static fn (array $own): array => ['recipe' => $maker->make($own[1], $target), 'from' => $own[2]], array_slice($fitting, 0, $most));
    }

    /** @return iterable<array{string, \Closure(): string}> what is kept by a name first; then what was chosen in pieces: notation, and where it is from */
    private function stacks(Piece $piece): iterable
    {
        foreach ($piece->user->keptRecipes()->latest('updated_at')->limit(self::LOOKED_THROUGH)->get() as $kept) {
            yield [$kept->stack, static fn (): string => $kept->name];
        }
        $targets = ZoneTarget::query();
        $targets->whereHas('zone.piece', static fn ($of) => $of->where('user_id', $piece->user_id));
        $rows = RecipeRow::query()->with('target.zone.targets', 'target.zone.piece');
        $rows->where('by_hand', true)->whereIn('target_id', $targets->select('id'))->latest('updated_at')->limit(self::LOOKED_THROUGH);

        foreach ($rows->get() as $row) {
            yield [$row->stack, static fn (): string => sprintf('%s, %s', $row->target->zone->piece->title, Targets::name($row->target))];
        }
    }
}
