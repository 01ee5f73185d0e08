<?php

declare(strict_types=1);

namespace Prism\Review;

use Prism\Colour\Lab;
use Prism\Colour\Srgb;

/** Light of some pixels of a drawing, of what they are to become and of what the log says they are, added up: a mean of light is what the eye sees from afar. */
final class ColourSum
{
    public int $pixels = 0;

    /** @var array{float, float, float} */
    private array $seen = [0.0, 0.0, 0.0];

    /** @var array{float, float, float} */
    private array $wanted = [0.0, 0.0, 0.0];

    /** @var array{float, float, float} */
    private array $expected = [0.0, 0.0, 0.0];

    /** @var array{float, float, float} */
    private array $blurred = [0.0, 0.0, 0.0];

    /**
     * @param  array{float, float, float}  $seen  linear
     * @param  array{float, float, float}  $wanted
     * @param  array{float, float, float}  $expected
     * @param  array{float, float, float}  $blurred  what is expected, not laid over exactly
     */
    public function add(array $seen, array $wanted, array $expected, array $blurred): void
    {
        $this->pixels++;
        for ($i = 0; $i < 3; $i++) {
            $this->seen[$i] += $seen[$i];
            $this->wanted[$i] += $wanted[$i];
            $this->expected[$i] += $expected[$i];
            $this->blurred[$i] += $blurred[$i];
        }
    }

    public function with(self $other): self
    {
        $both = clone $this;
        $both->pixels += $other->pixels;
        for ($i = 0; $i < 3; $i++) {
            $both->seen[$i] += $other->seen[$i];
            $both->wanted[$i] += $other->wanted[$i];
            $both->expected[$i] += $other->expected[$i];
            $both->blurred[$i] += $other->blurred[$i];
        }

        return $both;
    }

    public function seen(): Lab
    {
        return $this->mean($this->seen);
    }

    public function wanted(): Lab
    {
        return $this->mean($this->wanted);
    }

    public function expected(): Lab
    {
        return $this->mean($this->expected);
    }

    /** How much of what shows there is its neighbours' where it is not laid over exactly, dE00. */
    public function blurs(): float
    {
        return $this->expected()->differenceTo($this->mean($this->blurred));
    }

    /** @param  array{float, float, float}  $sum */
    private function mean(array $sum): Lab
    {
        $n = max(1, $this->pixels);

        return Srgb::linearToLab($sum[0] / $n, $sum[1] / $n, $sum[2] / $n);
    }
}
