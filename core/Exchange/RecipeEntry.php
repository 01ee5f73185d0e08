<?php

declare(strict_types=1);

namespace Prism\Exchange;

use Prism\Layering\Stack;

/** A recipe of a book, as a table tells it. */
final readonly class RecipeEntry
{
    /** @param  list<string>  $tags */
    public function __construct(public string $name, public string $paper, public Stack $stack, public string $purpose = '', public array $tags = [], public string $note = '')
    {
    }
}
