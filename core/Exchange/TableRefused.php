<?php

declare(strict_types=1);

namespace Prism\Exchange;

/** A table that cannot be taken in; says every bad row at once. Nothing of it is taken. */
final class TableRefused extends \DomainException
{
    /** @param  non-empty-list<RowError>  $errors */
    public function __construct(public readonly array $errors)
    {
        parent::__construct(implode("\n", array_map(strval(...), $errors)));
    }
}
