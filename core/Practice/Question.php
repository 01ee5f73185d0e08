<?php

declare(strict_types=1);

namespace Prism\Practice;

/** A question with one right answer. */
final readonly class Question
{
    /**
     * @param  list<Patch>  $patches
     * @param  list<Option>  $options
     * @param  list<string>  $right  the option; of an order those that are chosen, as they are to stand
     * @param  string  $because  why that is right, as the engine reckons it
     * @param  ?string  $picture  key of a photo of the artist's, where it is asked of one
     * @param  list<array{float, float}>  $spots  places in it, shares of its width and height: one for each option, or the one that is asked of
     */
    public function __construct(public DrillKind $kind, public string $asks, public array $patches, public array $options, public array $right, public string $because, public ?string $picture = null, public array $spots = [])
    {
    }

    /** @param  list<string>  $answer */
    public function isRight(array $answer): bool
    {
        return $answer === $this->right;
    }
}
