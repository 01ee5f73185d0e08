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

    /**
     * @param  array{float, float, float}  $seen  linear
     * @param  array{float, float, float}  $wanted
     * @param  array{float, float, float}  $expected
     */
    public function add(array $seen, array $wanted, array $expected): void
    {
        $this->pixels++;
        for ($i = 0; $i < 3; $i++) {
            $this->seen[$i] += $seen[$i];
            $this->wanted[$i] += $wanted[$i];
            $this->expected[$i] += $expected[$i];
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

    /** @param  array{float, float, float}  $sum */
    private function mean(array $sum): Lab
    {
        $n = max(1, $this->pixels);

        return Srgb::linearToLab($sum[0] / $n, $sum[1] / $n, $sum[2] / $n);
    }
}
