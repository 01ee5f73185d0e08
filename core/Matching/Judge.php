<?php

declare(strict_types=1);

namespace Prism\Matching;

use Prism\Colour\Wheel;
use Prism\Layering\Doubt;
use Prism\Layering\Pressure;
use Prism\Materials\Paper;

/**
 * What a stack costs as an answer to a target, in dE00: what the hand is likely to miss by, and a little for all that an
 * artist would rather do without.
 *
 * The likely miss is that of the prediction and that of doubt, added in squares: a match that hangs on a burnish or on many
 * layers is worth less than a plain one, and a tie is won by the stack that a shaking hand spoils least.
 */
final readonly class Judge
{
    /** Costs, in dE00. */
    private const PER_PENCIL = 0.12;

    private const PER_LAYER = 0.05;

    /** Where what is laid is darker in full coats than the target by more than this, L*, it is the paper between that lightens it: speckled. For each L* more. */
    private const SPECKLED = 0.05;

    private const SPECKLED_FROM = 18.0;

    private const LITTLE_TOOTH = 1.2;

    private const LITTLE_TOOTH_BELOW = 0.15;

    private const BURNISH_BELOW = 0.8;

    /** For each percent above a medium hand in a layer that others follow: such layers belong to the end. */
    private const HEAVY_BELOW = 0.02;

    private const HEAVY_PERCENT = 60;

    /** Black and white come last, if at all; where black is allowed in shadows it costs little there. */
    private const BLACK = 1.2;

    private const BLACK_ALLOWED = 0.1;

    private const BLACK_ALONE = 2.0;

    private const BLACK_BELOW = 0.6;

    private const ALLOWED_BELOW = 2.5;

    private const WHITE_BELOW = 0.6;

    /** On toned paper black and white never meet. */
    private const MEET = 3.0;

    /** Darker than this a colour is a shadow, L*. */
    private const SHADOW_L = 45.0;

    /** The neighbours of the complement, in parts of the wheel from the colour itself; the complement lies 9 away. */
    private const SPLIT = [6.0, 8.0];

    private const SPLIT_STRAIGHT = 0.5;

    private const NEUTRAL_GAIN = 0.6;

    private const GREY_PENCIL = 2.0;

    /** Blues and magentas on the wheel. */
    private const BLUES = [10.8, 13.9];

    private const MAGENTAS = [15.2, 18.0];

    /** A layer this much lighter than what lies below it, L*, is there to brighten. */
    private const BRIGHTENS = 12.0;

    private const OTHER_BRIGHTENER = 0.4;

    /** The brightener of the school on top of a coloured light: lighter than this, L*, and of more chroma than an underlayer has. */
    private const OWN_BRIGHTENER = 0.8;

    private const LIGHT_L = 60.0;

    private const SLIDES = 0.25;

    private const WAX_BELOW = 40.0;

    /** A pencil that is to be used and is not. */
    private const MISSING = 12.0;

    private const NOT_BURNISHED = 1.6;

    private const NOT_WASHED = 0.8;

    /** A wash works from this many passes on; before, it only looks gritty. */
    public const WASH_FROM_PASSES = 3;

    private const UNDERLAYER_GAIN = 0.3;

    /** A complement on top is rarely what comes nearest; who wants it there gives up a little for it. */
    private const OVERLAYER_GAIN = 1.2;

    private const UNDERLAYER_CHROMA = 12.0;

    private float $plainDoubt;

    /** On the wheel; null where an underlayer of another hue makes no sense. */
    private ?float $goalPosition;

    /** @var list<int> by index */
    private array $must;

    private bool $shadow;

    private bool $toned;

    private bool $light;

    public function __construct(private TouchBook $book, public Target $target, public Limits $limits)
    {
        $this->must = array_keys(array_intersect($book->ids, $limits->must));
        $this->shadow = self::isShadow($target);
        $this->light = $target->colour->L > self::LIGHT_L && $target->colour->chroma() > self::UNDERLAYER_CHROMA;
        $this->toned = $book->paperL < Paper::TONED_BELOW_L && $limits->schools->blackAndWhite === BlackAndWhite::Toned;
        $this->plainDoubt = Doubt::usual(1, 0, 0);
        $this->goalPosition = self::hasComplement($target) ? Wheel::position($target->colour->hueDegrees()) : null;
    }

    /** Schools as far as they bear on what a stack costs for a target; where they do not, as by default: so they are one to whoever compares them. */
    public static function bearing(Schools $schools, Target $target): Schools
    {
        $usual = new Schools;

        return new Schools(
            $schools->value,
            self::isShadow($target) ? $schools->shadows : $usual->shadows,
            self::hasComplement($target) ? $schools->complement : $usual->complement,
            $schools->brightening, $schools->blending, $schools->blackAndWhite,
        );
    }

    private static function isShadow(Target $target): bool
    {
        return $target->colour->L < self::SHADOW_L;
    }

    private static function hasComplement(Target $target): bool
    {
        return ! $target->valueOnly && $target->colour->chroma() > self::UNDERLAYER_CHROMA;
    }

    /** What no stack with this miss can cost less than. */
    public function atLeast(float $miss): float
    {
        return sqrt($miss * $miss + $this->plainDoubt * $this->plainDoubt) - $this->plainDoubt - ($this->light ? self::OWN_BRIGHTENER : 0.0) - ($this->limits->schools->complement === Complement::Over ? self::OVERLAYER_GAIN : self::UNDERLAYER_GAIN) - self::NEUTRAL_GAIN * ($this->limits->schools->shadows === Shadows::Neutral ? 1.0 : 0.0);
    }

    /**
     * @param  list<array{int, int, int}>  $layers
     * @param  ?float  $doubt  sigma where it is known, else what is usual for so many layers
     */
    public function cost(float $miss, float $toothLeft, array $layers, ?float $doubt = null): float
    {
        $count = count($layers);
        $used = [];
        $laid = [];
        $cost = 0.0;
        $burnishes = 0;
        $film = $coats = 0.0;
        foreach ($layers as $i => [$index, $percent, $passes]) {
            $used[$index] = true;
            $laid[] = $own = $this->book->laid($index, $percent);
            $film += $percent * $passes;
            $coats += $percent * $passes * $own->L;
            $below = $i < $count - 1;
            $burnish = $percent >= Pressure::BURNISH_PERCENT;
            $burnishes += $burnish ? 1 : 0;
            if ($below && $percent > self::HEAVY_PERCENT) {
                $cost += self::HEAVY_BELOW * ($percent - self::HEAVY_PERCENT) + ($burnish ? self::BURNISH_BELOW : 0.0);
            }
            if ($i > 0 && $this->book->slides($layers[$i - 1][0], $index)) {
                $cost += $this->limits->waxLast ? self::WAX_BELOW : self::SLIDES;
            }
        }
        foreach ($this->must as $index) {
            $cost += isset($used[$index]) ? 0.0 : self::MISSING;
        }
        $doubt ??= Doubt::usual($count, $burnishes, 0);
        $cost += sqrt($miss * $miss + $doubt * $doubt) - $this->plainDoubt
            + self::PER_PENCIL * max(0, count($used) - 1)
            + self::PER_LAYER * max(0, $count - 1)
            + ($film > 0.0 && $this->limits->closed ? self::SPECKLED * max(0.0, $this->target->colour->L - self::SPECKLED_FROM - $coats / $film) : 0.0)
            + self::LITTLE_TOOTH * max(0.0, 1.0 - $toothLeft / self::LITTLE_TOOTH_BELOW);
        $cost += $this->blackAndWhite($layers) + $this->shadows($layers, $laid) + $this->brightening($layers, $laid);
        if ($this->limits->schools->blending === Blending::Burnish && $count > 1 && $layers[$count - 1][1] < Pressure::BURNISH_PERCENT) {
            $cost += self::NOT_BURNISHED;
        }
        if ($this->limits->schools->blending === Blending::Solvent && $count > 1 && array_sum(array_column($layers, 2)) < self::WASH_FROM_PASSES) {
            $cost += self::NOT_WASHED;
        }
        [$cost, $laid] = $this->complement($cost, $laid);

        return $cost + $this->limits->schools->value->cost($laid, $this->target->colour->L);
    }

    /** @param  list<array{int, int, int}>  $layers */
    private function blackAndWhite(array $layers): float
    {
        $cost = 0.0;
        $last = count($layers) - 1;
        $black = $white = false;
        $allowed = $this->limits->schools->shadows === Shadows::Black && $this->shadow;
        foreach ($layers as $i => [$index]) {
            if ($this->book->isBlack($index)) {
                $black = true;
                $own = $allowed ? self::BLACK_ALLOWED + ($last === 0 ? self::BLACK_ALONE : 0.0) : self::BLACK;
                $cost += $this->toned ? 0.0 : $own + ($i < $last ? ($allowed ? self::ALLOWED_BELOW : self::BLACK_BELOW) : 0.0);
            } elseif ($this->book->isWhite($index)) {
                $white = true;
                $cost += $i < $last && ! $this->toned ? self::WHITE_BELOW : 0.0;
            }
        }

        return $cost + ($black && $white && $this->toned ? self::MEET : 0.0);
    }

    /**
     * What the shadow schools like and dislike beside black.
     *
     * @param  list<array{int, int, int}>  $layers
     * @param  list<LaidColour>  $laid
     */
    private function shadows(array $layers, array $laid): float
    {
        if (! $this->shadow || $this->limits->schools->shadows !== Shadows::Neutral) {
            return 0.0;
        }
        $cost = 0.0;
        $blue = $magenta = false;
        foreach ($laid as $i => $colour) {
            $grey = $colour->chroma < self::UNDERLAYER_CHROMA;
            $cost += $grey && ! $this->book->isBlack($layers[$i][0]) ? self::GREY_PENCIL : 0.0;
            $blue = $blue || (! $grey && self::within($colour->wheelPosition, self::BLUES));
            $magenta = $magenta || (! $grey && (self::within($colour->wheelPosition, self::MAGENTAS) || $colour->wheelPosition < 0.5));
        }

        return $cost - ($blue && $magenta ? self::NEUTRAL_GAIN : 0.0);
    }

    /**
     * @param  list<array{int, int, int}>  $layers
     * @param  list<LaidColour>  $laid
     */
    private function brightening(array $layers, array $laid): float
    {
        $cost = 0.0;
        $yellow = $this->limits->schools->brightening === Brightening::Yellow;
        for ($i = 1, $count = count($laid); $i < $count; $i++) {
            if ($laid[$i]->L <= $laid[$i - 1]->L + self::BRIGHTENS) {
                continue;
            }
            $isWhite = $this->book->isWhite($layers[$i][0]);
            $isYellow = $this->book->isYellow($layers[$i][0]);
            $cost += ($yellow ? $isWhite : $isYellow) ? self::OTHER_BRIGHTENER : 0.0;
            if ($i === $count - 1 && $this->light && ($yellow ? $isYellow : $isWhite)) {
                $cost -= self::OWN_BRIGHTENER;
            }
        }

        return $cost;
    }

    /**
     * The complement goes under by default, a light first layer from the other side of the wheel; or over, as a light last one.
     *
     * @param  list<LaidColour>  $laid
     * @return array{float, list<LaidColour>} the cost with the gain of it, and the layers without it
     */
    private function complement(float $cost, array $laid): array
    {
        if (count($laid) < 2) {
            return [$cost, $laid];
        }
        $over = $this->limits->schools->complement === Complement::Over;
        $own = $over ? $laid[count($laid) - 1] : $laid[0];
        $distance = $this->distance($own);
        if ($distance === null || $distance < RecipeMaker::UNDERLAYER_DISTANCE) {
            return [$cost, $laid];
        }
        $over ? array_pop($laid) : array_shift($laid);
        $split = $this->shadow && $this->limits->schools->shadows === Shadows::Split;
        $gain = $over ? self::OVERLAYER_GAIN : self::UNDERLAYER_GAIN;
        $gain = ! $split || self::within($distance, self::SPLIT) ? $gain : -self::SPLIT_STRAIGHT;

        return [$cost - $gain, $laid];
    }

    /** How far round the wheel from the target a coloured, light layer lies; null for any other. */
    private function distance(LaidColour $layer): ?float
    {
        return $this->goalPosition !== null && $layer->chroma > self::UNDERLAYER_CHROMA && $layer->pressurePercent <= RecipeMaker::UNDERLAYER_PERCENT
            ? Wheel::distance($layer->wheelPosition, $this->goalPosition)
            : null;
    }

    /** @param  array{float, float}  $range */
    private static function within(float $value, array $range): bool
    {
        return $value >= $range[0] && $value <= $range[1];
    }
}
