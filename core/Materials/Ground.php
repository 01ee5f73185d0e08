<?php

declare(strict_types=1);

namespace Prism\Materials;

use Prism\Colour\Lab;

/** What another medium has laid on the paper before the first pencil: chalk, watercolour pencil, a wash of ink. */
final readonly class Ground
{
    public function __construct(public Lab $colour, public GroundTooth $tooth = GroundTooth::AsPaper)
    {
    }

    /** @param  array{colour: array{float, float, float}, tooth: string}|null  $kept  as {@see toArray()} gives it */
    public static function fromArray(?array $kept): ?self
    {
        return $kept === null ? null : new self(Lab::of((float) $kept['colour'][0], (float) $kept['colour'][1], (float) $kept['colour'][2]), GroundTooth::from($kept['tooth']));
    }

    /** @return array{colour: array{float, float, float}, tooth: string} */
    public function toArray(): array
    {
        return ['colour' => [round($this->colour->L, 2), round($this->colour->a, 2), round($this->colour->b, 2)], 'tooth' => $this->tooth->value];
    }
}
