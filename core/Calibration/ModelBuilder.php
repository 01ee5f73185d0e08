<?php

declare(strict_types=1);

namespace Prism\Calibration;

use Prism\Colour\Bands;
use Prism\Colour\Lab;
use Prism\Colour\Reconstruction;
use Prism\Layering\Hand;
use Prism\Layering\PencilOptics;
use Prism\Layering\StepKind;
use Prism\Layering\Tooth;
use Prism\Layering\ToothModel;
use Prism\Materials\InvalidMaterial;
use Prism\Materials\Kit;
use Prism\Materials\Paper;

/**
 * Makes the tooth model for a kit on a paper, from the pencils' own colours and from swatches where there are some.
 *
 * This first version takes one coat a pencil: its heaviest swatch on the best-swatched paper, or else the heavy coat of
 * the pencil table. A paper with swatches of its own gets its white from the bare one and its tooth from the rest.
 */
final class ModelBuilder
{
    /** Tooth that is tried for a paper with swatches: roughness, capacity. */
    private const ROUGHNESS = [0.45, 0.6, 0.75, 0.9, 1.0, 1.15, 1.3];

    private const CAPACITY = [0.5, 0.75, 1.0, 1.3, 1.7];

    /** @param  list<Swatch>  $swatches */
    private function __construct(
        private readonly Paper $paper,
        private readonly array $swatches,
        private readonly Hand $hand,
    ) {
    }

    /** @param  list<Swatch>  $swatches of any papers */
    public static function for(Paper $paper, array $swatches = [], Hand $hand = new Hand): self
    {
        return new self($paper, $swatches, $hand);
    }

    /** @throws InvalidMaterial if a pencil has neither a swatch nor a colour */
    public function build(Kit $kit): ToothModel
    {
        $reference = $this->bestSwatched();
        $referenceTooth = Tooth::of($this->white($reference));
        $optics = $this->optics($kit, $referenceTooth, $reference->id);
        if ($reference->id === $this->paper->id) {
            return new ToothModel($referenceTooth, $this->hand, $optics);
        }

        return new ToothModel($this->ownTooth($kit, $optics), $this->hand, $optics);
    }

    /** The paper whose swatches the pencils are read from: this one, unless another has more. */
    private function bestSwatched(): Paper
    {
        $counts = [$this->paper->id => 0];
        foreach ($this->swatches as $swatch) {
            $counts[$swatch->paper] = ($counts[$swatch->paper] ?? 0) + 1;
        }
        arsort($counts);
        $best = (string) array_key_first($counts);

        return $counts[$best] === 0 || $best === $this->paper->id ? $this->paper : Paper::cartridge($best);
    }

    private function white(Paper $paper): Paper
    {
        foreach ($this->swatches as $swatch) {
            if ($swatch->paper === $paper->id && count($swatch->stack) === 0) {
                return Paper::of($paper->id, $paper->name, $swatch->colour, $paper->roughness, $paper->capacity, $paper->adhesion);
            }
        }

        return $paper;
    }

    /** @return array<string, PencilOptics> */
    private function optics(Kit $kit, Tooth $tooth, string $paperId): array
    {
        $heaviest = [];
        foreach ($this->swatches as $swatch) {
            $step = $swatch->stack->steps[0] ?? null;
            if ($swatch->paper !== $paperId || count($swatch->stack) !== 1 || $step?->kind !== StepKind::Layer) {
                continue;
            }
            $id = (string) $step->pencil;
            $weight = $step->pressurePercent * (1.0 + 0.2 * ($step->passes - 1));
            if ($weight > ($heaviest[$id][0] ?? 0.0)) {
                $heaviest[$id] = [$weight, $step, $swatch->colour];
            }
        }
        $swatched = new FullCoat($tooth, $this->hand);
        // The colour in a pencil table is that of a coat on white cartridge, whatever one draws on.
        $tabled = new FullCoat(Tooth::of(Paper::cartridge()), $this->hand);
        $optics = [];
        foreach ($kit as $id => $pencil) {
            if (isset($heaviest[$id])) {
                [, $step, $colour] = $heaviest[$id];
                $optics[$id] = $swatched->optics($pencil, self::bands($colour), $step->pressurePercent, $step->passes);

                continue;
            }
            $bands = FullCoat::bandsOf($pencil) ?? throw new InvalidMaterial(sprintf(
                'Pencil %s has no colour: give it L, a, b in the pencil table, or a swatch of it alone.', $id,
            ));
            $optics[$id] = $tabled->optics($pencil, $bands);
        }

        return $optics;
    }

    /**
     * The tooth of a paper that has only a few swatches: the pencils are carried over, roughness and capacity tried out.
     *
     * @param  array<string, PencilOptics>  $optics
     */
    private function ownTooth(Kit $kit, array $optics): Tooth
    {
        $paper = $this->white($this->paper);
        $own = array_values(array_filter(
            $this->swatches,
            fn (Swatch $swatch): bool => $swatch->paper === $paper->id && count($swatch->stack) > 0
                && array_diff(array_map(strval(...), $swatch->stack->pencils()), $kit->ids()) === [],
        ));
        if ($own === []) {
            return Tooth::of($paper);
        }
        $best = Tooth::of($paper);
        $least = INF;
        foreach (self::ROUGHNESS as $roughness) {
            foreach (self::CAPACITY as $capacity) {
                $tooth = Tooth::of(Paper::of($paper->id, $paper->name, $paper->colour, $roughness, $capacity, $paper->adhesion));
                $model = new ToothModel($tooth, $this->hand, $optics);
                $error = 0.0;
                foreach ($own as $swatch) {
                    $error += min(12.0, $model->draw($swatch->stack)->lab()->differenceTo($swatch->colour));
                }
                if ($error < $least) {
                    $least = $error;
                    $best = $tooth;
                }
            }
        }

        return $best;
    }

    /** @return array<int, float> */
    private static function bands(Lab $colour): array
    {
        return Reconstruction::smoothest($colour, Bands::WEIGHTS);
    }
}
