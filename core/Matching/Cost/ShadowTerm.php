<?php

declare(strict_types=1);

namespace Prism\Matching\Cost;

use Prism\Matching\Target;
use Prism\Materials\PencilKind;
use Prism\Schools\Shadows;

/** What the schools of shadows say of black and of greys; where no black is wanted the search does not get one. */
final readonly class ShadowTerm implements Term
{
    /** Black as asked for: lightly, last, on top of other darks; or first, with coloured darks over it. */
    private const BLACK_GAIN = 0.7;

    /** Black first, alone, below others or pressed: however dark the target, it is never laid so. */
    private const BLACK_WRONG = 40.0;

    private const BLACK_LIGHTLY = 50;

    /** Grey of a blue and a magenta, and a grey pencil in its place. */
    private const NEUTRAL_GAIN = 1.8;

    private const GREY_PENCIL = 2.0;

    private function __construct(private Shadows $school, private bool $trulyBlack)
    {
    }

    /** Null where the target is no shadow, or the school says nothing but which pencils it has. */
    public static function by(Shadows $school, Target $target): ?self
    {
        $bears = $target->isShadow() && in_array($school, [Shadows::Black, Shadows::BlackFirst, Shadows::Neutral], true);

        return $bears ? new self($school, $target->isTrulyBlack()) : null;
    }

    public function of(Laid $laid): float
    {
        return $this->school === Shadows::Neutral ? $this->neutral($laid) : $this->black($laid);
    }

    public function mostGain(): float
    {
        return $this->school === Shadows::Neutral ? self::NEUTRAL_GAIN : self::BLACK_GAIN;
    }

    private function black(Laid $laid): float
    {
        $last = count($laid->members) - 1;
        $first = $this->school === Shadows::BlackFirst;
        $cost = 0.0;
        foreach ($laid->coats as $i => $coat) {
            if ($coat->kind === PencilKind::Black) {
                $right = $first
                    ? $this->trulyBlack && $i === 0 && $last > 0 && ! $laid->opensInRound
                    : $i === $last && $last > 0 && ! $laid->endsInRound && $laid->members[$i][1] <= self::BLACK_LIGHTLY;
                $cost += $right ? -self::BLACK_GAIN : self::BLACK_WRONG;
            }
        }

        return $cost;
    }

    private function neutral(Laid $laid): float
    {
        $cost = 0.0;
        $blue = $magenta = false;
        foreach ($laid->coats as $coat) {
            $cost += ! $coat->isColoured() && $coat->kind !== PencilKind::White ? self::GREY_PENCIL : 0.0;
            $blue = $blue || $coat->isBlue();
            $magenta = $magenta || $coat->isMagenta();
        }

        return $cost - ($blue && $magenta ? self::NEUTRAL_GAIN : 0.0);
    }
}
