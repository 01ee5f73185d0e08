<?php

declare(strict_types=1);

namespace Prism\Review;

use Prism\Colour\Lab;
use Prism\Layering\Predictor;
use Prism\Layering\Stack;
use Prism\Planning\Order\Passed;

/** A part of a drawing as it is seen, beside what the log says lies there. */
final readonly class LoggedPart
{
    /** @param  Lab  $expected  what that should look like */
    private function __construct(public PartReview $part, public Passed $passed, public Lab $expected, public Course $course)
    {
    }

    /**
     * @param  Predictor  $predictor  for what the place stands on
     *
     * @throws \Prism\Layering\UnknownPencil
     */
    public static function of(PartReview $part, Passed $passed, Predictor $predictor): self
    {
        $bare = $predictor->model->bare()->lab();
        $isTicked = count($passed->present) > 0;
        $expected = $isTicked ? $predictor->predict($passed->present)->colour : $bare;

        return new self($part, $passed, $expected, Course::of($isTicked, $part->seen, $expected, $bare));
    }

    /** Whether the plan has nothing more to lay there. */
    public function isFinished(): bool
    {
        return count($this->passed->rest) === 0 && count($this->passed->present) > 0;
    }

    /** Whether what lies there is known, so that one can go on from it. */
    public function isKnown(): bool
    {
        return count($this->passed->present) > 0 && $this->course !== Course::Missing;
    }

    /** What lies there by the log. */
    public function stack(): Stack
    {
        return $this->passed->present;
    }
}
