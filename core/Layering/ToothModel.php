<?php

declare(strict_types=1);

namespace Prism\Layering;

use Prism\Colour\Lab;

/**
 * What a stack of pencil looks like: the tooth model.
 *
 * A point touches the peaks of the paper and, the harder it is pressed, more of the valleys; it leaves a film there,
 * less where the tooth is full or slick. A firm hand also levels the films below between peaks and valleys and drags some
 * of the top one into its own. Films lie on one another by {@see KubelkaMunk}, bin by bin. Pure and deterministic; the
 * loops are flat and long on purpose, since a search runs them a hundred thousand times a second. Equations and what each
 * part buys: docs/engine.md.
 */
final class ToothModel
{
    /** Film at which half of what a wash can do happens: a thin layer stays uneven. */
    private const WASH_HALF = 0.08;

    private const WASH_LOOSE = 0.12;

    private const BLEND_LOOSE = 0.05;

    /** How looseness falls with pressure. */
    private const LOOSE_POWER = 1.5;

    /** How soon film covers what was slick below. */
    private const COVERS = 3.0;

    /** No pass takes up more of the film below, as a share. */
    private const MOST_DRAGGED = 0.95;

    /** Least absorption and scattering: no film is perfectly clear. */
    private const LEAST_K = 1e-4;

    private const LEAST_S = 1e-5;

    /** @param  array<string, PencilOptics>  $optics by RANGE:NUMBER */
    public function __construct(
        public readonly Tooth $tooth,
        public readonly Hand $hand,
        public readonly array $optics,
    ) {
    }

    public function bare(): Passage
    {
        $none = array_fill(0, Tooth::BINS, 0.0);

        return new Passage($this->paper(), $none, $this->tooth->capacity, $none, [], $this->tooth->totalCapacity, $this->hand->yuleNielsen);
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
            StepKind::Layer => $this->lay($passage, $this->touch($this->opticsOf((string) $step->pencil), $step->pressurePercent / 100.0, $step->passes)),
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
     * A pencil as it is laid on this paper.
     *
     * @param  float  $pressure  that the hand is told, 0-1
     */
    public function touch(PencilOptics $pencil, float $pressure, float $passes): Touch
    {
        $hand = $this->hand;
        $pressure = $hand->pressing($pressure);
        $reach = $hand->reach($pressure);
        $contact = [];
        foreach ($this->tooth->depth as $depth) {
            $contact[] = 1.0 / (1.0 + exp(($depth - $reach) / $hand->reachSoftness));
        }
        $density = $hand->densityAt($pressure);
        $clear = $density * $hand->clearingAt($pressure);
        $K = $S = $decay = $deep = $inverse = [];
        foreach ($pencil->K as $band => $value) {
            $k = max(self::LEAST_K, $density * $value);
            $s = max(self::LEAST_S, $clear * $pencil->S[$band]);
            $q = sqrt($k * ($k + 2.0 * $s));
            $K[] = $k;
            $S[] = $s;
            $decay[] = -2.0 * $q;
            $deep[] = $s / ($k + $s + $q);
            $inverse[] = ($k + $s + $q) / $s;
        }
        $crush = $hand->crush($pressure);

        return new Touch(
            $contact,
            $hand->depositGain * $pencil->transfer * $this->tooth->adhesion * $pressure ** $hand->depositPower * $passes ** $hand->passPower,
            $hand->limit($pressure),
            $crush,
            $pencil->drag * Hand::mixing($pressure),
            $hand->levels($pressure, $passes),
            Hand::mixing($pressure) > 0.0,
            $passes,
            $pencil->slick * (1.0 + 0.5 * $crush),
            max(0.0, 1.0 - $pressure ** self::LOOSE_POWER),
            $K, $S, $decay, $deep, $inverse,
        );
    }

    /**
     * One layer of a pencil.
     *
     * @param  float  $pressure  0-1
     */
    public function layer(Passage $passage, PencilOptics $pencil, float $pressure, float $passes): Passage
    {
        return $this->lay($passage, $this->touch($pencil, $pressure, $passes));
    }

    /** One layer. Searches keep their touches and call this. */
    public function lay(Passage $passage, Touch $touch): Passage
    {
        if ($touch->firm && $passage->films !== []) {
            return $this->press($passage, $touch);
        }
        $fill = $passage->fill;
        $capacity = $passage->capacity;
        $slick = $passage->slick;
        $thickness = $this->deposit($touch, $fill, $capacity, $slick);
        $films = $passage->films;
        $films[] = Film::of($touch, $thickness);

        return new Passage(
            KubelkaMunk::coat($touch, $thickness, $passage->reflectance),
            $fill, $capacity, $slick, $films, $passage->paperCapacity, $passage->yuleNielsen, $passage->veil,
        );
    }

    /** The colour after one more layer, without the passage. */
    public function glance(Passage $passage, Touch $touch): Lab
    {
        return $this->look($passage, $touch)->colour;
    }

    /** What is seen after one more layer, without the passage: what a search asks most. */
    public function look(Passage $passage, Touch $touch): Look
    {
        if ($touch->firm && $passage->films !== []) {
            return $this->press($passage, $touch)->look();
        }
        // As in deposit(), without the state that nobody asks for.
        $thickness = [];
        $free = 0.0;
        $rate = $touch->rate;
        $rises = $touch->limit;
        $crush = $touch->crush;
        foreach ($touch->contact as $bin => $contact) {
            $had = $passage->fill[$bin];
            $holds = $passage->capacity[$bin];
            $limit = $holds * $rises;
            $left = $limit > $had ? ($limit - $had) * (1.0 - exp(-$rate * $contact / $limit)) * (1.0 - $passage->slick[$bin]) : 0.0;
            $thickness[] = $left;
            $open = $holds - $had - $left;
            if ($open > 0.0) {
                $free += Tooth::SHARES[$bin] * $open * (1.0 - $crush * $contact);
            }
        }
        [$colour, $grain] = KubelkaMunk::colour($touch, $thickness, $passage->reflectance, $passage->yuleNielsen);

        return new Look($colour, $grain, max(0.0, min(1.0, $free / $passage->paperCapacity)));
    }

    /** A layer with a firm hand: what lies below is levelled, and its top dragged along. */
    private function press(Passage $passage, Touch $touch): Passage
    {
        $fill = $passage->fill;
        $capacity = $passage->capacity;
        $slick = $passage->slick;
        $films = [];
        foreach ($passage->films as $film) {
            $level = $film->levelled($touch->levels);
            foreach ($level->thickness as $bin => $t) {
                $fill[$bin] += $t - $film->thickness[$bin];
            }
            $films[] = $level;
        }
        foreach ($fill as $bin => $value) {
            // What was pushed out of a bin leaves no tooth behind.
            $capacity[$bin] = max(0.0, $capacity[$bin] - max(0.0, $passage->fill[$bin] - $value));
        }
        $own = Film::of($touch, $this->deposit($touch, $fill, $capacity, $slick));
        $top = array_pop($films);
        array_push($films, ...($top === null ? [$own] : $this->dragged($top, $own, $touch)));

        return (new Passage($this->seen($films), $fill, $capacity, $slick, $films, $passage->paperCapacity, $passage->yuleNielsen))->under($passage->veil);
    }

    /**
     * What a touch leaves, bin by bin; updates the state of the tooth.
     *
     * @param  array<int, float>  $fill
     * @param  array<int, float>  $capacity
     * @param  array<int, float>  $slick
     * @return array<int, float>
     */
    private function deposit(Touch $touch, array &$fill, array &$capacity, array &$slick): array
    {
        $thickness = [];
        $rate = $touch->rate;
        $rises = $touch->limit;
        $crush = $touch->crush;
        $ownSlick = $touch->slick;
        foreach ($touch->contact as $bin => $contact) {
            $had = $fill[$bin];
            $holds = $capacity[$bin];
            $limit = $holds * $rises;
            $left = $limit > $had ? ($limit - $had) * (1.0 - exp(-$rate * $contact / $limit)) * (1.0 - $slick[$bin]) : 0.0;
            $thickness[] = $left;
            $after = $had + $left;
            $fill[$bin] = $after;
            // What is piled above the tooth is no tooth: a lighter layer after it finds no room.
            if ($holds > $after) {
                $capacity[$bin] = $after + ($holds - $after) * (1.0 - $crush * $contact);
            }
            $cover = 1.0 - exp(-self::COVERS * $left);
            $slick[$bin] += $cover * ($ownSlick - $slick[$bin]);
        }

        return $thickness;
    }

    /**
     * Part of the top film is taken up into the new one.
     *
     * @return array{Film, Film} what is left of the top film, and the new one
     */
    private function dragged(Film $top, Film $own, Touch $touch): array
    {
        $left = $taken = [];
        $most = 0.0;
        foreach ($touch->contact as $bin => $contact) {
            $had = $top->thickness[$bin];
            $share = $had > 0.0 ? min(self::MOST_DRAGGED, $touch->drag * $contact * (1.0 - exp(-$own->thickness[$bin] / $had))) : 0.0;
            $share = 1.0 - (1.0 - $share) ** $touch->passes;
            $left[] = 1.0 - $share;
            $taken[] = $share;
            $most = max($most, $share);
        }

        return $most <= 0.0 ? [$top, $own] : [$top->thinned($left), Film::mixture([$own, $top->thinned($taken)], $own->loose)];
    }

    /** Solvent wash, dried: the films merge, flow into the valleys, and some tooth comes back. */
    public function wash(Passage $passage): Passage
    {
        $total = self::meanThickness($passage);
        if ($total <= 0.0) {
            return $passage;
        }
        $hand = $this->hand;
        $flow = min(1.0, $hand->washFlow * $total / ($total + self::WASH_HALF));
        $fill = [];
        $capacity = [];
        $slick = [];
        $meanFill = self::mean($passage->fill);
        for ($bin = 0; $bin < Tooth::BINS; $bin++) {
            $levelled = $passage->fill[$bin] + $flow * ($meanFill - $passage->fill[$bin]);
            $fill[$bin] = $levelled * (1.0 - min(1.0, $hand->washReturn));
            $capacity[$bin] = max($fill[$bin], $passage->capacity[$bin] + $hand->washReturn * ($this->tooth->capacity[$bin] - $passage->capacity[$bin]));
            $slick[$bin] = 0.5 * $passage->slick[$bin];
        }

        return $this->merged($passage, $flow, 1.0 + $hand->washStrength * $flow, exp(-$hand->washClearing * $flow), self::WASH_LOOSE, $fill, $capacity, $slick);
    }

    /** Colourless blender: the films merge, the valleys fill, the tooth is gone. */
    public function blend(Passage $passage): Passage
    {
        if (self::meanThickness($passage) <= 0.0) {
            return $passage;
        }
        $hand = $this->hand;
        $flow = min(1.0, $hand->blendFlow);
        $fill = [];
        $capacity = [];
        $slick = [];
        $meanFill = self::mean($passage->fill);
        for ($bin = 0; $bin < Tooth::BINS; $bin++) {
            $fill[$bin] = $passage->fill[$bin] + $flow * ($meanFill - $passage->fill[$bin]);
            $capacity[$bin] = $fill[$bin] + max(0.0, $passage->capacity[$bin] - max($fill[$bin], $passage->fill[$bin])) * (1.0 - min(1.0, $hand->blendCrush));
            $slick[$bin] = max($passage->slick[$bin], $hand->blendSlick);
        }

        return $this->merged($passage, $flow, 1.0 + $hand->blendStrength, exp(-$hand->blendClearing), self::BLEND_LOOSE, $fill, $capacity, $slick);
    }

    /** Kneaded eraser: takes from the films what lies loose. */
    private function lift(Passage $passage): Passage
    {
        $films = [];
        $fill = $passage->fill;
        foreach ($passage->films as $film) {
            $share = min(1.0, $this->hand->liftShare * $film->loose);
            foreach ($film->thickness as $bin => $t) {
                $fill[$bin] = max(0.0, $fill[$bin] - $share * $t);
            }
            $films[] = $film->thinned(array_fill(0, Tooth::BINS, 1.0 - $share));
        }

        return (new Passage($this->seen($films), $fill, $passage->capacity, $passage->slick, $films, $passage->paperCapacity, $passage->yuleNielsen))->under($passage->veil);
    }

    /**
     * All films in one mixture, levelled between the bins by a share.
     *
     * @param  array<int, float>  $fill
     * @param  array<int, float>  $capacity
     * @param  array<int, float>  $slick
     */
    private function merged(Passage $passage, float $flow, float $strength, float $clearing, float $loose, array $fill, array $capacity, array $slick): Passage
    {
        $films = $passage->films === [] ? [] : [Film::mixture($passage->films, $loose)->levelled($flow)->strengthened($strength, $clearing)];

        return (new Passage($this->seen($films), $fill, $capacity, $slick, $films, $passage->paperCapacity, $passage->yuleNielsen))->under($passage->veil);
    }

    /**
     * @param  array<int, Film>  $films  bottom to top
     * @return array<int, float> bands by bins
     */
    private function seen(array $films): array
    {
        $reflectance = $this->paper();
        foreach ($films as $film) {
            $reflectance = $film->over($reflectance);
        }

        return $reflectance;
    }

    /** @return array<int, float> the bare paper, bands by bins */
    private function paper(): array
    {
        $reflectance = [];
        foreach ($this->tooth->reflectance as $value) {
            for ($bin = 0; $bin < Tooth::BINS; $bin++) {
                $reflectance[] = $value;
            }
        }

        return $reflectance;
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
