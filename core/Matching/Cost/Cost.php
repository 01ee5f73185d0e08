<?php

declare(strict_types=1);

namespace Prism\Matching\Cost;

use Prism\Layering\Doubt;
use Prism\Layering\Pressure;
use Prism\Matching\Limits;
use Prism\Matching\Target;
use Prism\Matching\TouchBook;

/**
 * What a stack costs as an answer to a target, in dE00: what the hand is likely to miss by, and a little for all that an
 * artist would rather do without.
 *
 * The likely miss is that of the prediction and that of doubt, added in squares: a match that hangs on a burnish or on many
 * layers is worth less than a plain one, and a tie is won by the stack that a shaking hand spoils least.
 */
final readonly class Cost
{
    private float $plainDoubt;

    private float $mostGain;

    /** @param  list<Term>  $terms  those that bear on this target */
    private function __construct(private Target $target, private array $terms)
    {
        $this->plainDoubt = Doubt::usual(1, 0, 0);
        $this->mostGain = array_sum(array_map(static fn (Term $term): float => $term->mostGain(), $terms));
    }

    public static function of(Target $target, Limits $limits, TouchBook $book): self
    {
        $schools = $limits->schools;

        return new self($target, array_values(array_filter([
            new HandTerm,
            new ToothTerm,
            GrainTerm::on($limits->surface, $target),
            MustTerm::among($limits->must, $book->ids),
            new BinderTerm($limits->waxLast),
            ValueTerm::by($schools->value, $target),
            new UnderTerm($target->colour->L),
            ComplementTerm::by($schools, $target),
            ShadowTerm::by($schools->shadows, $target),
            new BlackAndWhiteTerm($schools, $book->paperL),
            BrighteningTerm::by($schools->brightening, $target),
            LightenerTerm::by($target),
            TraitTerm::by($target, $limits),
            FirmTerm::by($schools->hand, $target),
            FinishTerm::by($schools->blending->on($limits->surface)),
        ])));
    }

    /**
     * @param  ?float  $doubt  sigma where it is known, else what is usual for so many layers
     */
    public function at(Laid $laid, ?float $doubt = null): float
    {
        $colour = $laid->look->colour;
        $miss = $this->target->miss($colour->L, $colour->a, $colour->b);
        $last = count($laid->members) - 1;
        $doubt ??= Doubt::usual(count($laid->members), $last >= 0 && $laid->members[$last][1] >= Pressure::BURNISH_PERCENT ? 1 : 0, 0);
        $cost = sqrt($miss * $miss + $doubt * $doubt) - $this->plainDoubt;
        foreach ($this->terms as $term) {
            $cost += $term->of($laid);
        }

        return $cost;
    }

    /** What no stack with this miss can cost less than. */
    public function atLeast(float $miss): float
    {
        return sqrt($miss * $miss + $this->plainDoubt * $this->plainDoubt) - $this->plainDoubt - $this->mostGain;
    }
}
