<?php

declare(strict_types=1);

namespace Prism\Matching\Advice;

use Prism\Layering\Pressure;
use Prism\Layering\Rounds;
use Prism\Layering\Stack;
use Prism\Layering\Step;
use Prism\Layering\StepKind;
use Prism\Matching\Manner;

/** How a stack is laid, in a line that an artist can say: what lies under, the rounds, the finish. Pencils go by their number. */
final class BuildLine
{
    /** @param  ?int  $underlayer  index of the step that lies under in another hue */
    public static function of(Stack $stack, ?int $underlayer): string
    {
        if (count($stack) === 0) {
            return 'Leave the paper bare.';
        }
        $groups = Rounds::of($stack);
        $last = count($groups) - 1;
        $parts = [];
        foreach ($groups as $i => $group) {
            $steps = implode(', then ', array_map(self::step(...), $group->steps));
            $parts[] = match (true) {
                $group->times > 1 => sprintf('%d rounds: %s', $group->times, $steps),
                $group->from === $underlayer => $steps.' under it',
                $i === $last && $i > 0 && $group->steps[0]->isLayer() && $group->steps[0]->pressurePercent > Manner::FIRM_PERCENT => 'last '.$steps,
                default => $steps,
            };
        }

        return ucfirst(implode('; ', $parts)).'.';
    }

    private static function step(Step $step): string
    {
        return match ($step->kind) {
            StepKind::Wash => 'a wash, dried',
            StepKind::Blend => 'the blender',
            StepKind::Lift => 'a dab with the eraser',
            StepKind::Layer => sprintf(
                '%s %s %% %s%s', $step->pencil->number ?? '', self::percent($step->pressurePercent), Pressure::word($step->pressurePercent),
                $step->passes > 1 ? sprintf(', %d coats', $step->passes) : '',
            ),
        };
    }

    private static function percent(float $percent): string
    {
        return rtrim(rtrim(sprintf('%.1f', $percent), '0'), '.');
    }
}
