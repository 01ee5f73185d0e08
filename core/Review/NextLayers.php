<?php

declare(strict_types=1);

namespace Prism\Review;

use Prism\Colour\Lab;
use Prism\Colour\Words\Difference;
use Prism\Layering\Passage;
use Prism\Layering\Predictor;
use Prism\Layering\Stack;
use Prism\Layering\Step;
use Prism\Layering\StepKind;
use Prism\Matching\EmptyBox;
use Prism\Matching\Limits;
use Prism\Matching\Search;
use Prism\Matching\Search\Correction;
use Prism\Matching\Search\PresentState;
use Prism\Matching\Target;
use Prism\Materials\Kit;
use Prism\Materials\Pencil;
use Prism\Reference\Zones\TargetRole;

/**
 * What to lay next in a part of the drawing, where what is seen there takes the plan too far from its colour: searched from the
 * passage that the log and the picture together tell of. Where the plan's own turns still come to the colour there is none.
 */
final readonly class NextLayers
{
    /** So much nearer, dE00, and by such a share of the miss, it must come to be worth other turns. */
    private const WORTH = 0.7;

    private const WORTH_SHARE = 0.2;

    /** A pencil that does not lie out must bring the colour nearer than those that do by so much, dE00. */
    private const FETCHED = 1.5;

    /** @param  list<Step>  $laid  what most likely lies there of the colour's own layers, bottom to top */
    private function __construct(public LoggedPart $logged, public array $laid, public Stack $steps, public Lab $wanted, public Lab $after, public Difference $difference)
    {
    }

    /**
     * @param  Predictor  $predictor  for what the place stands on
     * @param  Kit  $out  pencils that lie out
     * @param  TurnsLeft  $left  of its zone: it takes no more
     *
     * @throws EmptyBox
     * @throws \Prism\Layering\UnknownPencil
     */
    public static function of(LoggedPart $logged, Target $target, Predictor $predictor, Search $search, Limits $limits, Kit $out, TurnsLeft $left): ?self
    {
        $passed = $logged->passed;
        $isRight = $logged->isFinished() ? $logged->isRight() : $logged->course === Course::AsExpected;
        if (! $logged->isKnown() || ! $logged->isNews() || $isRight) {
            return null;
        }
        $present = PresentState::of($predictor, $passed->present, $logged->seen);
        $miss = self::miss($target, $predictor->model->draw($passed->rest, $present->passage)->lab());
        $planned = self::miss($target, $predictor->predict($passed->planned)->colour);
        if ($miss < max($planned + self::WORTH, Correction::EYE)) {
            return null;
        }
        $limits = $passed->zone->role === TargetRole::Line ? $limits->forLine() : $limits;
        // A passage that is near gets a light layer more, or two, or is left: nobody takes it off again or builds on it for so little.
        $found = $logged->part->state === PartState::Near ? $search->glaze(...) : $search->correct(...);
        // What was lifted and laid anew, and is off still, is pressed in: lifting again takes the new layers and nothing below them.
        $wasLifted = self::lifts($passed->present);
        $best = null;
        $most = 0.0;
        $same = $out->where(static fn (Pencil $pencil): bool => in_array((string) $pencil->id, $left->inHand, true));
        foreach ([...count($same) > 0 ? [[$same, 0.0]] : [], [$out, 0.0], [null, self::FETCHED]] as [$only, $more]) {
            foreach ($found($passed->present, $target, $limits, $only, $logged->seen) as $correction) {
                if ($wasLifted && self::lifts($correction->steps)) {
                    continue;
                }
                $gain = $miss - self::miss($target, $correction->after->colour) - $more;
                $most = $correction->isLeave() ? $most : max($most, $gain);
                if (! $correction->isLeave() && $left->for($correction->steps) <= $left->turns && $gain >= max(self::WORTH, self::WORTH_SHARE * $miss) && ($best === null || $gain > $best[0])) {
                    $best = [$gain, $correction];
                }
            }
        }
        // What comes nearer with more turns than are left waits for them: half of it would take the tooth that it needs.
        if ($best === null || ($left->inHand !== [] && $most > $best[0] + self::WORTH)) {
            return null;
        }
        $laid = [];
        foreach ($present->laid as $i => $step) {
            if ($step !== null && $passed->isOwn[$i]) {
                $laid[] = $step->isLayer() ? $step->withPressure(round($step->pressurePercent)) : $step;
            }
        }

        return new self($logged, $laid, $best[1]->steps, $target->colour, $best[1]->after->colour, $best[1]->difference);
    }

    /** How hard what lies there was pressed, of what was ticked, as far as the photo tells; null where it does not show it. */
    public function pressed(): ?float
    {
        return $this->logged->isSeen() ? ZoneHand::weight($this->laid) / max(1.0, ZoneHand::weight($this->logged->passed->own->steps)) : null;
    }

    /** What it does and what comes of it, in one sentence. */
    public function sentence(): string
    {
        $instead = count($this->logged->passed->rest) === 0 ? '' : 'Instead of what is still planned here. ';

        return $this->logged->isSeen()
            ? sprintf('%sNow %s; after it %s.', $instead, $this->before()->words, $this->difference->words)
            : sprintf('%sToo narrow to be judged in the photo. If it was laid as lightly as the rest of its zone: now %s; after it %s.', $instead, $this->before()->words, $this->difference->words);
    }

    /** How it differs from what it is to become, now. */
    private function before(): Difference
    {
        return Difference::between($this->logged->seen, $this->wanted);
    }

    private static function lifts(Stack $stack): bool
    {
        return array_any($stack->steps, static fn (Step $step): bool => $step->kind === StepKind::Lift);
    }

    private static function miss(Target $target, Lab $colour): float
    {
        return $target->miss($colour->L, $colour->a, $colour->b);
    }
}
