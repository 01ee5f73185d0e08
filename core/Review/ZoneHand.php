<?php

declare(strict_types=1);

namespace Prism\Review;

use Prism\Layering\Predictor;
use Prism\Layering\Step;
use Prism\Matching\Search\PresentState;

/** How a zone was laid where that is seen: what is too narrow in it for a photo was most likely laid alike. */
final readonly class ZoneHand
{
    /** Pressure against what was ticked from which on a zone was not laid lightly. */
    private const LIGHTLY = 0.85;

    /** What such a hand makes so much lighter, L*, would have been seen. */
    private const SEEN = 1.5 * PartState::VALUE_TOLD;

    /**
     * The share of the ticked pressure at which its parts were laid; null where they were not laid lightly, are not of one mind, or tell nothing.
     *
     * @param  list<array{LoggedPart, Predictor}>  $parts  of one zone, with the predictor of what each stands on
     *
     * @throws \Prism\Layering\UnknownPencil
     */
    public static function lightly(array $parts): ?float
    {
        $shares = [];
        foreach ($parts as [$logged, $predictor]) {
            if ($logged->isKnown() && $logged->isNews() && $logged->course === Course::Lighter) {
                $shares[] = self::share($logged, $predictor);
            }
        }
        if ($shares === []) {
            return null;
        }
        sort($shares);
        $share = $shares[intdiv(count($shares), 2)];
        $isContradicted = array_any($parts, static fn (array $part): bool => $part[0]->isKnown() && $part[0]->course !== Course::Lighter
            && $part[1]->predict($part[0]->passed->present->pressing($share))->colour->L - $part[0]->expected->L > self::SEEN);

        return $share < self::LIGHTLY && ! $isContradicted ? $share : null;
    }

    /** How hard what lies there was pressed, of what was ticked. */
    private static function share(LoggedPart $logged, Predictor $predictor): float
    {
        $present = $logged->passed->present;
        $laid = array_filter(PresentState::of($predictor, $present, $logged->seen)->laid, static fn (?Step $step): bool => $step !== null);

        return self::weight($laid) / max(1.0, self::weight($present->steps));
    }

    /** @param  array<Step>  $steps */
    private static function weight(array $steps): float
    {
        return array_sum(array_map(static fn (Step $step): float => $step->isLayer() ? $step->passes * $step->pressurePercent : 0.0, $steps));
    }
}
