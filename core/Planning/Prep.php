<?php

declare(strict_types=1);

namespace Prism\Planning;

use Prism\Layering\StepKind;
use Prism\Materials\Kit;
use Prism\Planning\Order\PlanStep;
use Prism\Planning\Order\StepRole;
use Prism\Schools\Highlights;

/** What lies ready before the first stroke, beside the pencils of the pull list. */
final class Prep
{
    /**
     * @param  list<PlanStep>  $steps
     * @param  float  $widthMm  of the drawing
     * @param  float  $heightMm  of the drawing
     * @param  Kit  $box  of which the steps use some
     * @return list<string>
     */
    public static function of(array $steps, string $paper, float $widthMm, float $heightMm, Kit $box): array
    {
        $kinds = $highlights = $used = $mapping = [];
        $rubs = false;
        foreach ($steps as $step) {
            $rubs = $rubs || $step->role === StepRole::Rub;
            $kinds[$step->step->kind->value ?? ''] = true;
            if ($step->step?->pencil !== null && $box->has($step->step->pencil)) {
                $used[(string) $step->step->pencil] = $step->step->pencil;
                $mapping += $step->role === StepRole::Map ? [(string) $step->step->pencil => $step->step->pencil->number] : [];
            }
            if ($step->role === StepRole::Sparkle || ($step->role === StepRole::Reserve && $step->step === null)) {
                $highlights[$step->zone->highlights->value] = true;
            }
        }
        $has = static fn (StepKind $kind): bool => isset($kinds[$kind->value]);
        $keeps = static fn (Highlights $way): bool => isset($highlights[$way->value]);

        // What maps the lines maps the shapes too.
        $shapes = $mapping === [] ? Mapping::of($box->only(array_values($used)))?->id->number : implode(' and ', $mapping);

        return array_values(array_filter([
            sprintf('%s, at least %.0f × %.0f mm, and a scrap of it to try on', $paper, $widthMm, $heightMm),
            $shapes === null ? null : sprintf('%s to map the shapes with, lightly, so that the eraser takes it off again', $shapes),
            'tape to hold it, a clean sheet under the hand',
            'sharpener, and a cap for its blade',
            'soft brush for crumbs',
            $has(StepKind::Lift) || $keeps(Highlights::Lift) ? 'kneaded eraser, also for lifting' : 'kneaded eraser',
            $rubs ? 'tissue or cotton to rub with' : null,
            $has(StepKind::Blend) ? 'colourless blender' : null,
            $has(StepKind::Wash) ? 'odourless solvent in a lidded vessel, a brush, a rag; as its label says' : null,
            $keeps(Highlights::Impress) ? 'blunt point to impress with' : null,
            $keeps(Highlights::OpaquePen) ? 'opaque white pen' : null,
        ]));
    }
}
