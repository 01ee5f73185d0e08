<?php

declare(strict_types=1);

namespace Prism\Review;

use Prism\Colour\ValueScale;

/** What the log says of a zone that is seen in a drawing. */
final readonly class ZoneLog
{
    /** Said of a zone that is too dark, where neither box nor eraser helps, or whose paper is full. */
    public const SPENT = 'no layer and no eraser brings it nearer: leave it, and judge it beside its neighbours';

    /** Shares of what is seen: true of it by and large, and in a part that counts. */
    private const LARGELY = 0.6;

    private const PARTLY = 0.3;

    /** A mean of so many steps of value is told. */
    private const TOLD = 0.15;

    /**
     * @param  array<string, float>  $shares  of its pixels, by course
     * @param  float  $dL  how much lighter than expected it is on average where something is ticked, L*
     * @param  float  $known  pixels of that
     */
    private function __construct(private array $shares, private float $dL, private float $known)
    {
    }

    /** @param  list<LoggedPart>  $parts */
    public static function of(array $parts): self
    {
        // Of a zone that no log tells of there is no part.
        $all = array_sum(array_map(static fn (LoggedPart $logged): int => $logged->part->pixels, $parts));
        $shares = [];
        $dL = $known = 0.0;
        foreach ($parts as $logged) {
            $share = $logged->part->pixels / $all;
            $shares[$logged->course->value] = ($shares[$logged->course->value] ?? 0.0) + $share;
            if ($logged->isKnown()) {
                $dL += $share * ($logged->seen->L - $logged->expected->L);
                $known += $share;
            }
        }

        return new self($shares, $known > 0.0 ? $dL / $known : 0.0, $known * $all);
    }

    /**
     * How the drawing as a whole stands to what the plan expects by now; null where nothing is ticked.
     *
     * @param  list<self>  $zones
     */
    public static function together(array $zones): ?string
    {
        $known = array_sum(array_map(static fn (self $zone): float => $zone->known, $zones));
        if ($known <= 0.0) {
            return null;
        }
        $steps = array_sum(array_map(static fn (self $zone): float => $zone->known * $zone->dL, $zones)) / $known / ValueScale::stepSize();

        return abs($steps) < self::TOLD
            ? 'What is laid is as light and dark as the plan expects by now.'
            : sprintf('What is laid is %s than the plan expects by now, by %.1f steps on average: %s.', $steps < 0.0 ? 'darker' : 'lighter', abs($steps), $steps < 0.0 ? 'a heavy hand; press lighter from here on' : 'a light hand; press a little harder from here on');
    }

    /** Whether the plan has not come to it yet, and nothing lies there. */
    public function isToCome(): bool
    {
        return $this->share(Course::Open) > self::LARGELY;
    }

    public function share(Course $course): float
    {
        return $this->shares[$course->value] ?? 0.0;
    }

    /** As one says it; null where nothing was ticked and nothing lies. */
    public function words(): ?string
    {
        return match (true) {
            $this->shares === [] || $this->isToCome() => null,
            $this->share(Course::Unticked) > self::PARTLY => 'more lies there than is ticked in Draw',
            $this->share(Course::Missing) > self::PARTLY => 'ticked in Draw, and hardly anything lies there',
            $this->share(Course::Heavier) > self::PARTLY => 'laid more heavily than the plan expects by now',
            $this->share(Course::Lighter) > self::PARTLY => 'laid more lightly than the plan expects by now',
            $this->share(Course::OtherColour) > self::PARTLY => 'another colour than the plan expects by now',
            $this->share(Course::AsExpected) > self::LARGELY => 'as the plan expects by now',
            default => null,
        };
    }
}
