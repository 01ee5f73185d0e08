<?php

declare(strict_types=1);

namespace Prism\Exchange;

/** What somebody says of a table whose header does not tell: which columns mean what, and what holds for every row. */
final readonly class ColumnChoice
{
    /**
     * @param  array<string, string>  $means  name of ours by header; '' for a column that means nothing
     * @param  array<string, string>  $all  value for every row, by name of ours, of columns that the table lacks
     */
    public function __construct(public array $means = [], public array $all = [])
    {
    }
}
