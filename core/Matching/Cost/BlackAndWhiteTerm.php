<?php

declare(strict_types=1);

namespace Prism\Matching\Cost;

use Prism\Materials\Paper;
use Prism\Materials\PencilKind;
use Prism\Schools\BlackAndWhite;
use Prism\Schools\SchoolSet;

/** Black and white last, if at all; on toned paper freely, but never together. */
final readonly class BlackAndWhiteTerm implements Term
{
    private const WHITE_BELOW = 3.0;

    private const MEET = 5.0;

    /** On toned paper, where white takes the lights and black the darks, no miss makes up for it. */
    private const MEET_TONED = 100.0;

    private bool $toned;

    public function __construct(SchoolSet $schools, float $paperL)
    {
        $this->toned = $paperL < Paper::TONED_BELOW_L && $schools->blackAndWhite === BlackAndWhite::Toned;
    }

    public function of(Laid $laid): float
    {
        $cost = 0.0;
        $last = count($laid->coats) - 1;
        $black = $white = false;
        foreach ($laid->coats as $i => $coat) {
            if ($coat->kind === PencilKind::Black) {
                $black = true;
            } elseif ($coat->kind === PencilKind::White) {
                $white = true;
                $cost += $i < $last && ! $this->toned ? self::WHITE_BELOW : 0.0;
            }
        }

        return $cost + ($black && $white ? ($this->toned ? self::MEET_TONED : self::MEET) : 0.0);
    }

    public function mostGain(): float
    {
        return 0.0;
    }
}
