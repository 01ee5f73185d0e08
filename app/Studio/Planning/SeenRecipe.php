<?php

declare(strict_types=1);

namespace App\Studio\Planning;

use Prism\Layering\ToothModel;
use Prism\Matching\Recipe;

/** The recipe of a colour as the engine sees it now, and the model that sees it. */
final readonly class SeenRecipe
{
    public function __construct(public Recipe $recipe, public ToothModel $model)
    {
    }
}
