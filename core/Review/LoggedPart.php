<?php

declare(strict_types=1);

namespace Prism\Review;

use Prism\Colour\Lab;
use Prism\Layering\Predictor;
use Prism\Layering\Step;
use Prism\Matching\Search\PresentState;
use Prism\Planning\Order\Passed;
use Prism\Planning\PictureTarget;

/** A part of a drawing as it is seen, beside what the log says lies there. */
final readonly class LoggedPart
{
    /** A colour seen in fewer pixels, some six millimetres by five of a drawing a hand wide and two long, is misread by so much, dE00, here and there. */
    private const ENOUGH = 120;

    private const MISREAD = 7.0;

    /** Pixels, and how far off, dE00, a colour seen in so many must be to be told from one that is right. */
    private const MANY = 800;

    private const MANY_TOLD = 2.5;

    private const SOME = 300;

    private const SOME_TOLD = 3.5;

    /** How far from paper what tells of a hand must lie, dE00. */
    private const FROM_PAPER = 10.0;

    /**
     * @param  Lab  $seen  the part alone, without what its neighbours add to it
     * @param  Lab  $expected  what lies there by the log should look like
     */
    private function __construct(public PartReview $part, public Passed $passed, public Lab $seen, public Lab $expected, public Course $course)
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

        // What neighbours add is the same in what is seen and in what was expected among them.
        $among = $part->expected;
        $seen = Lab::of(max(0.0, min(100.0, $part->seen->L - $among->L + $expected->L)), $part->seen->a - $among->a + $expected->a, $part->seen->b - $among->b + $expected->b);

        return new self($part, $passed, $seen, $expected, Course::of($isTicked, $seen, $expected, $bare));
    }

    /**
     * A part that no photo shows, as a hand left it that pressed as it did in the rest of the zone.
     *
     * @param  float  $share  of the pressure that was ticked, {@see ZoneHand}
     *
     * @throws \Prism\Layering\UnknownPencil
     */
    public static function unseen(PictureTarget $target, Passed $passed, Predictor $predictor, float $share): self
    {
        $likely = $predictor->predict($passed->present->pressing($share))->colour;

        return self::of(PartReview::of($target->id, $target->role, $likely, $target->drawn, $predictor->model->bare()->lab(), 0, $predictor->predict($passed->present)->colour), $passed, $predictor);
    }

    /** Whether it is seen, and not told from the rest of its zone. */
    public function isSeen(): bool
    {
        return $this->part->pixels > 0;
    }

    /** Whether the plan has nothing more to lay there. */
    public function isFinished(): bool
    {
        return count($this->passed->rest) === 0 && count($this->passed->present) > 0;
    }

    /** Whether what is seen tells more than what the log says: of a few pixels only what lies farther off than they are misread. */
    public function isNews(): bool
    {
        return $this->part->pixels >= self::ENOUGH || $this->seen->differenceTo($this->expected) >= self::MISREAD;
    }

    /** Whether all is laid that was planned, and it is too dark. */
    public function isTooDark(): bool
    {
        return $this->isOffWhenFinished() && $this->part->wanted->L - $this->part->seen->L > PartState::VALUE_TOLD;
    }

    /**
     * Whether all is laid that was planned, it is off, and the paper takes hardly any more.
     *
     * @throws \Prism\Layering\UnknownPencil
     */
    public function isFull(Predictor $predictor): bool
    {
        return $this->isOffWhenFinished() && PresentState::of($predictor, $this->passed->present, $this->seen)->isFull();
    }

    private function isOffWhenFinished(): bool
    {
        return $this->isNews() && $this->isFinished() && $this->isKnown() && $this->part->state === PartState::Off;
    }

    /**
     * Whether it is what it is to become, as far as the picture tells: of many pixels it tells more. Measured (bench, review): nine in ten of more
     * than 800 are read within 1.6, of more than 300 within 2.2, of fewer within 4.
     */
    public function isRight(): bool
    {
        $told = match (true) {
            $this->part->pixels >= self::MANY => self::MANY_TOLD,
            $this->part->pixels >= self::SOME => self::SOME_TOLD,
            default => PartState::COLOUR_TOLD,
        };

        return $this->part->state === PartState::Near && $this->part->seen->differenceTo($this->part->wanted) <= $told;
    }

    /** Whether it tells of the hand: enough of it is seen, of layers alone, away from the paper, and it is what was laid. */
    public function tellsOfHand(Lab $paper): bool
    {
        $layers = array_filter($this->passed->present->steps, static fn (Step $step): bool => ! $step->isLayer()) === [];

        return $layers && $this->part->pixels >= self::ENOUGH && $this->expected->differenceTo($paper) >= self::FROM_PAPER
            && in_array($this->course, [Course::AsExpected, Course::Heavier, Course::Lighter], true);
    }

    /** Whether what lies there is known, so that one can go on from it. */
    public function isKnown(): bool
    {
        return count($this->passed->present) > 0 && $this->course !== Course::Missing;
    }
}
