<?php

declare(strict_types=1);

namespace App\Studio\Records;

use App\Models\KeptRecipe;
use App\Models\Paper;
use App\Models\User;
use App\Models\ZoneTarget;
use App\Studio\Calibration\Engine;
use App\Studio\ChangedMeanwhile;
use App\Studio\Pencils\Catalogue;
use App\Studio\Review\DrawingReviews;
use App\Studio\Zones\Targets;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Prism\Colour\Lab;
use Prism\Colour\ValueScale;
use Prism\Layering\Stack;
use Prism\Matching\Limits;
use Prism\Matching\Recipe;
use Prism\Matching\Target;
use Prism\Materials\PencilId;
use Prism\Planning\Gradient\RecipeLadder;
use Prism\Review\PartState;

/** The recipes that an artist keeps for good: called by a name, found again, laid in any piece. */
final class KeptRecipes
{
    public const MOST = 2000;

    /** @var array<string, list<array<string, mixed>>> reviews of a piece, which many recipes may be from */
    private array $reviewed = [];

    public function __construct(private readonly Engine $engine, private readonly Catalogue $catalogue, private readonly DrawingReviews $reviews)
    {
    }

    /**
     * @return array{recipes: list<SeenKept>, count: int, tags: array<string, int>} the nearest, else the last kept first; how many there are of the wish;
     *                                                                                how many of the whole book have each tag
     */
    public function find(User $artist, RecipeWish $wish): array
    {
        $rows = collect($artist->keptRecipes()->with('paper', 'piece')->latest('updated_at')->latest('id')->get()->all());
        $tags = [];
        foreach ($rows as $row) {
            foreach ($row->tags as $tag) {
                $tags[$tag] = ($tags[$tag] ?? 0) + 1;
            }
        }
        ksort($tags);
        $rows = $rows->filter(static fn (KeptRecipe $row): bool => ($wish->tag === '' || in_array($wish->tag, $row->tags, true)) && self::says($row, $wish->words));
        if ($wish->valueStep !== null || $wish->near !== null) {
            $rows = $this->ofColour($artist, $rows, $wish);
        }

        return ['recipes' => $this->seen($artist, $rows->take($wish->most)), 'count' => $rows->count(), 'tags' => $tags];
    }

    /**
     * @param  Collection<int, KeptRecipe>  $rows
     * @return list<SeenKept>
     */
    public function seen(User $artist, Collection $rows): array
    {
        $owned = $this->catalogue->box($artist);
        $seen = [];
        foreach ($rows->groupBy('paper_id') as $ofPaper) {
            $stacks = $ofPaper->map(static fn (KeptRecipe $row): Stack => Stack::parse($row->stack))->all();
            $desk = $this->catalogue->desk($artist, ...array_values($stacks));
            $maker = $this->engine->recipes($ofPaper[0]->paper, $artist, $desk);
            foreach ($ofPaper as $at => $row) {
                $pencils = $stacks[$at]->pencils();
                $isKnown = array_filter($pencils, static fn (PencilId $pencil): bool => ! $desk->has($pencil)) === [];
                $seen[$row->id] = new SeenKept(
                    $row, $isKnown ? $maker->make($stacks[$at], Target::colour(self::kept($row))) : null,
                    array_values(array_map(strval(...), array_filter($pencils, static fn (PencilId $pencil): bool => ! $owned->has($pencil)))),
                    $this->cameOut($row),
                );
            }
        }

        return array_values($rows->map(static fn (KeptRecipe $row): SeenKept => $seen[$row->id])->all());
    }

    public static function kept(KeptRecipe $row): Lab
    {
        return Lab::of($row->L, $row->a, $row->b);
    }

    /** The same stack on the same paper, if the book has it. */
    public function same(User $artist, Paper $paper, string $stack): ?KeptRecipe
    {
        return $artist->keptRecipes()->where('paper_id', $paper->id)->where('stack', $stack)->first();
    }

    /**
     * @param  list<array{name: string, purpose: string, tags: list<string>, note: string, stack: string}>  $recipes  checked stacks
     * @param  ?ZoneTarget  $from  the colour of a zone that it was found for
     * @param  bool  $isLadder  they belong together, from pale to dark
     * @return Collection<int, KeptRecipe>
     */
    public function keep(User $artist, Paper $paper, array $recipes, ?ZoneTarget $from = null, bool $isLadder = false): Collection
    {
        return DB::transaction(function () use ($artist, $paper, $recipes, $from, $isLadder): Collection {
            $ladder = $isLadder ? strtolower((string) Str::ulid()) : null;
            $kept = collect();
            foreach ($recipes as $at => $recipe) {
                $stack = Stack::parse($recipe['stack']);
                $colour = $this->engine->predictor($paper, $artist, $this->catalogue->desk($artist, $stack))->model->draw($stack)->lab();
                $kept->push($artist->keptRecipes()->create([
                    ...$recipe, 'stack' => (string) $stack, 'paper_id' => $paper->id, 'calibration_id' => $artist->calibration_id,
                    'L' => round($colour->L, 3), 'a' => round($colour->a, 3), 'b' => round($colour->b, 3),
                    'piece_id' => $from?->zone->piece_id, 'zone_id' => $from?->zone_id, 'zone_name' => $from === null ? null : mb_substr(Targets::name($from), 0, 120),
                    'ladder' => $ladder, 'rung' => $isLadder ? $at + 1 : null,
                ]));
            }

            return $kept;
        });
    }

    /**
     * A colour from pale to dark, found in the box; nothing is kept.
     *
     * @return list<array{wanted: Lab, recipe: Recipe}>
     *
     * @throws \Prism\Matching\EmptyBox
     */
    public function ladder(User $artist, Paper $paper, Lab $colour, int $rungs, bool $same): array
    {
        $box = $this->catalogue->box($artist);
        $search = $this->engine->search($paper, $artist, $box);
        $wanted = RecipeLadder::rungs($colour, Lab::of($paper->L, $paper->a, $paper->b), $rungs);
        $found = RecipeLadder::find($search, $wanted, new Limits(top: 1), $this->engine->searchable($paper, $artist, $box), $same);

        return array_map(static fn (Lab $lab, Recipe $recipe): array => ['wanted' => $lab, 'recipe' => $recipe], $wanted, $found);
    }

    /**
     * @param  array{name?: string, purpose?: string, tags?: list<string>, note?: string, version: int}  $changes  with another version than it has, {@see ChangedMeanwhile} is thrown
     */
    public function change(KeptRecipe $row, array $changes): void
    {
        DB::transaction(static function () use ($row, $changes): void {
            $rows = KeptRecipe::query();
            $rows->lockForUpdate();
            $now = $rows->findOrFail($row->id);
            throw_if($now->version !== $changes['version'], ChangedMeanwhile::class, 'This recipe');
            $now->fill(array_intersect_key($changes, ['name' => true, 'purpose' => true, 'tags' => true, 'note' => true]));
            $now->version++;
            $now->save();
        });
    }

    private static function says(KeptRecipe $row, string $words): bool
    {
        $text = mb_strtolower(implode(' ', [$row->name, $row->purpose, $row->note, implode(' ', $row->tags), $row->stack, (string) $row->zone_name, (string) $row->piece?->title]));
        foreach (preg_split('/\s+/', mb_strtolower(trim($words))) ?: [] as $word) {
            if ($word !== '' && ! str_contains($text, $word)) {
                return false;
            }
        }

        return true;
    }

    /**
     * Those of a value, the nearest to a colour first.
     *
     * @param  Collection<int, KeptRecipe>  $rows
     * @return Collection<int, KeptRecipe>
     */
    private function ofColour(User $artist, Collection $rows, RecipeWish $wish): Collection
    {
        $near = [];
        foreach ($rows->groupBy('paper_id') as $ofPaper) {
            $stacks = $ofPaper->map(static fn (KeptRecipe $row): Stack => Stack::parse($row->stack))->all();
            $desk = $this->catalogue->desk($artist, ...array_values($stacks));
            $model = $this->engine->predictor($ofPaper[0]->paper, $artist, $desk)->model;
            foreach ($ofPaper as $at => $row) {
                $isKnown = array_filter($stacks[$at]->pencils(), static fn (PencilId $pencil): bool => ! $desk->has($pencil)) === [];
                $colour = $isKnown ? $model->draw($stacks[$at])->lab() : self::kept($row);
                if ($wish->valueStep === null || ValueScale::step($colour->L) === $wish->valueStep) {
                    $near[$row->id] = $wish->near?->differenceTo($colour) ?? 0.0;
                }
            }
        }

        return $rows->filter(static fn (KeptRecipe $row): bool => isset($near[$row->id]))->sortBy(static fn (KeptRecipe $row): float => $near[$row->id], SORT_REGULAR)->values();
    }

    /** @return ?array{words: string, dE00: float, at: string} */
    private function cameOut(KeptRecipe $row): ?array
    {
        if ($row->piece === null || $row->zone_id === null) {
            return null;
        }
        foreach ($this->reviewed[$row->piece->id] ??= $this->reviews->of($row->piece) as $review) {
            foreach ($review['zones'] ?? [] as $zone) {
                // While it is on its way it says nothing of the recipe.
                if ($zone['id'] === $row->zone_id && ! $zone['isToCome'] && ! in_array($zone['state'], [PartState::Bare->value, PartState::Begun->value], true)) {
                    return ['words' => (string) $zone['words'], 'dE00' => (float) $zone['dE00'], 'at' => (string) $review['madeAt']];
                }
            }
        }

        return null;
    }
}
