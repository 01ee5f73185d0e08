<?php

declare(strict_types=1);

namespace Prism\Materials;

/** RANGE:NUMBER, as printed on the barrel; the range code is letters and digits, the number too. */
final readonly class PencilId implements \Stringable
{
    public const PATTERN = '[A-Za-z][A-Za-z0-9]{0,11}:[A-Za-z0-9][A-Za-z0-9.\-]{0,11}';

    private function __construct(public string $range, public string $number)
    {
    }

    /** @throws InvalidMaterial if it is not written as RANGE:NUMBER */
    public static function of(string $id): self
    {
        if (preg_match('/^'.self::PATTERN.'\z/', $id) !== 1) {
            throw new InvalidMaterial(sprintf('"%s" is not a pencil; write its range and number, such as GW:2140.', $id));
        }
        [$range, $number] = explode(':', $id, 2);

        return new self(strtoupper($range), $number);
    }

    public function __toString(): string
    {
        return $this->range.':'.$this->number;
    }
}
