<?php

declare(strict_types=1);

namespace Prism\Matching\Cost;

use Prism\Matching\Limits;
use Prism\Matching\Target;
use Prism\Materials\Opacity;
use Prism\Materials\PencilKind;

/**
 * What is known of a lead besides its colour: a light is kept open, so nothing that stains goes into it and nothing opaque lies
 * under its last coat, where the paper shall shine through; lines and accents want a hard core, which keeps its point. Where
 * nothing is known of a lead, nothing is held against it.
 */
final readonly class TraitTerm implements Term
{
    private const STAINS = 0.4;

    private const OPAQUE_BELOW = 0.15;

    private const SOFT_LINE = 0.4;

    /** A light, L*. */
    private const LIGHT_L = 65.0;

    private function __construct(private bool $light, private bool $line)
    {
    }

    /** Null for what is neither a light nor a line. */
    public static function by(Target $target, Limits $limits): ?self
    {
        $light = $target->colour->L >= self::LIGHT_L && ! $limits->last;

        return $light || $limits->last ? new self($light, $limits->last) : null;
    }

    public function of(Laid $laid): float
    {
        $cost = 0.0;
        $last = count($laid->coats) - 1;
        foreach ($laid->coats as $i => $coat) {
            if ($this->light) {
                $cost += $coat->stains ? self::STAINS : 0.0;
                $cost += $i < $last && $coat->opacity === Opacity::Opaque && $coat->kind === PencilKind::Colour ? self::OPAQUE_BELOW : 0.0;
            }
            if ($this->line) {
                $cost += $coat->isSoft ? self::SOFT_LINE : 0.0;
            }
        }

        return $cost;
    }

    public function mostGain(): float
    {
        return 0.0;
    }
}
