<?php

declare(strict_types=1);

namespace Prism\Layering;

use Prism\Materials\PencilId;

/**
 * Steps from the bottom to the top. The empty stack is the bare paper.
 */
final readonly class Stack implements \Countable, \Stringable
{
    /** More than any paper takes; guards against pasted nonsense. */
    public const MAX_STEPS = 40;

    /** @param  list<Step>  $steps */
    private function __construct(public array $steps)
    {
    }

    /** @throws InvalidStep if there are more than MAX_STEPS */
    public static function of(Step ...$steps): self
    {
        if (count($steps) > self::MAX_STEPS) {
            throw new InvalidStep(sprintf('The stack has %d steps; no paper takes more than %d.', count($steps), self::MAX_STEPS));
        }

        return new self(array_values($steps));
    }

    /** @throws NotationError with the position of the first wrong character */
    public static function parse(string $notation): self
    {
        return StackNotation::parse($notation);
    }

    public function then(Step $step): self
    {
        return self::of(...$this->steps, ...[$step]);
    }

    /**
     * The same stack with another step at one place.
     *
     * @throws InvalidStep if there is no step at that place
     */
    public function with(int $index, Step $step): self
    {
        $this->mustHave($index);
        $steps = $this->steps;
        $steps[$index] = $step;

        return new self(array_values($steps));
    }

    /** @throws InvalidStep if there is no step at that place */
    public function without(int $index): self
    {
        $this->mustHave($index);
        $steps = $this->steps;
        unset($steps[$index]);

        return new self(array_values($steps));
    }

    private function mustHave(int $index): void
    {
        if (! isset($this->steps[$index])) {
            throw new InvalidStep(sprintf('There is no step %d in a stack of %d.', $index + 1, count($this->steps)));
        }
    }

    /** @return list<PencilId> each once, in order of first use */
    public function pencils(): array
    {
        $pencils = [];
        foreach ($this->steps as $step) {
            if ($step->pencil !== null) {
                $pencils[(string) $step->pencil] ??= $step->pencil;
            }
        }

        return array_values($pencils);
    }

    /** Whether it is one pencil alone, heavily laid: then it looks as the pencil does. */
    public function isHeavyCoat(): bool
    {
        return count($this->steps) === 1 && $this->steps[0]->pencil !== null && $this->steps[0]->pressurePercent >= Pressure::HEAVY_PERCENT;
    }

    /** All of it, its layers pressed so much harder. */
    public function pressing(float $by): self
    {
        return self::of(...array_map(static fn (Step $step): Step => $step->pressing($by), $this->steps));
    }

    public function layerCount(): int
    {
        return count(array_filter($this->steps, static fn (Step $step): bool => $step->isLayer()));
    }

    public function count(): int
    {
        return count($this->steps);
    }

    public function __toString(): string
    {
        return implode(' > ', $this->steps);
    }
}
