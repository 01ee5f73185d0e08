<?php

declare(strict_types=1);

namespace Prism\Matching;

use Prism\Layering\Pressure;
use Prism\Layering\ToothModel;
use Prism\Materials\Binder;
use Prism\Schools\Blending;
use Prism\Schools\Hand;
use Prism\Schools\Surface;

/**
 * How a colour may be laid: how hard below and last, in how many coats, closed by what. It follows from schools, surface, paper
 * and the darkness of the target; a stack that is not within it is not proposed unasked.
 */
final readonly class Manner
{
    /** Pressures stand on this grid, percent, and none is lighter than a whisper. */
    public const GRID = 5;

    public const LEAST_PERCENT = 20;

    /** Coats of one layer; in a round, and of one that is laid at a stretch. */
    public const ROUND_COATS = 3;

    public const LAYER_COATS = 6;

    public const ROUNDS = 5;

    /** Above so much, percent, a coat is firm: few of them, never built up. */
    public const FIRM_PERCENT = 60;

    public const FIRM_COATS = 3;

    /** What lies under the local colour in another hue is laid no harder, percent, nor in more coats. */
    public const UNDER_PERCENT = 40;

    public const UNDER_COATS = 2;

    /** A wash works from so many coats on; before, it only looks gritty. */
    public const WASH_FROM_COATS = 3;

    /** Of a layer that others follow: wax, oil, and a dark or opaque colour where the school is firm early. */
    private const WAX_BELOW = 50;

    private const OIL_BELOW = 60;

    private const FIRM_BELOW = 80;

    /** Of the last coat: on what is open, on smooth things, on hard ones, in darks; a burnish. */
    private const OPEN_LAST = 60;

    private const SMOOTH_LAST = 70;

    private const HARD_LAST = 80;

    private const DARK_LAST = 80;

    public const BURNISH_LAST = 95;

    /** Darker than this a colour is a dark: open grain costs it its value, L*. */
    private const DARK_L = 40.0;

    /** Coats that paper bears, and film, which holds less than this against cartridge. */
    public const COATS = 15;

    private const FILM_COATS = 4;

    private const FILM_HOLDS = 0.55;

    private function __construct(public Blending $finish, private bool $firmEarly, public int $mostLast, public int $mostCoats, public Surface $surface)
    {
    }

    public static function of(Limits $limits, Target $target, ToothModel $model): self
    {
        $surface = $limits->surface;
        $finish = $limits->schools->blending->ofStacks()->on($surface);
        $mostLast = match (true) {
            $limits->last || $finish === Blending::Burnish => self::BURNISH_LAST,
            $surface === Surface::Hard => self::HARD_LAST,
            // Open grain costs a dark its value; only what is soft is not pressed for it.
            $target->colour->L < self::DARK_L && $surface !== Surface::Soft => self::DARK_LAST,
            $surface->isOpen() => self::OPEN_LAST,
            default => self::SMOOTH_LAST,
        };

        return new self($finish, $limits->schools->hand === Hand::FirmEarly, $mostLast, $model->tooth->totalCapacity < self::FILM_HOLDS ? self::FILM_COATS : self::COATS, $surface);
    }

    /** The same but for a burnish at the end: what breaks the rule, to see what it would gain. */
    public function burnished(): self
    {
        return new self($this->finish, $this->firmEarly, self::BURNISH_LAST, $this->mostCoats, $this->surface);
    }

    public function mostBelow(PencilCoat $coat): int
    {
        return match (true) {
            $this->firmEarly && $coat->anchors() => self::FIRM_BELOW,
            $coat->binder === Binder::Oil => self::OIL_BELOW,
            default => self::WAX_BELOW,
        };
    }

    /** Whether a stack ends in a burnish by this manner. */
    public function burnishes(): bool
    {
        return $this->finish === Blending::Burnish;
    }

    /**
     * Whether every layer is within it, and all coats together.
     *
     * @param  list<array{int, int, int}>  $layers
     */
    public function allows(array $layers, TouchBook $book): bool
    {
        $last = count($layers) - 1;
        $coats = 0;
        foreach ($layers as $i => [$index, $percent, $passes]) {
            if ($percent > ($i < $last ? $this->mostBelow($book->coat($index)) : $this->mostLast)) {
                return false;
            }
            if ($percent > self::FIRM_PERCENT && $passes > self::FIRM_COATS) {
                return false;
            }
            $coats += $passes;
        }

        return $coats <= $this->mostCoats && ! $this->isForeignBurnish($layers, $book);
    }

    /**
     * A burnish is laid by the lightest pencil of the passage, or by the last colour itself.
     *
     * @param  list<array{int, int, int}>  $layers
     */
    private function isForeignBurnish(array $layers, TouchBook $book): bool
    {
        $last = count($layers) - 1;
        if ($last < 1 || $layers[$last][1] < Pressure::BURNISH_PERCENT) {
            return false;
        }
        $by = $layers[$last][0];
        $lightest = true;
        for ($i = 0; $i < $last; $i++) {
            if ($layers[$i][0] === $by) {
                return false;
            }
            $lightest = $lightest && $book->coat($by)->L >= $book->coat($layers[$i][0])->L;
        }

        return ! $lightest;
    }
}
