<?php

declare(strict_types=1);

namespace App\Studio\Planning;

use Closure;
use Prism\Layering\ToothModel;
use Prism\Matching\Recipe;

/** The recipe of a colour as the engine sees it now, and the model that sees it. */
final readonly class SeenRecipe
{
    /** @param  Closure(): ToothModel  $model  asked only where something is computed by it */
    public function __construct(public Recipe $recipe, private Closure $model)
    {
    }

    public function model(): ToothModel
    {
        return ($this->model)();
    }
}
