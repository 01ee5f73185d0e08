<?php

declare(strict_types=1);

namespace Prism\Layering;

use Prism\Colour\Bands;

/**
 * What a stack of pencil looks like: the tooth model.
 *
 * A point touches the peaks of the paper and, the harder it is pressed, more of the valleys; it leaves a film there,
 * less where the tooth is full or slick, and drags some of the top film into itself. Films lie on one another by
 * {@see KubelkaMunk}, bin by bin. Pure and deterministic. The loops are flat and long on purpose: they run a hundred thousand times a second in the search.
 */
final class ToothModel
{
    /** Solvent: what a wash of plenty of pigment moves from peaks to valleys, and the tooth it gives back. */
    private const WASH_FLOW = 0.75;

    /** Coats at which half of that happens: a thin layer stays uneven. */
    private const WASH_HALF = 0.22;

    /** Share of the crushed or filled tooth that a wash gives back. */
    private const WASH_RETURN = 0.3;

    /** Dissolved pigment covers better: gain in optical depth of a full flow. */
    private const WASH_STRENGTH = 0.12;

    private const WASH_LOOSE = 0.12;

    private const BLEND_FLOW = 0.5;

    private const BLEND_CRUSH = 0.95;

    private const BLEND_SLICK = 0.55;

    private const BLEND_LOOSE = 0.05;

    /** Share of a loose film that a kneaded eraser takes. */
    private const LIFT_SHARE = 0.6;

    /** @param  array<string, PencilOptics>  $optics by RANGE:NUMBER */
    public function __construct(
        public readonly Tooth $tooth,
        public readonly Hand $hand,
        public readonly array $optics,
    ) {
    }

    public function bare(): Passage
    {
        $reflectance = [];
        for ($bin = 0; $bin < Tooth::BINS; $bin++) {
            foreach ($this->tooth->reflectance as $value) {
                $reflectance[] = $value;
            }
        }
        $none = array_fill(0, Tooth::BINS, 0.0);

        return new Passage($reflectance, $none, $this->tooth->capacity, $none, [], $this->tooth->totalCapacity, $this->hand->yuleNielsen);
    }

    /** @throws UnknownPencil if the stack uses a pencil that this model does not know */
    public function draw(Stack $stack, ?Passage $on = null): Passage
    {
        $passage = $on ?? $this->bare();
        foreach ($stack->steps as $step) {
            $passage = $this->apply($passage, $step);
        }

        return $passage;
    }

    /** @throws UnknownPencil */
    public function apply(Passage $passage, Step $step): Passage
    {
        return match ($step->kind) {
            StepKind::Layer => $this->layer($passage, $this->opticsOf((string) $step->pencil), $step->pressurePercent / 100.0, $step->passes),
            StepKind::Wash => $this->wash($passage),
            StepKind::Blend => $this->blend($passage),
            StepKind::Lift => $this->lift($passage),
        };
    }

    /** @throws UnknownPencil */
    public function opticsOf(string $pencil): PencilOptics
    {
        return $this->optics[$pencil] ?? throw new UnknownPencil($pencil);
    }

    /**
     * One layer.
     *
     * @param  float  $pressure  0-1
     */
    public function layer(Passage $passage, PencilOptics $pencil, float $pressure, float $passes): Passage
    {
        $hand = $this->hand;
        $reach = $hand->reach($pressure);
        $rate = $hand->depositGain * $pencil->transfer * $this->tooth->adhesion * $pressure ** $hand->depositPower * $passes ** $hand->passPower;
        $drag = $pencil->drag * $pressure * $pressure;
        $crush = $hand->crush($pressure);
        $softness = $hand->reachSoftness;
        $rise = $hand->rise;

        $count = count($passage->films);
        $top = $count > 0 ? $passage->films[$count - 1] : null;
        $dragging = $top !== null && $drag > 0.01;

        $thickness = [];
        $taken = [];
        $fill = [];
        $capacity = [];
        $slick = [];
        for ($bin = 0; $bin < Tooth::BINS; $bin++) {
            $had = $passage->fill[$bin];
            $holds = $passage->capacity[$bin];
            $contact = 1.0 / (1.0 + exp(($this->tooth->depth[$bin] - $rise * $had - $reach) / $softness));
            $free = max(0.0, $holds - $had);
            $crowd = $free <= 0.0 ? 0.0 : ($free / $holds) ** $hand->crowdPower;
            $deposit = min($free, $holds * $crowd * (1.0 - exp(-$rate * $contact / $holds)) * (1.0 - $passage->slick[$bin]));
            $thickness[$bin] = $deposit;
            $after = $had + $deposit;
            $fill[$bin] = $after;
            $capacity[$bin] = $after + max(0.0, $holds - $after) * (1.0 - $crush * $contact);
            $cover = 1.0 - exp(-3.0 * $deposit);
            $slick[$bin] = $passage->slick[$bin] * (1.0 - $cover) + $cover * $pencil->slick * (1.0 + 0.5 * $crush);
            $taken[$bin] = $dragging && $top->thickness[$bin] > 0.0 ? $drag * $contact * min(1.0, $deposit / $top->thickness[$bin]) : 0.0;
        }

        $films = $passage->films;
        $ground = $passage->reflectance;
        $n = Bands::COUNT;
        $k = [];
        $s = [];
        if ($dragging) {
            $top = clone $top;
            $topK = $top->k;
            $topS = $top->s;
            for ($bin = 0, $i = 0; $bin < Tooth::BINS; $bin++) {
                $t = $thickness[$bin];
                $share = $taken[$bin];
                for ($band = 0; $band < $n; $band++, $i++) {
                    $k[$i] = $t * $pencil->K[$band] + $share * $topK[$i];
                    $s[$i] = $t * $pencil->S[$band] + $share * $topS[$i];
                    $topK[$i] *= 1.0 - $share;
                    $topS[$i] *= 1.0 - $share;
                }
                $moved = $share * $top->thickness[$bin];
                $top->thickness[$bin] -= $moved;
                $thickness[$bin] += $moved;
            }
            $top->k = $topK;
            $top->s = $topS;
            $films[$count - 1] = $top;
            $ground = KubelkaMunk::over($topK, $topS, $top->below);
        } else {
            for ($bin = 0, $i = 0; $bin < Tooth::BINS; $bin++) {
                $t = $thickness[$bin];
                for ($band = 0; $band < $n; $band++, $i++) {
                    $k[$i] = $t * $pencil->K[$band];
                    $s[$i] = $t * $pencil->S[$band];
                }
            }
        }
        $films[] = new Film($k, $s, $thickness, $ground, max(0.0, 1.0 - $pressure ** 1.5), $pencil->slick);

        return new Passage(KubelkaMunk::over($k, $s, $ground), $fill, $capacity, $slick, $films, $passage->paperCapacity, $passage->yuleNielsen);
    }

    /** Solvent wash, dried: the films merge, flow into the valleys, and some tooth comes back. */
    private function wash(Passage $passage): Passage
    {
        $total = self::meanThickness($passage);
        if ($total <= 0.0) {
            return $passage;
        }
        $flow = self::WASH_FLOW * $total / ($total + self::WASH_HALF);
        $fill = [];
        $capacity = [];
        $slick = [];
        $meanFill = self::mean($passage->fill);
        for ($bin = 0; $bin < Tooth::BINS; $bin++) {
            $levelled = $passage->fill[$bin] + $flow * ($meanFill - $passage->fill[$bin]);
            $fill[$bin] = $levelled * (1.0 - self::WASH_RETURN);
            $capacity[$bin] = max($fill[$bin], $passage->capacity[$bin] + self::WASH_RETURN * ($this->tooth->capacity[$bin] - $passage->capacity[$bin]));
            $slick[$bin] = 0.5 * $passage->slick[$bin];
        }

        return $this->merged($passage, $flow, 1.0 + self::WASH_STRENGTH * $flow, self::WASH_LOOSE, $fill, $capacity, $slick);
    }

    /** Colourless blender: the films merge, the valleys fill, the tooth is gone. */
    private function blend(Passage $passage): Passage
    {
        $total = self::meanThickness($passage);
        if ($total <= 0.0) {
            return $passage;
        }
        $fill = [];
        $capacity = [];
        $slick = [];
        $meanFill = self::mean($passage->fill);
        for ($bin = 0; $bin < Tooth::BINS; $bin++) {
            $fill[$bin] = $passage->fill[$bin] + self::BLEND_FLOW * ($meanFill - $passage->fill[$bin]);
            $capacity[$bin] = $fill[$bin] + max(0.0, $passage->capacity[$bin] - $fill[$bin]) * (1.0 - self::BLEND_CRUSH);
            $slick[$bin] = max($passage->slick[$bin], self::BLEND_SLICK);
        }

        return $this->merged($passage, self::BLEND_FLOW, 1.0, self::BLEND_LOOSE, $fill, $capacity, $slick);
    }

    /** Kneaded eraser: takes from the top films what lies loose. */
    private function lift(Passage $passage): Passage
    {
        $films = [];
        $ground = $this->bare()->reflectance;
        $fill = $passage->fill;
        foreach ($passage->films as $film) {
            $share = self::LIFT_SHARE * $film->loose;
            $film = clone $film;
            $film->below = $ground;
            for ($bin = 0, $i = 0; $bin < Tooth::BINS; $bin++) {
                $fill[$bin] = max(0.0, $fill[$bin] - $share * $film->thickness[$bin]);
                $film->thickness[$bin] *= 1.0 - $share;
                for ($band = 0; $band < Bands::COUNT; $band++, $i++) {
                    $film->k[$i] *= 1.0 - $share;
                    $film->s[$i] *= 1.0 - $share;
                }
            }
            $ground = KubelkaMunk::over($film->k, $film->s, $ground);
            $films[] = $film;
        }

        return new Passage($ground, $fill, $passage->capacity, $passage->slick, $films, $passage->paperCapacity, $passage->yuleNielsen);
    }

    /**
     * All films in one mixture, levelled between the bins by a share.
     *
     * @param  array<int, float>  $fill
     * @param  array<int, float>  $capacity
     * @param  array<int, float>  $slick
     */
    private function merged(Passage $passage, float $flow, float $strength, float $loose, array $fill, array $capacity, array $slick): Passage
    {
        $n = Bands::COUNT;
        $k = array_fill(0, Tooth::BINS * $n, 0.0);
        $s = $k;
        $thickness = array_fill(0, Tooth::BINS, 0.0);
        foreach ($passage->films as $film) {
            foreach ($film->k as $i => $value) {
                $k[$i] += $value;
                $s[$i] += $film->s[$i];
            }
            foreach ($film->thickness as $bin => $value) {
                $thickness[$bin] += $value;
            }
        }
        for ($band = 0; $band < $n; $band++) {
            $meanK = $meanS = 0.0;
            foreach (Tooth::SHARES as $bin => $share) {
                $meanK += $share * $k[$bin * $n + $band];
                $meanS += $share * $s[$bin * $n + $band];
            }
            for ($bin = 0; $bin < Tooth::BINS; $bin++) {
                $i = $bin * $n + $band;
                $k[$i] = $strength * ($k[$i] + $flow * ($meanK - $k[$i]));
                $s[$i] = $strength * ($s[$i] + $flow * ($meanS - $s[$i]));
            }
        }
        $mean = self::mean($thickness);
        foreach ($thickness as $bin => $value) {
            $thickness[$bin] = $value + $flow * ($mean - $value);
        }
        $paper = $this->bare()->reflectance;
        $film = new Film($k, $s, $thickness, $paper, $loose, self::mean($slick));

        return new Passage(KubelkaMunk::over($k, $s, $paper), $fill, $capacity, $slick, [$film], $passage->paperCapacity, $passage->yuleNielsen);
    }

    private static function meanThickness(Passage $passage): float
    {
        $total = 0.0;
        foreach ($passage->films as $film) {
            $total += self::mean($film->thickness);
        }

        return $total;
    }

    /** @param  array<int, float>  $byBin */
    private static function mean(array $byBin): float
    {
        $sum = 0.0;
        foreach (Tooth::SHARES as $bin => $share) {
            $sum += $share * $byBin[$bin];
        }

        return $sum;
    }
}
