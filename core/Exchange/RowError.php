<?php

declare(strict_types=1);

namespace Prism\Exchange;

/** One thing wrong in a table: where, what stands there, and what would be right. */
final readonly class RowError implements \JsonSerializable, \Stringable
{
    /** @param  int  $row  as a text editor counts: the header is row 1 */
    public function __construct(public int $row, public string $column, public string $value, public string $right)
    {
    }

    public function __toString(): string
    {
        return sprintf('Row %d, column %s: "%s". %s', $this->row, $this->column, mb_strimwidth($this->value, 0, 40, '...'), $this->right);
    }

    /** @return array{row: int, column: string, value: string, right: string} */
    public function jsonSerialize(): array
    {
        return ['row' => $this->row, 'column' => $this->column, 'value' => $this->value, 'right' => $this->right];
    }
}
