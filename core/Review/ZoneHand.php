<?php

declare(strict_types=1);

namespace Prism\Review;

use Closure;
use Prism\Layering\Predictor;
use Prism\Layering\Step;
use Prism\Matching\Search\PresentState;
use Prism\Planning\Order\Passed;
use Prism\Planning\PictureTarget;

/** How a zone was laid where that is seen: what is too narrow in it for a photo was most likely laid alike. */
final readonly class ZoneHand
{
    /** Pressure against what was ticked from which on a zone was not laid lightly. */
    private const LIGHTLY = 0.85;

    /** What such a hand makes so much lighter, L*, would have been seen. */
    private const SEEN = 1.5 * PartState::VALUE_TOLD;

    /**
     * Parts that are too narrow for a photo, of a zone that was laid lightly, as they were most likely left. What was gone over again since is none.
     *
     * @param  list<PictureTarget>  $narrow
     * @param  list<array{LoggedPart, Predictor}>  $parts  of the zone that are seen, with the predictor of what each stands on
     * @param  Closure(string): ?array{Passed, Predictor}  $of  what the log says of a colour, and the predictor; null where it says nothing
     * @param  array<string, ?float>  $before  {@see lightly()}
     * @return list<LoggedPart>
     *
     * @throws \Prism\Layering\UnknownPencil
     */
    public static function unseen(array $narrow, array $parts, Closure $of, array $before = []): array
    {
        $left = array_filter($narrow, static fn (PictureTarget $target): bool => ! array_key_exists($target->id, $before));
        $share = $left === [] ? null : self::lightly($parts, $before);
        if ($share === null) {
            return [];
        }
        $unseen = [];
        foreach ($left as $target) {
            $logged = $of($target->id);
            if ($logged !== null) {
                $unseen[] = LoggedPart::unseen($target, $logged[0], $logged[1], $share);
            }
        }

        return $unseen;
    }

    /**
     * The share of the ticked pressure at which its parts were laid; null where they were not laid lightly, are not of one mind, or tell nothing.
     *
     * @param  list<array{LoggedPart, Predictor}>  $parts  of one zone, with the predictor of what each stands on
     * @param  array<string, ?float>  $before  colours that an earlier photo had corrected: at which share they lay then, {@see NextLayers::pressed()}; null where that was not seen
     *
     * @throws \Prism\Layering\UnknownPencil
     */
    public static function lightly(array $parts, array $before = []): ?float
    {
        $shares = [];
        foreach ($parts as [$logged, $predictor]) {
            $share = $before[$logged->part->target] ?? null;
            if ($share !== null) {
                $shares[] = $share;
            } elseif ($logged->isKnown() && $logged->isNews() && $logged->course === Course::Lighter) {
                $shares[] = self::share($logged, $predictor);
            }
        }
        if ($shares === []) {
            return null;
        }
        sort($shares);
        $share = $shares[intdiv(count($shares), 2)];
        $isContradicted = array_any($parts, static fn (array $part): bool => ! array_key_exists($part[0]->part->target, $before) && $part[0]->isKnown() && $part[0]->course !== Course::Lighter
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

    /**
     * Of layers how much lies there: coats by pressure.
     *
     * @param  array<Step>  $steps
     */
    public static function weight(array $steps): float
    {
        return array_sum(array_map(static fn (Step $step): float => $step->isLayer() ? $step->passes * $step->pressurePercent : 0.0, $steps));
    }
}
