<?php

declare(strict_types=1);

namespace Standin;

use Prism\Colour\Lab;
use Prism\Colour\Observer;
use Prism\Colour\Spectrum;
use Prism\Colour\Srgb;
use Prism\Layering\Stack;
use Prism\Layering\Step;
use Prism\Layering\StepKind;

/**
 * A simulated hand draws a stack on a sheet, stroke by stroke, and a simulated reader reads it. Point by point in two
 * dimensions and at 36 wavelengths; it shares no model code with the engine, so that the engine can be tried on it.
 */
final class Drawing
{
    private const STROKE_SPACING = 2.3;

    private const STROKE_WIDTH = 0.95;

    /** How sharply the point leaves a valley alone. */
    private const EDGE = 0.085;

    /** How much deeper one stroke of a coat reaches than another: the point turns, and finds what the last coat left. */
    private const UNEVEN = 0.15;

    /** Strokes side by side, from the lightest to the heaviest, in parts of that; which lies where is chance. */
    private const STROKES = [-1.3, -0.4, 0.4, 1.3];

    private const FIRM = 0.5;

    private const READER_NOISE = 0.2;

    /** Films of one pencil by point: list of [lead, thickness by point, scattering left]. @var list<array{Lead, array<int, float>, float}> */
    private array $films = [];

    /** @var array<int, float> how crushed each point is, 0-1 */
    private array $crushed;

    /**
     * @param  array<string, Lead>  $leads  by RANGE:NUMBER
     * @param  float  $weight  how heavy this hand is, 1 for a middle one
     * @param  float  $shake  noise of its pressure, as a share
     */
    private function __construct(private readonly Sheet $sheet, private readonly array $leads, private readonly Dice $dice, private readonly float $weight, private readonly float $shake)
    {
        $this->crushed = array_fill(0, Sheet::SIZE ** 2, 0.0);
    }

    /**
     * The colour that comes out.
     *
     * @param  array<string, Lead>  $leads
     */
    public static function of(Stack $stack, Sheet $sheet, array $leads, string $seed, float $weight = 1.0, float $shake = 0.025): Lab
    {
        return self::drawn($stack, $sheet, $leads, $seed, $weight, $shake)->read();
    }

    /**
     * How it looks, point by point.
     *
     * @param  array<string, Lead>  $leads
     * @return list<array{float, float, float}> linear light
     */
    public static function texture(Stack $stack, Sheet $sheet, array $leads, string $seed, float $weight = 1.0, float $shake = 0.025): array
    {
        $drawing = self::drawn($stack, $sheet, $leads, $seed, $weight, $shake);
        $points = Sheet::SIZE ** 2;
        $xyz = [array_fill(0, $points, 0.0), array_fill(0, $points, 0.0), array_fill(0, $points, 0.0)];
        $rows = Observer::weights();
        $sums = array_map(array_sum(...), $rows);
        foreach ($sheet->colour->samples() as $wave => $paper) {
            for ($i = 0; $i < $points; $i++) {
                $r = $drawing->reflects($wave, $i, $paper);
                for ($axis = 0; $axis < 3; $axis++) {
                    $xyz[$axis][$i] += $rows[$axis][$wave] / $sums[$axis] * $r;
                }
            }
        }
        $texture = [];
        for ($i = 0; $i < $points; $i++) {
            $texture[] = Srgb::linear(Lab::fromRelativeXyz($xyz[0][$i], $xyz[1][$i], $xyz[2][$i]));
        }

        return $texture;
    }

    /** @param  array<string, Lead>  $leads */
    private static function drawn(Stack $stack, Sheet $sheet, array $leads, string $seed, float $weight, float $shake): self
    {
        $drawing = new self($sheet, $leads, new Dice($seed), $weight, $shake);
        foreach ($stack->steps as $step) {
            $drawing->do($step);
        }

        return $drawing;
    }

    private function do(Step $step): void
    {
        match ($step->kind) {
            StepKind::Layer => $this->layer($this->leads[(string) $step->pencil], $step->pressurePercent / 100.0, $step->passes),
            StepKind::Wash => $this->flow(3, 0.8, 0.96),
            StepKind::Blend => $this->flow(2, 0.75, 0.6, 1.2),
            StepKind::Lift => $this->lift(),
        };
    }

    private function layer(Lead $lead, float $pressure, int $passes): void
    {
        $thickness = array_fill(0, Sheet::SIZE ** 2, 0.0);
        for ($pass = 0; $pass < $passes; $pass++) {
            $force = max(0.03, min(1.05, $this->weight * $pressure * (1.0 + $this->shake * $this->dice->normal())));
            if ($force > self::FIRM) {
                $this->press($lead, ($force - self::FIRM) / (1.0 - self::FIRM), $thickness);
            }
            $this->strokes($lead, $force, $thickness);
        }
        $this->films[] = [$lead, $thickness, exp(-0.7 * $pressure ** 3)];
    }

    /**
     * One pass of parallel strokes.
     *
     * @param  array<int, float>  $thickness
     */
    private function strokes(Lead $lead, float $force, array &$thickness): void
    {
        $angle = M_PI * $this->dice->uniform();
        $offset = self::STROKE_SPACING * $this->dice->uniform();
        $reach = 0.22 + 0.88 * $force ** 1.15;
        $strokes = $this->dice->shuffled(self::STROKES);
        $count = count($strokes);
        $amount = $lead->soft * $force ** 1.05;
        foreach ($this->sheet->height as $i => $height) {
            $along = cos($angle) * ($i % Sheet::SIZE) + sin($angle) * intdiv($i, Sheet::SIZE) + $offset;
            $stroked = (int) floor($along / self::STROKE_SPACING);
            $off = $along - ($stroked + 0.5) * self::STROKE_SPACING;
            $own = self::UNEVEN * $strokes[($stroked % $count + $count) % $count];
            $stroke = 0.55 + 0.75 * exp(-0.5 * ($off / self::STROKE_WIDTH) ** 2);
            $had = $thickness[$i];
            $slip = 0.0;
            foreach ($this->films as [$below, $film]) {
                $had += $film[$i];
                $slip = max($slip, $below->slip * min(1.0, 2.0 * $film[$i]));
            }
            $depth = (1.0 - $height) * $this->sheet->depth * (1.0 - 0.8 * $this->crushed[$i]) - 0.08 * $had;
            $contact = 1.0 / (1.0 + exp(($depth - $reach - $own) / self::EDGE));
            $room = max(0.0, 1.0 - $had / ($this->sheet->holds * (0.8 + 0.5 * (1.0 - $height)) * (1.0 + 0.7 * $force ** 4) * (1.0 - 0.35 * $this->crushed[$i])));
            $thickness[$i] += $amount * $stroke * $contact * $room * (1.0 - $slip);
            $this->crushed[$i] = max($this->crushed[$i], $contact * max(0.0, ($force - 0.55) / 0.4));
        }
    }

    /**
     * A firm stroke spreads what lies below and takes some of it up.
     *
     * @param  array<int, float>  $thickness
     */
    private function press(Lead $lead, float $firm, array &$thickness): void
    {
        foreach ($this->films as $n => [$below, $film, $clear]) {
            $spread = Sheet::blurred($film, 2);
            foreach ($film as $i => $t) {
                $film[$i] = $t + 0.6 * $firm * ($spread[$i] - $t);
            }
            $this->films[$n] = [$below, $film, $clear];
        }
        $top = count($this->films) - 1;
        if ($top >= 0 && $lead->smear * $firm > 0.02) {
            [$below, $film, $clear] = $this->films[$top];
            $taken = array_map(static fn (float $t): float => $lead->smear * $firm * $t, $film);
            $left = array_map(static fn (float $t, float $t2): float => $t - $t2, $film, $taken);
            // What is taken up lies half below and half above the new film.
            $this->films[$top] = [$below, $left, $clear];
            $this->films[] = [$below, $taken, 0.6 * $clear];
        }
    }

    private function flow(int $reach, float $share, float $clear, float $strength = 1.04): void
    {
        foreach ($this->films as $n => [$lead, $film, $had]) {
            $spread = Sheet::blurred($film, $reach);
            foreach ($film as $i => $t) {
                $film[$i] = $strength * ($t + $share * ($spread[$i] - $t));
            }
            $this->films[$n] = [$lead, $film, $had * $clear];
        }
        $this->crushed = $clear > 0.9 ? array_map(static fn (float $c): float => 0.7 * $c, $this->crushed) : array_fill(0, Sheet::SIZE ** 2, 1.0);
    }

    private function lift(): void
    {
        foreach ($this->films as $n => [$lead, $film, $clear]) {
            foreach ($film as $i => $t) {
                $film[$i] = $t * (1.0 - 0.22 * (1.0 - $this->crushed[$i]) * $this->sheet->height[$i]);
            }
            $this->films[$n] = [$lead, $film, $clear];
        }
    }

    private function read(): Lab
    {
        $samples = [];
        $points = Sheet::SIZE ** 2;
        foreach ($this->sheet->colour->samples() as $wave => $paper) {
            $sum = 0.0;
            for ($i = 0; $i < $points; $i++) {
                $sum += $this->reflects($wave, $i, $paper);
            }
            $samples[] = max(0.0, min(1.0, $sum / $points));
        }
        $lab = Spectrum::of($samples)->toLab();

        return Lab::of(
            max(0.0, min(100.0, $lab->L + self::READER_NOISE * $this->dice->normal())),
            $lab->a + self::READER_NOISE * $this->dice->normal(),
            $lab->b + self::READER_NOISE * $this->dice->normal(),
        );
    }

    private function reflects(int $wave, int $point, float $paper): float
    {
        foreach ($this->films as [$lead, $film, $clear]) {
            $t = $film[$point];
            if ($t > 1e-5) {
                $paper = self::over($lead->K[$wave] * $t, $lead->S * $clear * $t, $paper);
            }
        }

        return $paper;
    }

    /** A thin film by the layers-of-powder equations of two fluxes, solved for small scattering. */
    private static function over(float $k, float $s, float $ground): float
    {
        $m = $k + $s;
        $root = sqrt($m * $m - $s * $s);
        if ($root < 1e-7) {
            return ($ground + $s * (1.0 - $ground)) / (1.0 + $s * (1.0 - $ground));
        }
        $tanh = tanh($root);

        return ($ground * $root + $tanh * ($s - $m * $ground)) / ($root + $tanh * ($m - $s * $ground));
    }
}
