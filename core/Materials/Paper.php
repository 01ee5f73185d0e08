<?php

declare(strict_types=1);

namespace Prism\Materials;

use Prism\Colour\Lab;

/**
 * A support: its colour, and its tooth.
 *
 * The tooth is a distribution of depths, 0 at the peaks to 1 in the deepest valleys, as a share of `roughness`; what it
 * can hold is `capacity`.
 */
final readonly class Paper
{
    /** Darker than this a paper is toned, L*: white shows on it. */
    public const TONED_BELOW_L = 85.0;

    private const LEAST_ROUGHNESS = 0.05;

    private const LEAST_CAPACITY = 0.2;

    /**
     * @param  float  $roughness  how deep the valleys lie for the point of a pencil, against 1 for cartridge: 0.2 (film) to 1.3 (sanded)
     * @param  float  $capacity  film that the paper holds, against 1 for cartridge: about 0.4 (film) to 2.2 (sanded)
     * @param  float  $adhesion  how readily it takes pigment, against 1 for cartridge: 0.6 (film) to 1.4 (sanded)
     */
    private function __construct(
        public string $id,
        public string $name,
        public Lab $colour,
        public float $roughness,
        public float $capacity,
        public float $adhesion,
    ) {
    }

    /** @throws InvalidMaterial if a figure is outside what a paper can have */
    public static function of(string $id, string $name, Lab $colour, float $roughness = 1.0, float $capacity = 1.0, float $adhesion = 1.0): self
    {
        foreach (['roughness' => [$roughness, self::LEAST_ROUGHNESS, 3.0], 'capacity' => [$capacity, self::LEAST_CAPACITY, 10.0], 'adhesion' => [$adhesion, 0.1, 3.0]] as $what => [$value, $low, $high]) {
            if (! ($value >= $low && $value <= $high)) {
                throw new InvalidMaterial(sprintf('The %s of paper "%s" is %s; it goes from %s to %s.', $what, $id, $value, $low, $high));
            }
        }

        return new self($id, $name, $colour, $roughness, $capacity, $adhesion);
    }

    /** The same with another medium on it: its colour, and so much of the tooth as that leaves. Its swatches do not speak for it. */
    public function under(Ground $ground): self
    {
        $share = $ground->tooth->share();

        return new self(sprintf('%s+%s', $this->id, substr(sha1(serialize($ground->toArray())), 0, 8)), $this->name, $ground->colour, max(self::LEAST_ROUGHNESS, $share * $this->roughness), max(self::LEAST_CAPACITY, $share * $this->capacity), $this->adhesion);
    }

    /** Whether both white and black part from it. */
    public function isToned(): bool
    {
        return $this->colour->L < self::TONED_BELOW_L;
    }

    /** Cartridge of a middle tooth, for files that say nothing of their paper. */
    public static function cartridge(string $id = 'medium', ?Lab $colour = null): self
    {
        return self::of($id, 'Cartridge', $colour ?? Lab::of(95.4, -0.6, 1.5));
    }
}
