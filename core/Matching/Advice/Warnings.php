<?php

declare(strict_types=1);

namespace Prism\Matching\Advice;

use Prism\Colour\Lab;
use Prism\Colour\ValueScale;
use Prism\Colour\Words\Difference;
use Prism\Layering\Passage;
use Prism\Layering\Prediction;
use Prism\Layering\Pressure;
use Prism\Layering\Stack;
use Prism\Layering\Step;
use Prism\Layering\StepKind;
use Prism\Layering\Tooth;
use Prism\Layering\ToothModel;
use Prism\Matching\Manner;
use Prism\Matching\Target;
use Prism\Materials\Binder;
use Prism\Materials\Kit;
use Prism\Materials\PencilKind;

/** Finds out, from predictions step by step, what may go wrong with a stack. */
final readonly class Warnings
{
    /** Above this dE00 the target counts as out of reach. */
    private const OUT_OF_REACH = 6.0;

    /** A dark is missed when what is laid is this many value steps lighter. */
    private const NOT_AS_DARK_STEPS = 0.4;

    private const PAPER_FULL = 0.04;

    private const LOW_TOOTH = 0.15;

    /** Hue angles that an artist calls green, and the chroma from which one sees it. Dark yellows look olive. */
    private const GREEN_FROM = 112.0;

    private const OLIVE_FROM = 97.0;

    private const OLIVE_BELOW_L = 78.0;

    private const GREEN_TO = 200.0;

    /** A pencil up to here brings green of its own. */
    private const TURQUOISE_TO = 235.0;

    private const GREEN_CHROMA = 7.0;

    /** Chroma lost against the target, and share of what the pencils have alone that is left. */
    private const MUDDY_LOSS = 8.0;

    private const MUDDY_LEFT = 0.5;

    private const MUDDY_PENCIL_CHROMA = 15.0;

    /** L* between two layers that meet, by the heavy coats of their pencils. */
    private const JUMP = 48.0;

    /** A lower coat this much darker than the target, L*, that darkens the whole by this much, comes up; under a yellow less is too much. */
    private const COMES_UP_DARKER = 30.0;

    private const COMES_UP_BY = 9.0;

    private const UNDER_YELLOW_BY = 6.0;

    private const LIGHT_L = 60.0;

    /** Share of a layer that a slick film keeps off. */
    private const RESISTED = 0.31;

    private const PALE_L = 78.0;

    /** A pale layer wanted to lighten by more than this, that reaches less than this share of it. */
    private const PALE_GAP = 25.0;

    private const PALE_COVERS = 0.3;

    private const BLOOM_PERCENT = 80.0;

    private const BLOOM_LIGHTNESS = 45.0;

    private const FADING = ['IV', 'V'];

    /** @param  bool  $isNearest  what is asked about is the nearest that was found in the whole box */
    public function __construct(private ToothModel $model, private Kit $kit, private bool $isNearest = false)
    {
    }

    /** @return list<Warning> */
    public function of(Stack $stack, Target $target, Prediction $prediction, Difference $difference): array
    {
        $warnings = [];
        $miss = $target->valueOnly ? abs($difference->dL) : $difference->dE00;
        if ($miss > self::OUT_OF_REACH) {
            // Of what was laid by hand nobody knows whether another would reach it.
            $warnings[] = $this->isNearest ? Warning::OutOfReach : Warning::FarOff;
        }
        if ($this->isNotDarker($stack, $target, $prediction)) {
            $warnings[] = Warning::NotDarker;
        }
        $bare = $this->model->bare()->lab();
        if ($stack->layerCount() > 0 && $target->miss($bare->L, $bare->a, $bare->b) <= Target::BARE_PAPER) {
            $warnings[] = Warning::ReserveCovered;
        }
        if ($prediction->toothLeft < self::PAPER_FULL) {
            $warnings[] = Warning::PaperFull;
        } elseif ($prediction->toothLeft < self::LOW_TOOTH) {
            $warnings[] = Warning::LowTooth;
        }
        $alone = [];
        foreach ($stack->steps as $step) {
            $alone[] = $step->isLayer() ? $this->model->draw(Stack::of($step))->lab() : null;
        }
        $layers = array_values(array_filter($alone));
        if ($this->turnsGreen($prediction->colour, $layers, $target)) {
            $warnings[] = Warning::TurnsGreen;
        }
        if (! $target->valueOnly && self::isMuddy($prediction->colour, $layers, $target->colour)) {
            $warnings[] = Warning::Muddy;
        }
        array_push($warnings, ...$this->comingUp($stack, $target, $prediction->colour));
        $passage = $this->model->bare();
        $before = null;
        $last = count($stack) - 1;
        foreach ($stack->steps as $at => $step) {
            $after = $this->model->apply($passage, $step);
            if ($alone[$at] !== null) {
                $coat = $this->heavyCoat($step);
                if ($before !== null && abs($before->L - $coat->L) > self::JUMP) {
                    $warnings[] = Warning::ValueJump;
                }
                if (self::resisted($passage) > self::RESISTED) {
                    $warnings[] = Warning::Resists;
                }
                if (self::doesNotCover($passage, $after, $step, $alone[$at]->L)) {
                    $warnings[] = Warning::PaleWillNotCover;
                }
                // A wash opens what was pressed.
                if ($at < $last && $step->pressurePercent >= Pressure::BURNISH_PERCENT && $stack->steps[$at + 1]->kind !== StepKind::Wash) {
                    $warnings[] = Warning::ClosesEarly;
                }
                array_push($warnings, ...$this->ofPencil($step, $at === $last, $prediction->colour->L));
                $before = $coat;
            }
            $passage = $after;
        }

        return Warning::worstFirst($warnings);
    }

    /**
     * Dark coats low in a light that come up through what lies over them: told by what the stack would be without them.
     *
     * @return list<Warning>
     */
    private function comingUp(Stack $stack, Target $target, Lab $colour): array
    {
        $top = $stack->steps[count($stack) - 1] ?? null;
        if ($target->colour->L < self::LIGHT_L || $top === null || ! $top->isLayer() || $stack->layerCount() < 2) {
            return [];
        }
        $yellow = PencilKind::of($this->heavyCoat($top)) === PencilKind::Yellow;
        $found = [];
        foreach ($stack->steps as $at => $step) {
            if ($at === count($stack) - 1 || ! $step->isLayer() || $target->colour->L - $this->heavyCoat($step)->L < self::COMES_UP_DARKER) {
                continue;
            }
            $darkens = $this->model->draw($stack->without($at))->lab()->L - $colour->L;
            if ($darkens > ($yellow ? self::UNDER_YELLOW_BY : self::COMES_UP_BY)) {
                $found[] = $yellow ? Warning::FormTooStrong : Warning::ComesUp;
            }
        }

        return $found;
    }

    /** What the pencil of a layer is at full strength. */
    private function heavyCoat(Step $step): Lab
    {
        return $this->model->draw(Stack::of($step->withPressure(PencilKind::HEAVY_PERCENT)->withPasses(PencilKind::HEAVY_COATS)))->lab();
    }

    /** A dark that is missed, since each of its pencils is lighter at full strength. */
    private function isNotDarker(Stack $stack, Target $target, Prediction $prediction): bool
    {
        if ($stack->layerCount() === 0 || $prediction->colour->L - $target->colour->L < self::NOT_AS_DARK_STEPS * ValueScale::stepSize()) {
            return false;
        }
        foreach ($stack->pencils() as $pencil) {
            $coat = $this->kit->has($pencil) ? $this->kit->get($pencil)->fullCoat : null;
            if ($coat === null || $coat->L <= $target->colour->L) {
                return false;
            }
        }

        return true;
    }

    /**
     * Green that comes from no green: not of a pencil, and not wanted.
     *
     * @param  list<Lab>  $layers  each alone
     */
    private function turnsGreen(Lab $colour, array $layers, Target $target): bool
    {
        if (count($layers) < 2 || ! self::isGreen($colour) || (! $target->valueOnly && self::isGreen($target->colour))) {
            return false;
        }
        foreach ($layers as $layer) {
            if (self::isGreen($layer, self::TURQUOISE_TO)) {
                return false;
            }
        }

        return true;
    }

    private static function isGreen(Lab $colour, float $to = self::GREEN_TO): bool
    {
        $hue = $colour->hueDegrees();

        return $colour->chroma() >= self::GREEN_CHROMA && $hue <= $to
            && $hue >= ($colour->L < self::OLIVE_BELOW_L ? self::OLIVE_FROM : self::GREEN_FROM);
    }

    /** @param  list<Lab>  $layers  each alone */
    private static function isMuddy(Lab $colour, array $layers, Lab $goal): bool
    {
        $chromatic = array_filter(array_map(static fn (Lab $layer): float => $layer->chroma(), $layers), static fn (float $chroma): bool => $chroma >= self::MUDDY_PENCIL_CHROMA);

        return count($chromatic) >= 2
            && $goal->chroma() - $colour->chroma() > self::MUDDY_LOSS
            && $colour->chroma() < self::MUDDY_LEFT * (array_sum($chromatic) / count($chromatic));
    }

    /** Share of a next layer that slick films would keep off. */
    private static function resisted(Passage $passage): float
    {
        $kept = 0.0;
        foreach (Tooth::SHARES as $bin => $share) {
            $kept += $share * $passage->slick[$bin];
        }

        return $kept;
    }

    /** @param  float  $own  L* of the layer alone */
    private static function doesNotCover(Passage $below, Passage $after, Step $step, float $own): bool
    {
        $gap = $own - $below->lab()->L;

        return $below->films !== [] && $own > self::PALE_L && $gap > self::PALE_GAP && $step->pressurePercent > Manner::UNDER_PERCENT
            && $after->lab()->L - $below->lab()->L < self::PALE_COVERS * $gap;
    }

    /** @return list<Warning> */
    private function ofPencil(Step $step, bool $last, float $L): array
    {
        if ($step->pencil === null || ! $this->kit->has($step->pencil)) {
            return [];
        }
        $pencil = $this->kit->get($step->pencil);
        $warnings = [];
        if (in_array($pencil->lightfastness, self::FADING, true)) {
            $warnings[] = Warning::Fades;
        }
        if ($last && $pencil->binder === Binder::Wax && $step->pressurePercent >= self::BLOOM_PERCENT && $L < self::BLOOM_LIGHTNESS) {
            $warnings[] = Warning::Bloom;
        }

        return $warnings;
    }
}
