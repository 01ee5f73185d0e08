<?php

declare(strict_types=1);

namespace Prism\Review;

use Prism\Maths\Separation;

/** What of a drawing cannot be judged in a picture of it: where it glares, and where a shadow with an edge lies over it. */
final readonly class Hidden
{
    /** About a glare the light runs over, so many pixels of the frame. */
    private const ROUND = 3;

    /** @param  string  $bytes  a pixel of the frame each, zero where it is seen */
    private function __construct(private string $bytes)
    {
    }

    /**
     * @param  array<int, float>  $light  linear, of what is seen in a frame of so many pixels, as white as the paper is known to be
     */
    public static function of(FoundDrawing $found, array $light, int $width, int $height): self
    {
        $bytes = str_repeat("\0", $width * $height);
        if ($found->isShaded()) {
            [$wide, $high] = [$found->picture->width / 2.0, $found->picture->height / 2.0];
            $shadow = Separation::of(array_map(static fn (array $place): array => [$place[0] / $wide - 1.0, $place[1] / $high - 1.0, $place[2]], $found->light->places));
            $view = $found->corners->view((float) $width, (float) $height);
            for ($at = 0; $shadow !== null && $at < $width * $height; $at++) {
                [$x, $y] = $view->map($at % $width + 0.5, intdiv($at, $width) + 0.5);
                if ($shadow->isOne($x / $wide - 1.0, $y / $high - 1.0)) {
                    $bytes[$at] = "\1";
                }
            }
        }
        if ($found->glares()) {
            foreach ($light as $at => $green) {
                if ($green > Sharpness::GLARE) {
                    [$x, $y] = [$at % $width, intdiv($at, $width)];
                    for ($v = max(0, $y - self::ROUND); $v <= min($height - 1, $y + self::ROUND); $v++) {
                        for ($u = max(0, $x - self::ROUND); $u <= min($width - 1, $x + self::ROUND); $u++) {
                            $bytes[$v * $width + $u] = "\1";
                        }
                    }
                }
            }
        }

        return new self($bytes);
    }

    public function at(int $pixel): bool
    {
        return $this->bytes[$pixel] !== "\0";
    }

    /** Share of the drawing. */
    public function share(): float
    {
        return 1.0 - substr_count($this->bytes, "\0") / strlen($this->bytes);
    }
}
