<?php

declare(strict_types=1);

namespace Standin;

use Prism\Layering\Step;

/** A hand that draws what it is told, or errs in a known way; the same seed errs at the same places. */
enum ErringHand: string
{
    /** As it is told. */
    case True = 'true';
    case Heavy = 'heavy';
    case Light = 'light';
    /** Heavier and lighter as time goes on. */
    case Drifting = 'drifting';
    /** Forgets a coat here and there, takes the pencil that lies beside, goes over paper that was to stay. */
    case Careless = 'careless';

    private const HEAVY = 1.25;

    private const LIGHT = 0.75;

    private const DRIFT = 0.3;

    /** Shares of places where a careless hand does so. */
    private const FORGETS = 0.15;

    private const WRONG = 0.1;

    private const SPOILS = 0.5;

    /**
     * What it lays when it is told a step; null: nothing.
     *
     * @param  string  $seed  of the place
     * @param  float  $time  how far the drawing is, 0-1
     * @param  list<Step>  $out  a layer of each pencil that lies out, in their order
     */
    public function lays(Step $step, string $seed, float $time, array $out): ?Step
    {
        if (! $step->isLayer()) {
            return $step;
        }
        $chance = new Dice($seed);

        return match ($this) {
            self::True => $step,
            self::Heavy => $step->pressing(self::HEAVY),
            self::Light => $step->pressing(self::LIGHT),
            self::Drifting => $step->pressing(1.0 + self::DRIFT * sin(2.0 * M_PI * $time)),
            self::Careless => self::carelessly($step, $chance, $out),
        };
    }

    /**
     * What it lays where paper was to stay; null: nothing, as it should.
     *
     * @param  list<Step>  $out
     */
    public function spoils(string $seed, array $out): ?Step
    {
        $chance = new Dice("spoil $seed");
        if ($this !== self::Careless || $out === [] || $chance->uniform() > self::SPOILS) {
            return null;
        }

        return $out[(int) floor($chance->uniform() * count($out))]->withPressure(45.0)->withPasses(2);
    }

    /** @param  list<Step>  $out */
    private static function carelessly(Step $step, Dice $chance, array $out): ?Step
    {
        $throw = $chance->uniform();
        if ($throw < self::FORGETS) {
            return $step->passes > 1 ? $step->withPasses($step->passes - 1) : null;
        }
        if ($throw > self::FORGETS + self::WRONG) {
            return $step;
        }
        $at = array_search((string) $step->pencil, array_map(static fn (Step $one): string => (string) $one->pencil, $out), true);

        return $at === false || count($out) < 2 ? $step : $out[($at + 1) % count($out)]->withPressure($step->pressurePercent)->withPasses($step->passes);
    }
}
