<?php

declare(strict_types=1);

namespace Prism\Matching;

/** What a search is allowed: how many recipes, pencils and layers, by which schools, and without what. */
final readonly class Limits
{
    /**
     * @param  bool  $waxLast  nothing goes over a wax pencil but wax
     * @param  list<string>  $must  pencils that are to be used, RANGE:NUMBER
     * @param  bool  $closed  a value that only paper between dark specks makes is worth less: for what is to look even from near
     *
     * @throws \InvalidArgumentException if a number is outside what makes sense
     */
    public function __construct(
        public int $top = 3,
        public int $maxPencils = 4,
        public int $maxLayers = 6,
        public Schools $schools = new Schools,
        public bool $noBlack = false,
        public bool $waxLast = false,
        public array $must = [],
        public bool $closed = false,
    ) {
        foreach (['top' => [$top, 1, 20], 'max-pencils' => [$maxPencils, 1, 8], 'max-layers' => [$maxLayers, 1, 12]] as $what => [$value, $low, $high]) {
            if ($value < $low || $value > $high) {
                throw new \InvalidArgumentException(sprintf('%s is %d; it goes from %d to %d.', $what, $value, $low, $high));
            }
        }
    }
}
