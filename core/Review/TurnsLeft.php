<?php

declare(strict_types=1);

namespace Prism\Review;

use Prism\Layering\Stack;
use Prism\Layering\Step;

/** What is left of the turns that a zone takes at once, and what is in the hand for it already: with that another part of it takes no turn more. */
final readonly class TurnsLeft
{
    /** @param  list<string>  $inHand  pencils, or what lifts */
    public function __construct(public int $turns, public array $inHand = [])
    {
    }

    public function areOver(): bool
    {
        return $this->turns < 1 && $this->inHand === [];
    }

    /** So many turns these steps take: one pencil with all places it goes to is one, and so is the eraser, however many dabs. */
    public function for(Stack $steps): int
    {
        $all = $steps->layerCount() + ($steps->layerCount() < count($steps) ? 1 : 0);

        return $all - count(array_intersect(self::hands($steps), $this->inHand));
    }

    /** Once these steps are to be laid. */
    public function after(Stack $steps): self
    {
        return new self($this->turns - $this->for($steps), array_values(array_unique([...$this->inHand, ...self::hands($steps)])));
    }

    /** @return list<string> what is taken into the hand for these steps, each once: pencils, or what lifts */
    public static function hands(Stack $steps): array
    {
        return array_values(array_unique(array_map(static fn (Step $step): string => $step->isLayer() ? (string) $step->pencil : $step->kind->value, $steps->steps)));
    }
}
