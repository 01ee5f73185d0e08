<?php

declare(strict_types=1);

namespace App\Studio\Records;

use App\Models\KeptRecipe;
use App\Models\Paper;
use App\Models\User;
use App\Studio\Pencils\Catalogue;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Prism\Exchange\GplPalette;
use Prism\Exchange\RecipeEntry;
use Prism\Exchange\RecipeTable;
use Prism\Exchange\RowError;
use Prism\Exchange\TableRefused;
use Prism\Layering\Stack;

/** The recipes of a book as files, out and in again. */
final class RecipeFiles
{
    public function __construct(private readonly Catalogue $catalogue, private readonly KeptRecipes $recipes)
    {
    }

    /** @param  Collection<int, KeptRecipe>  $rows */
    public function csv(Collection $rows): string
    {
        return RecipeTable::write($rows->map(static fn (KeptRecipe $row): array => [
            'entry' => new RecipeEntry($row->name, $row->paper->slug, Stack::parse($row->stack), $row->purpose, $row->tags, $row->note), 'colour' => KeptRecipes::kept($row),
        ]));
    }

    /** @param  Collection<int, KeptRecipe>  $rows */
    public function gpl(Collection $rows): string
    {
        return GplPalette::ofColours('Knotty Prism recipes', $rows->map(static fn (KeptRecipe $row): array => [$row->name, KeptRecipes::kept($row)]));
    }

    /**
     * What a table would bring.
     *
     * @return list<array{row: int, entry: RecipeEntry, known: ?string}> known: what the same recipe is called in the book already
     *
     * @throws TableRefused with every bad row
     */
    public function preview(User $artist, string $text): array
    {
        $papers = Paper::seenBy($artist)->pluck('slug')->map(strval(...))->all();
        $entries = RecipeTable::read($text, $this->catalogue->pencils($artist), array_values($papers));
        if ($artist->keptRecipes()->count() + count($entries) > KeptRecipes::MOST) {
            throw new TableRefused([new RowError(1, '-', count($entries).' rows', sprintf('A book takes at most %d recipes.', KeptRecipes::MOST))]);
        }
        $known = [];
        foreach ($artist->keptRecipes()->with('paper')->get() as $row) {
            $known[$row->paper->slug.' '.$row->stack] = $row->name;
        }
        $rows = [];
        foreach ($entries as $row => $entry) {
            $key = $entry->paper.' '.$entry->stack;
            $rows[] = ['row' => $row, 'entry' => $entry, 'known' => $known[$key] ?? null];
            $known[$key] ??= $entry->name;
        }

        return $rows;
    }

    /**
     * Takes in those that the book has not, all or none.
     *
     * @return int how many
     */
    public function import(User $artist, string $text): int
    {
        return DB::transaction(function () use ($artist, $text): int {
            $byPaper = [];
            foreach ($this->preview($artist, $text) as ['entry' => $entry, 'known' => $known]) {
                if ($known === null) {
                    $byPaper[$entry->paper][] = ['name' => $entry->name, 'purpose' => $entry->purpose, 'tags' => $entry->tags, 'note' => $entry->note, 'stack' => (string) $entry->stack];
                }
            }
            foreach ($byPaper as $slug => $recipes) {
                $this->recipes->keep($artist, Paper::called($artist, (string) $slug) ?? throw new \LogicException('The paper was there.'), $recipes);
            }

            return array_sum(array_map(count(...), $byPaper));
        });
    }
}
