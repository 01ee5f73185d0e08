<?php

declare(strict_types=1);

namespace Prism\Calibration;

use Prism\Layering\Hand;
use Prism\Layering\PencilOptics;
use Prism\Layering\Tooth;
use Prism\Layering\ToothModel;

/** All that calibration can move: one hand, some papers, the pencils. */
final readonly class Fit
{
    /**
     * @param  array<string, PaperFit>  $papers  by id
     * @param  array<string, PencilFit>  $pencils  by RANGE:NUMBER
     */
    public function __construct(public HandFit $hand, public array $papers, public array $pencils)
    {
    }

    /** @return array<string, ToothModel> by paper */
    public function models(): array
    {
        $hand = $this->hand->hand();
        $optics = $this->optics($hand);

        return array_map(static fn (PaperFit $paper): ToothModel => new ToothModel($paper->tooth(), $hand, $optics), $this->papers);
    }

    /** A model on a paper that may have no swatches. */
    public function model(Tooth $tooth): ToothModel
    {
        $hand = $this->hand->hand();

        return new ToothModel($tooth, $hand, $this->optics($hand));
    }

    public function withHand(HandFit $hand): self
    {
        return new self($hand, $this->papers, $this->pencils);
    }

    /** @return array<string, PencilOptics> */
    private function optics(Hand $hand): array
    {
        return array_map(static fn (PencilFit $pencil): PencilOptics => $pencil->optics($hand), $this->pencils);
    }
}
