<?php

declare(strict_types=1);

namespace Prism\Matching\Cost;

use Prism\Matching\PencilCoat;
use Prism\Matching\Target;
use Prism\Materials\PencilKind;
use Prism\Schools\Brightening;

/** What a passage is made lighter with: yellow keeps its chroma and warms, white goes pastel and cools. */
final readonly class BrighteningTerm implements Term
{
    /** A layer this much lighter than what lies below it, L*, is there to brighten. */
    private const BRIGHTENS = 12.0;

    private const OTHER = 0.6;

    /** The brightener of the school on top of a coloured light: lighter than this, L*. */
    private const OWN_GAIN = 1.4;

    private const LIGHT_L = 60.0;

    private function __construct(private Brightening $school, private bool $light)
    {
    }

    public static function by(Brightening $school, Target $target): self
    {
        return new self($school, $target->colour->L > self::LIGHT_L && $target->colour->chroma() > PencilCoat::COLOURED);
    }

    /** Whether a pencil is what this school brightens with. */
    public function isOwn(PencilCoat $coat): bool
    {
        return $coat->kind === $this->own();
    }

    private function own(): PencilKind
    {
        return $this->school === Brightening::Yellow ? PencilKind::Yellow : PencilKind::White;
    }

    public function of(Laid $laid): float
    {
        $own = $this->own();
        $other = $this->school === Brightening::Yellow ? PencilKind::White : PencilKind::Yellow;
        $cost = 0.0;
        for ($i = 1, $last = count($laid->coats) - 1; $i <= $last; $i++) {
            $coat = $laid->coats[$i];
            if ($coat->L <= $laid->coats[$i - 1]->L + self::BRIGHTENS) {
                continue;
            }
            $cost += $coat->kind === $other ? self::OTHER : 0.0;
            $cost -= $i === $last && $this->light && $coat->kind === $own ? self::OWN_GAIN : 0.0;
        }

        return $cost;
    }

    public function mostGain(): float
    {
        return $this->light ? self::OWN_GAIN : 0.0;
    }
}
