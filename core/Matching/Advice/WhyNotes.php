<?php

declare(strict_types=1);

namespace Prism\Matching\Advice;

use Prism\Colour\Lab;
use Prism\Colour\Words\Difference;
use Prism\Layering\Predictor;
use Prism\Layering\Pressure;
use Prism\Layering\Stack;
use Prism\Layering\Step;
use Prism\Layering\StepKind;
use Prism\Matching\Target;
use Prism\Materials\Kit;
use Prism\Materials\PencilKind;

/**
 * Why a stack is as it is, answered by trying it otherwise: without its underlayer, without a wash, in the other order, with
 * white in the place of yellow or yellow in the place of white, pressed less hard.
 */
final readonly class WhyNotes
{
    private const WITHOUT = 'Without ';

    /** Lighter than this a coat brightens. */
    private const BRIGHT_L = 70.0;

    private const LIGHTER_BY = 25.0;

    public function __construct(private Predictor $predictor, private Kit $kit)
    {
    }

    /**
     * @param  ?int  $underlayer  which step is the underlayer, if any
     * @return list<WhyNote> the most telling first
     *
     * @throws \Prism\Layering\UnknownPencil
     */
    public function of(Stack $stack, Target $target, ?int $underlayer): array
    {
        $colour = $this->predictor->model->draw($stack)->lab();
        $notes = [];
        foreach ($this->others($stack, $underlayer) as $what => $other) {
            $looks = $this->predictor->model->draw($other)->lab();
            $difference = Difference::between($looks, $colour);
            // What a layer does is told of each, weak ones too: an artist leaves them out.
            $isLayer = str_starts_with($what, self::WITHOUT);
            if ($isLayer && $difference->dE00 <= Difference::TOLERANCE) {
                $what .= ', which hardly shows';
            }
            if ($isLayer || $difference->dE00 > Difference::TOLERANCE) {
                $notes[] = new WhyNote($what, $other, $looks, $difference, $target->miss($looks->L, $looks->a, $looks->b) < $target->miss($colour->L, $colour->a, $colour->b));
            }
        }
        usort($notes, static fn (WhyNote $a, WhyNote $b): int => $b->difference->dE00 <=> $a->difference->dE00);

        return $notes;
    }

    /** @return array<string, Stack> */
    private function others(Stack $stack, ?int $underlayer): array
    {
        $steps = $stack->steps;
        $with = static function (int $at, ?Step $step) use ($steps): Stack {
            array_splice($steps, $at, 1, $step === null ? [] : [$step]);

            return Stack::of(...$steps);
        };
        $others = [];
        if ($underlayer !== null && isset($steps[$underlayer])) {
            $others[sprintf(self::WITHOUT.'%s under it', $steps[$underlayer]->pencil->number ?? '')] = $with($underlayer, null);
        }
        foreach (count($stack->pencils()) > 1 ? $stack->pencils() : [] as $pencil) {
            $rest = array_values(array_filter($steps, static fn (Step $step): bool => (string) $step->pencil !== (string) $pencil));
            if ($underlayer === null || $rest !== $with($underlayer, null)->steps) {
                $others[self::WITHOUT.$pencil->number] = Stack::of(...$rest);
            }
        }
        $layers = array_keys(array_filter($steps, static fn (Step $step): bool => $step->isLayer()));
        if (count($layers) === 2) {
            $turned = $steps;
            [$turned[$layers[0]], $turned[$layers[1]]] = [$steps[$layers[1]], $steps[$layers[0]]];
            $others['In the other order'] = Stack::of(...$turned);
        } elseif (count($layers) > 2) {
            $turned = $steps;
            $last = array_slice($layers, -2);
            [$turned[$last[0]], $turned[$last[1]]] = [$steps[$last[1]], $steps[$last[0]]];
            $others['With the last two in the other order'] = Stack::of(...$turned);
        }
        foreach ($steps as $at => $step) {
            if ($step->kind === StepKind::Wash) {
                $others['Without the wash'] = $with($at, null);
            }
        }
        $top = $layers === [] ? null : $layers[count($layers) - 1];
        if ($top === null) {
            return $others;
        }
        if ($steps[$top]->pressurePercent >= Pressure::BURNISH_PERCENT) {
            $others['Pressed less hard at the end, '.(int) ($steps[$top]->pressurePercent - self::LIGHTER_BY).' %'] = $with($top, $steps[$top]->withPressure($steps[$top]->pressurePercent - self::LIGHTER_BY));
        }
        $swap = $this->brightener($steps[$top]);
        if ($swap !== null) {
            [$what, $pencil] = $swap;
            $others[$what] = $with($top, Step::layer($pencil, $steps[$top]->pressurePercent, $steps[$top]->passes));
        }

        return $others;
    }

    /**
     * White for yellow, or yellow for white: yellow keeps the chroma and warms, white goes pastel and cools.
     *
     * @return array{string, \Prism\Materials\PencilId}|null
     */
    private function brightener(Step $step): ?array
    {
        $own = $step->pencil !== null && $this->kit->has($step->pencil) ? $this->kit->get($step->pencil)->fullCoat : null;
        if ($own === null || $own->L < self::BRIGHT_L || (! self::isYellow($own) && ! self::isWhite($own))) {
            return null;
        }
        $best = null;
        $most = -INF;
        foreach ($this->kit as $pencil) {
            $coat = $pencil->fullCoat;
            if ($coat === null || ! isset($this->predictor->model->optics[(string) $pencil->id]) || (self::isYellow($own) ? ! self::isWhite($coat) : ! self::isYellow($coat))) {
                continue;
            }
            $score = $coat->L + (self::isYellow($own) ? 0.0 : $coat->chroma());
            if ($score > $most) {
                $most = $score;
                $best = $pencil->id;
            }
        }

        return $best === null ? null : [self::isYellow($own) ? "With white, $best->number, instead of yellow" : "With yellow, $best->number, instead of white", $best];
    }

    private static function isWhite(Lab $coat): bool
    {
        return PencilKind::of($coat) === PencilKind::White;
    }

    private static function isYellow(Lab $coat): bool
    {
        return PencilKind::of($coat) === PencilKind::Yellow;
    }
}
