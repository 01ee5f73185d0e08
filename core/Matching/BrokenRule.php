<?php

declare(strict_types=1);

namespace Prism\Matching;

/** A rule of the artist's schools that a recipe breaks, since only so it comes so near; and by how much, in dE00. */
final readonly class BrokenRule
{
    private function __construct(public string $code, public float $gain)
    {
    }

    public static function burnish(float $gain): self
    {
        return new self('burnish', $gain);
    }

    public static function black(float $gain): self
    {
        return new self('black', $gain);
    }

    public function sentence(): string
    {
        return sprintf($this->code === 'black' ? 'Only black reaches this: %.1f nearer.' : 'Only a burnish reaches this: %.1f nearer.', $this->gain);
    }
}
