<?php

declare(strict_types=1);

namespace Prism\Matching\Advice;

use Prism\Colour\Lab;
use Prism\Colour\ValueScale;

/** What a passage needs, as an artist says it, and where that leads. */
enum Nudge: string
{
    case Lighter = 'lighter';
    case Darker = 'darker';
    case Redder = 'redder';
    case Yellower = 'yellower';
    case Greener = 'greener';
    case Bluer = 'bluer';
    case Cleaner = 'cleaner';
    case Duller = 'duller';

    /** Way in a*, b* that a nudge of hue goes. */
    private const HUE_STEP = 6.0;

    private const CHROMA_SHARE = 0.25;

    private const CHROMA_LEAST = 3.0;

    /** Half a value step, or as much to the eye in hue or chroma. */
    public function goal(Lab $from): Lab
    {
        $half = ValueScale::stepSize() / 2.0;
        $turn = static fn (float $degrees): Lab => Lab::of($from->L, $from->a + self::HUE_STEP * cos(deg2rad($degrees)), $from->b + self::HUE_STEP * sin(deg2rad($degrees)));
        $scale = static function (float $by) use ($from): Lab {
            $chroma = max(0.1, $from->chroma());
            $to = max(0.0, $chroma + $by * max(self::CHROMA_LEAST, self::CHROMA_SHARE * $chroma));

            return Lab::of($from->L, $from->a * $to / $chroma, $from->b * $to / $chroma);
        };

        return match ($this) {
            self::Lighter => $from->withLightness(min(100.0, $from->L + $half)),
            self::Darker => $from->withLightness(max(0.0, $from->L - $half)),
            self::Redder => $turn(25.0),
            self::Yellower => $turn(92.0),
            self::Greener => $turn(165.0),
            self::Bluer => $turn(268.0),
            self::Cleaner => $scale(1.0),
            self::Duller => $scale(-1.0),
        };
    }

    /** How far a change goes the way that was asked for: 1 is all of it, below 0 the other way. */
    public function progress(Lab $from, Lab $to): float
    {
        $goal = $this->goal($from);
        $way = [$goal->L - $from->L, $goal->a - $from->a, $goal->b - $from->b];
        $gone = [$to->L - $from->L, $to->a - $from->a, $to->b - $from->b];
        $length = $way[0] ** 2 + $way[1] ** 2 + $way[2] ** 2;

        return $length < 1e-9 ? 0.0 : ($way[0] * $gone[0] + $way[1] * $gone[1] + $way[2] * $gone[2]) / $length;
    }
}
