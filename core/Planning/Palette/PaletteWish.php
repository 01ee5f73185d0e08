<?php

declare(strict_types=1);

namespace Prism\Planning\Palette;

use Prism\Matching\Limits;
use Prism\Matching\Target;
use Prism\Materials\PencilId;

/** What a palette is to serve: the colours of a picture, of how many pencils, with which and without which. */
final readonly class PaletteWish
{
    /** Colours of a zone that lie further apart than this in L*, or in dE00, are parted in the photo: a quarter of a value step is seen side by side. */
    private const PARTED_L = 3.0;

    private const PARTED = 3.0;

    /**
     * @param  array<string, Target>  $targets
     * @param  list<int>  $sizes  of the palettes wanted
     * @param  array<string, float>  $weights  by target, 1 where none is given
     * @param  list<PencilId>  $pinned  always in
     * @param  list<PencilId>  $banned  never in
     * @param  array<string, Limits>  $each  for targets with limits of their own
     * @param  array<string, string>  $zones  in which zone a target lies: what the photo parts there is not drawn by one recipe
     * @param  bool  $explores  whether a target that a palette misses is searched among its pencils alone, which takes its time
     */
    public function __construct(
        public array $targets,
        public array $sizes,
        public array $weights = [],
        public array $pinned = [],
        public array $banned = [],
        public Limits $limits = new Limits(maxLayers: Limits::PICTURE_LAYERS),
        public array $each = [],
        public array $zones = [],
        public bool $explores = false,
    ) {
    }

    /** Whether two targets of one zone are to be told apart: they are a value apart, or a colour. */
    public function parts(string $one, string $other): bool
    {
        $zone = $this->zones[$one] ?? null;
        [$a, $b] = [$this->targets[$one], $this->targets[$other]];

        return $one !== $other && $zone !== null && $zone === ($this->zones[$other] ?? null)
            && (abs($a->colour->L - $b->colour->L) >= self::PARTED_L || ! $a->valueOnly && $a->colour->differenceTo($b->colour) >= self::PARTED);
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
