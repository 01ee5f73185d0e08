<?php

declare(strict_types=1);

namespace Prism\Matching\Cost;

use Prism\Layering\Grain;
use Prism\Matching\Target;
use Prism\Materials\PencilKind;
use Prism\Schools\Surface;

/**
 * Grain where it is not wanted: hard and smooth things are to be closed, on others it may speak. A near-black laid so lightly
 * that the paper between makes its value is specks, and no grey, on any of them.
 */
final readonly class GrainTerm implements Term
{
    /** For each L* of grain beyond what a surface bears, as the eye sees it. */
    private const SEEN = 0.2;

    /** The same where only the value is asked for: that comes first. */
    private const SEEN_BY_VALUE = 0.05;

    private const BEARS = ['hard' => 3.0, 'smooth' => 4.0, 'soft' => 6.0, 'rough' => 8.0, 'stranded' => 6.0];

    /** For each L* that the target is lighter than a near-black's own coat, beyond what coats close. */
    private const SPECKS = 0.06;

    private const SPECKS_FROM = 18.0;

    private function __construct(private float $bears, private float $targetL, private float $each)
    {
    }

    public static function on(Surface $surface, Target $target): self
    {
        return new self(self::BEARS[$surface->value], $target->colour->L, $target->valueOnly ? self::SEEN_BY_VALUE : self::SEEN);
    }

    public function of(Laid $laid): float
    {
        $cost = $this->each * max(0.0, Grain::SEEN * $laid->look->grain - $this->bears);
        foreach ($laid->coats as $coat) {
            if ($coat->kind === PencilKind::NearBlack || $coat->kind === PencilKind::Black) {
                $cost += self::SPECKS * max(0.0, $this->targetL - $coat->L - self::SPECKS_FROM);
            }
        }

        return $cost;
    }

    public function mostGain(): float
    {
        return 0.0;
    }
}
