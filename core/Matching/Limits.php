<?php

declare(strict_types=1);

namespace Prism\Matching;

use Prism\Schools\SchoolSet;
use Prism\Schools\Surface;

/** What an artist asks of recipes: how many, of how many pencils and layers, by which schools, for what surface, and without what. */
final readonly class Limits
{
    /** More no artist lays, each round counted. */
    public const MOST_LAYERS = 12;

    /** In a planned picture, whose steps are laid one by one. */
    public const PICTURE_LAYERS = 3;

    /** In a line. */
    public const LINE_LAYERS = 2;

    /**
     * @param  bool  $noBlack  no black pencil, whatever the school of shadows says
     * @param  bool  $waxLast  nothing goes over a wax pencil but wax
     * @param  list<string>  $given  pencils that the artist has chosen, permitted whatever the schools say, RANGE:NUMBER
     * @param  bool  $last  an accent or a line, laid when all else is done: at any pressure
     * @param  list<string>  $must  pencils that are to be used, RANGE:NUMBER
     *
     * @throws \InvalidArgumentException if a number is outside what makes sense
     */
    public function __construct(
        public int $top = 3,
        public int $maxPencils = 4,
        public int $maxLayers = 6,
        public SchoolSet $schools = new SchoolSet,
        public bool $noBlack = false,
        public bool $waxLast = false,
        public array $must = [],
        public Surface $surface = Surface::Smooth,
        public bool $last = false,
        public array $given = [],
    ) {
        foreach (['top' => [$top, 1, 20], 'max-pencils' => [$maxPencils, 1, 8], 'max-layers' => [$maxLayers, 1, self::MOST_LAYERS]] as $what => [$value, $low, $high]) {
            if ($value < $low || $value > $high) {
                throw new \InvalidArgumentException(sprintf('%s is %d; it goes from %d to %d.', $what, $value, $low, $high));
            }
        }
    }

    /** For a place of another surface, or what is laid last in it. */
    public function at(Surface $surface, bool $last): self
    {
        return new self($this->top, $this->maxPencils, $this->maxLayers, $this->schools, $this->noBlack, $this->waxLast, $this->must, $surface, $last, $this->given);
    }

    /** One recipe of at most so many pencils. */
    public function of(int $maxPencils): self
    {
        return new self(1, $maxPencils, $this->maxLayers, $this->schools, $this->noBlack, $this->waxLast, $this->must, $this->surface, $this->last, $this->given);
    }

    /** For a line, which is drawn with one point, and gone over with another where that falls short. */
    public function forLine(): self
    {
        return new self($this->top, min(self::LINE_LAYERS, $this->maxPencils), min(self::LINE_LAYERS, $this->maxLayers), $this->schools, $this->noBlack, $this->waxLast, $this->must, $this->surface, $this->last, $this->given);
    }

    /** For what stands on a base that other colours share: that is one layer more. */
    public function over(string $pencil): self
    {
        return new self($this->top, $this->maxPencils, min(self::MOST_LAYERS, $this->maxLayers + 1), $this->schools, $this->noBlack, $this->waxLast, [...$this->must, $pencil], $this->surface, $this->last, $this->given);
    }

    /** For one pencil in one layer, by the same manner. */
    public function alone(): self
    {
        return new self(1, 1, 1, $this->schools, $this->noBlack, false, [], $this->surface, $this->last, $this->given);
    }
}
