<?php

declare(strict_types=1);

namespace Prism\Planning\Order;

use Prism\Layering\StepKind;

/** How fast an artist works, and how long they sit. */
final readonly class Pace
{
    /** Square millimetres of one pass in a minute, until the artist's own logs tell better. */
    public const USUAL = 350.0;

    public const SESSION_MINUTES = 90;

    /** Wash, blender, eraser and tissue cover faster than a point does, by so much. */
    private const FASTER = ['wash' => 4.0, 'blend' => 1.5, 'lift' => 4.0, 'rub' => 6.0];

    /** To find, sharpen and change to another pencil or tool, in minutes. */
    public const CHANGE_MINUTES = 0.5;

    private const LEAST_MINUTES = 0.25;

    /** A wash dries 5 to 15 minutes. */
    public const DRYING_MINUTES = 10.0;

    /**
     * @param  float  $mm2PerMinute  of one pass of a pencil
     *
     * @throws \InvalidArgumentException if it is not positive, or a session is shorter than ten minutes
     */
    public function __construct(public float $mm2PerMinute = self::USUAL, public int $sessionMinutes = self::SESSION_MINUTES)
    {
        if ($mm2PerMinute <= 0.0 || $sessionMinutes < 10) {
            throw new \InvalidArgumentException('A pace is more than nothing, and a session ten minutes or more.');
        }
    }

    /** Minutes of the hands for a step, without changing to its pencil. */
    public function minutes(PlanStep $step): float
    {
        if ($step->step === null && $step->role !== StepRole::Rub) {
            return self::LEAST_MINUTES;
        }
        $faster = self::FASTER[$step->step->kind->value ?? StepRole::Rub->value] ?? 1.0;

        return max(self::LEAST_MINUTES, ($step->step->passes ?? 1) * $step->zone->areaMm2 / ($this->mm2PerMinute * $faster));
    }

    public function changing(?PlanStep $from, PlanStep $to): float
    {
        return $from !== null && (string) $from->step?->pencil === (string) $to->step?->pencil && $from->step?->kind === $to->step?->kind ? 0.0 : self::CHANGE_MINUTES;
    }

    public static function drying(PlanStep $step): float
    {
        return $step->step?->kind === StepKind::Wash || $step->role === StepRole::Ground ? self::DRYING_MINUTES : 0.0;
    }
}
