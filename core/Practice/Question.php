<?php

declare(strict_types=1);

namespace Prism\Practice;

/** A question with one right answer. */
final readonly class Question
{
    /**
     * @param  list<Patch>  $patches
     * @param  list<Option>  $options
     * @param  list<string>  $right  the option; of an order all of them, as they are to stand
     * @param  string  $because  why that is right, as the engine reckons it
     */
    public function __construct(public DrillKind $kind, public string $asks, public array $patches, public array $options, public array $right, public string $because)
    {
    }

    /** @param  list<string>  $answer */
    public function isRight(array $answer): bool
    {
        return $answer === $this->right;
    }
}
