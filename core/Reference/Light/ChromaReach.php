<?php

declare(strict_types=1);

namespace Prism\Reference\Light;

use Prism\Colour\Lab;

/**
 * How coloured a box can be, by lightness and hue: colours beyond are brought inside with their hue kept. A table of the most
 * coloured that was made in each cell of lightness and hue; where nothing was made there or a little lighter, nothing is known
 * and nothing changed.
 */
final readonly class ChromaReach
{
    /** Cells of the table: L*, and degrees of hue. */
    private const L_CELL = 8.0;

    private const HUE_CELL = 30.0;

    /** Where nothing was made the cells above tell, so many of them. */
    private const LIGHTER = 3;

    /** A colour keeps this share of its chroma at least: what is greyed further is another colour. */
    private const LEAST = 0.5;

    /** @param  array<string, float>  $most  C*ab by "cell of L*:cell of hue" */
    private function __construct(private array $most)
    {
    }

    public static function unlimited(): self
    {
        return new self([]);
    }

    /** @param  iterable<Lab>  $made  what the box makes */
    public static function of(iterable $made): self
    {
        $most = [];
        foreach ($made as $lab) {
            $key = self::cell($lab);
            $most[$key] = max($most[$key] ?? 0.0, $lab->chroma());
        }

        return new self($most);
    }

    /**
     * @param  array<string, float|int>  $kept  as from {@see toArray()}
     */
    public static function fromArray(array $kept): self
    {
        return new self(array_map(floatval(...), $kept));
    }

    public function colour(Lab $colour): Lab
    {
        $most = $this->most($colour);
        $chroma = $colour->chroma();
        if ($chroma <= $most) {
            return $colour;
        }
        $share = max(self::LEAST, $most / $chroma);

        return Lab::of($colour->L, $share * $colour->a, $share * $colour->b);
    }

    /** @return array<string, float> */
    public function toArray(): array
    {
        return array_map(static fn (float $chroma): float => round($chroma, 1), $this->most);
    }

    /** C*ab; where nothing so dark was made in this hue it is no more than a little lighter. */
    private function most(Lab $colour): float
    {
        for ($lighter = 0; $lighter <= self::LIGHTER; $lighter++) {
            $most = $this->most[self::cell($colour, $lighter)] ?? null;
            if ($most !== null) {
                return $most;
            }
        }

        return INF;
    }

    private static function cell(Lab $colour, int $lighter = 0): string
    {
        return ((int) floor($colour->L / self::L_CELL) + $lighter).':'.(int) floor($colour->hueDegrees() / self::HUE_CELL);
    }
}
