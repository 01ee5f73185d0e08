<?php

declare(strict_types=1);

namespace App\Studio\Pencils;

use App\Models\Paper;
use App\Models\Pencil;
use App\Models\Swatch;
use App\Models\User;
use App\Models\ZoneTarget;
use Illuminate\Support\Collection;
use Prism\Layering\GrainSection;
use Prism\Layering\Prediction;
use Prism\Layering\Stack;

/** What {@see PencilPage} has gathered of one pencil, on one paper. */
final readonly class PencilSheet
{
    /**
     * @param  bool  $favourite  the artist's
     * @param  ?float  $lengthMm  of it, as it was measured
     * @param  ?array{usedMm: float, leftMm: ?float, spare: int}  $stub  what was laid with it, and what is left
     * @param  list<array{strength: string, notation: string, prediction: Prediction, section: GrainSection}>  $strengths
     * @param  list<array{pencil: ?Pencil, gained: int, stack: Stack, prediction: Prediction}>  $partners
     * @param  list<ZoneTarget>  $usedIn
     * @param  Collection<int, Swatch>  $swatches  the latest
     * @param  ?array{before: float, after: float, swatches: int}  $error
     */
    public function __construct(
        public Pencil $pencil,
        public User $artist,
        public Paper $paper,
        public bool $owned,
        public bool $favourite,
        public int $spare,
        public ?float $lengthMm,
        public ?array $stub,
        public array $strengths,
        public array $partners,
        public array $usedIn,
        public int $swatchCount,
        public Collection $swatches,
        public ?array $error,
    ) {
    }
}
