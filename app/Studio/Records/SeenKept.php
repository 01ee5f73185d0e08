<?php

declare(strict_types=1);

namespace App\Studio\Records;

use App\Models\KeptRecipe;
use Prism\Matching\Recipe;

/** A recipe of the book as the engine sees it now. */
final readonly class SeenKept
{
    /**
     * @param  ?Recipe  $recipe  against what it looked like when it was kept; null if a pencil of it is not known any more
     * @param  list<string>  $missing  pencils that are not in the box, RANGE:NUMBER
     * @param  ?array{words: string, dE00: float, at: string}  $cameOut  in the drawing, as its last photo showed it
     */
    public function __construct(public KeptRecipe $row, public ?Recipe $recipe, public array $missing, public ?array $cameOut)
    {
    }
}
