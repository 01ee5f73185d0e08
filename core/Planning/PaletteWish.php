<?php

declare(strict_types=1);

namespace Prism\Planning;

use Prism\Matching\Limits;
use Prism\Matching\Target;
use Prism\Materials\PencilId;

/** What a palette is to serve: the colours of a picture, of how many pencils, with which and without which. */
final readonly class PaletteWish
{
    /**
     * @param  array<string, Target>  $targets
     * @param  list<int>  $sizes  of the palettes wanted
     * @param  array<string, float>  $weights  by target, 1 where none is given
     * @param  list<PencilId>  $pinned  always in
     * @param  list<PencilId>  $banned  never in
     * @param  array<string, Limits>  $each  for targets with limits of their own
     */
    public function __construct(
        public array $targets,
        public array $sizes,
        public array $weights = [],
        public array $pinned = [],
        public array $banned = [],
        public Limits $limits = new Limits(maxLayers: Limits::PICTURE_LAYERS),
        public array $each = [],
    ) {
    }

    /** @return array<string, Limits> by target */
    public function limitsByTarget(): array
    {
        $limits = [];
        foreach (array_keys($this->targets) as $id) {
            $limits[$id] = $this->each[$id] ?? $this->limits;
        }

        return $limits;
    }
}
