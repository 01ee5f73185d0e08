<?php

declare(strict_types=1);

namespace Prism\Box;

use Prism\Colour\Lab;
use Prism\Reference\Lines\AreaColours;

/** Three pencils of a box that go from pale to dark in one colour. */
final readonly class ColourLadder
{
    /** A step of it is at least so much lighter or darker than the middle, L*. */
    private const STEP = 8.0;

    /** A pencil further from what the step should be, dE00, is of another colour. */
    private const FURTHEST = 20.0;

    private function __construct(public ?string $light, public string $middle, public ?string $dark)
    {
    }

    /**
     * Null for an empty box. Where the box has nothing lighter, or darker, of that colour, there is no such step.
     *
     * @param  array<string, Lab>  $coats  heavy coats by pencil
     */
    public static function of(array $coats, Lab $wanted, Lab $paper): ?self
    {
        $middle = array_key_first(PencilFinder::nearest($wanted, $coats));
        if ($middle === null) {
            return null;
        }
        $own = $coats[$middle];
        $ideal = AreaColours::one($own, $paper);
        $step = static function (Lab $towards, bool $lighter) use ($coats, $own): ?string {
            $steps = array_filter($coats, static fn (Lab $coat): bool => ($lighter ? $coat->L - $own->L : $own->L - $coat->L) >= self::STEP);
            $nearest = PencilFinder::nearest($towards, $steps);
            $id = array_key_first($nearest);

            return $id === null || $nearest[$id] > self::FURTHEST ? null : (string) $id;
        };

        return new self($step($ideal->light, true), (string) $middle, $step($ideal->dark, false));
    }
}
